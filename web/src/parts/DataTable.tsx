import { Box } from '@mui/material';
import { DataGrid, type GridColDef, type GridValidRowModel } from '@mui/x-data-grid';
import { Section } from './Screen.tsx';

interface Props<Row extends GridValidRowModel> {
  label: string;
  /** a section of its own under this heading, in whose line the table's tools stand */
  heading?: string | undefined;
  rows: readonly Row[];
  columns: GridColDef<Row>[];
  getRowId: (row: Row) => string | number;
  onOpen?: (row: Row) => void;
  height?: number | string;
  /** what an empty table says */
  empty?: string;
  /** sentences are told whole, on as many lines as they need */
  wraps?: boolean;
}

export const ROW_PX = 36;
export const HEADER_PX = 38;
/** header and borders */
const CHROME_PX = HEADER_PX + 6;
const TOOLS_PX = 44;
const SHORT = 12;

/** Every table: sorts, filters, exports CSV, and draws only the rows in sight. */
export function DataTable<Row extends GridValidRowModel>({
  label,
  heading,
  rows,
  columns,
  getRowId,
  onOpen,
  height = 420,
  empty = 'Nothing here',
  wraps = false,
}: Props<Row>) {
  // A short table takes the room its rows need.
  const needed = CHROME_PX + (heading === undefined ? TOOLS_PX : 0) + ROW_PX * Math.max(2, rows.length);
  const table = (
    <Box sx={{ height, maxHeight: rows.length <= SHORT && !wraps ? needed : undefined, minHeight: Math.min(200, needed) }}>
      <DataGrid
        aria-label={label}
        rows={[...rows]}
        columns={columns}
        getRowId={getRowId}
        rowHeight={ROW_PX}
        {...(wraps ? { getRowHeight: () => 'auto' as const } : {})}
        columnHeaderHeight={HEADER_PX}
        showToolbar
        disableRowSelectionOnClick
        hideFooter={rows.length <= 100}
        pageSizeOptions={[100]}
        {...(onOpen ? { onRowClick: ({ row }: { row: Row }) => onOpen(row) } : {})}
        localeText={{ noRowsLabel: empty }}
        slotProps={{
          toolbar: {
            csvOptions: { fileName: label.toLowerCase().replace(/\W+/g, '-'), utf8WithBom: true },
            printOptions: { disableToolbarButton: true },
          },
        }}
        sx={{
          ...(heading === undefined ? namedBy(label) : LIFTED),
          '& .MuiDataGrid-row': onOpen ? { cursor: 'pointer' } : {},
          ...(wraps ? { '& .MuiDataGrid-cell': { py: 1, lineHeight: 1.4, whiteSpace: 'normal', alignItems: 'flex-start' } } : {}),
          fontSize: 14,
        }}
      />
    </Box>
  );
  return heading === undefined ? table : <Section title={heading}>{table}</Section>;
}

/** The tools stand in the line of the section's heading. */
const LIFTED = {
  overflow: 'visible',
  '& .MuiDataGrid-toolbar': { position: 'absolute', top: -TOOLS_PX, right: 0, minHeight: TOOLS_PX, p: 0, border: 0, background: 'none' },
} as const;

/** A table under no heading says in the line of its tools what it lists. */
const namedBy = (label: string) => ({
  '& .MuiDataGrid-toolbar': {
    minHeight: TOOLS_PX,
    py: 0,
    '&::before': { content: JSON.stringify(label), mr: 'auto', pl: 1, fontWeight: 600 },
  },
});
