import { Box } from '@mui/material';
import { DataGrid, type GridColDef, type GridValidRowModel } from '@mui/x-data-grid';

interface Props<Row extends GridValidRowModel> {
  label: string;
  rows: readonly Row[];
  columns: GridColDef<Row>[];
  getRowId: (row: Row) => string | number;
  onOpen?: (row: Row) => void;
  height?: number | string;
  /** what an empty table says */
  empty?: string;
}

/** Every table: sorts, filters, exports CSV, and draws only the rows in sight. */
export function DataTable<Row extends GridValidRowModel>({
  label,
  rows,
  columns,
  getRowId,
  onOpen,
  height = 420,
  empty = 'Nothing here',
}: Props<Row>) {
  return (
    <Box sx={{ height, minHeight: 200 }}>
      <DataGrid
        aria-label={label}
        rows={[...rows]}
        columns={columns}
        getRowId={getRowId}
        rowHeight={36}
        columnHeaderHeight={38}
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
        sx={{ '& .MuiDataGrid-row': onOpen ? { cursor: 'pointer' } : {}, fontSize: 14 }}
      />
    </Box>
  );
}
