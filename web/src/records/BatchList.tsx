import { Box } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useNavigate } from 'react-router';
import type { View } from '../ground/api.ts';
import { useBatchPage } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { PagedTable } from '../parts/PagedTable.tsx';
import { fileOf, usePaging } from '../parts/paging.ts';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { statusWords } from '../parts/words.ts';

/** Batches in work, or those that are done, the latest first. */
export function BatchList({ done }: { done: boolean }) {
  const paging = usePaging(done ? '-endedMs' : '-number');
  const query = useBatchPage({ ...paging.asked, done });
  const navigate = useNavigate();
  const { date } = useSession();
  const day = (value: number | null) => (value === null ? '' : date(value));
  const columns: GridColDef<View<'BatchView'>>[] = [
    {
      field: 'number',
      headerName: 'Batch',
      width: 110,
      renderCell: ({ row }) => (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, height: '100%' }}>
          <StreamGlyph of={row.component} />
          <Id>{row.id}</Id>
        </Box>
      ),
    },
    { field: 'modelName', headerName: 'Model', width: 120, sortable: false },
    { field: 'component', headerName: 'Part', width: 110, sortable: false },
    { field: 'operationName', headerName: done ? 'Last step' : 'Step', flex: 1, minWidth: 150, sortable: false },
    { field: 'orderId', headerName: 'Order', width: 90, sortable: false },
    { field: 'lotId', headerName: 'Lot', width: 90, sortable: false },
    ...(done
      ? [{ field: 'endedMs', headerName: 'Done', width: 120, valueFormatter: day }]
      : [
          { field: 'quantity', headerName: 'Pieces', type: 'number', width: 70, sortable: false } as const,
          { field: 'status', headerName: 'State', width: 128, sortable: false, valueFormatter: (value: string) => statusWords(value) },
          { field: 'dueMs', headerName: 'Due', width: 120, valueFormatter: day },
        ]),
  ];
  return (
    <PagedTable
      label={done ? 'Batches done' : 'Batches in work'}
      query={query}
      paging={paging}
      columns={columns}
      getRowId={(b) => b.id}
      onOpen={(b) => void navigate(`/batches/${b.id}`)}
      find="Batch number"
      csv={fileOf('/api/batches/list.csv', { done: String(done), text: paging.text })}
      height="calc(100vh - 270px)"
      empty={done ? 'No batch is done yet' : 'No batch is in work'}
    />
  );
}
