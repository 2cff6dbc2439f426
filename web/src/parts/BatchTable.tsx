import { formatDuration } from '@ample-crane/core';
import { Box } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useNavigate } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from './Answer.tsx';
import { DataTable } from './DataTable.tsx';
import { DwellRing } from './DwellRing.tsx';
import { StreamGlyph } from './StreamGlyph.tsx';
import { carriersOf, statusWords } from './words.ts';

type Batch = View<'BatchView'>;

/** Batches as a table; a click opens the card. */
export function BatchTable({
  label,
  heading,
  batches,
  height,
}: {
  label: string;
  heading?: string;
  batches: readonly Batch[];
  height?: number | string;
}) {
  const navigate = useNavigate();
  const { nowMs, clock, date } = useSession();
  const columns: GridColDef<Batch>[] = [
    {
      field: 'id',
      headerName: 'Batch',
      width: 92,
      renderCell: ({ row }) => (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, height: '100%' }}>
          <StreamGlyph of={row.component} />
          <Id>{row.id}</Id>
        </Box>
      ),
    },
    { field: 'modelName', headerName: 'Model', width: 96 },
    { field: 'quantity', headerName: 'Pieces', type: 'number', width: 64 },
    { field: 'operationName', headerName: 'Step', flex: 1, minWidth: 140 },
    { field: 'stationName', headerName: 'Station', flex: 1, minWidth: 130 },
    {
      field: 'status',
      headerName: 'State',
      width: 128,
      valueFormatter: (value: string) => statusWords(value),
    },
    {
      field: 'untilMs',
      headerName: 'Free',
      width: 196,
      sortComparator: (a: number | null, b: number | null) => (a ?? Infinity) - (b ?? Infinity),
      valueFormatter: (value: number | null) => (value === null ? '' : clock(value)),
      renderCell: ({ row }) =>
        row.status === 'dwelling' || row.status === 'finished' ? (
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, height: '100%' }}>
            <DwellRing of={row} size={26} />
            {row.verdict === 'pass' ? 'now' : row.untilMs === null ? '' : `${clock(row.untilMs)} · ${formatDuration(row.untilMs - nowMs)}`}
          </Box>
        ) : null,
    },
    {
      field: 'dueMs',
      headerName: 'Due',
      width: 105,
      valueFormatter: (value: number | null) => (value === null ? '' : date(value)),
    },
    { field: 'placements', headerName: 'Carrier', width: 110, valueGetter: (_, row) => carriersOf(row) },
  ];
  return (
    <DataTable
      label={label}
      heading={heading}
      rows={batches}
      columns={columns}
      getRowId={(b) => b.id}
      onOpen={(b) => void navigate(`/batches/${b.id}`)}
      empty="No batch is here"
      {...(height === undefined ? {} : { height })}
    />
  );
}
