import type { GridColDef } from '@mui/x-data-grid';
import { useNavigate } from 'react-router';
import type { View } from '../ground/api.ts';
import { usePlanPage } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { PagedTable } from '../parts/PagedTable.tsx';
import { usePaging } from '../parts/paging.ts';

/** Plans drawn up and cut, the latest first. */
export function CuttingPlans() {
  const paging = usePaging('-number');
  const query = usePlanPage(paging.asked);
  const navigate = useNavigate();
  const { dateTime } = useSession();
  const columns: GridColDef<View<'PlanLineView'>>[] = [
    { field: 'number', headerName: 'Plan', width: 80, renderCell: ({ row }) => <Id>{row.id}</Id> },
    { field: 'atMs', headerName: 'Made', width: 150, valueFormatter: (value: number) => dateTime(value) },
    { field: 'by', headerName: 'By', width: 160, sortable: false },
    { field: 'lotIds', headerName: 'Lots', flex: 1, minWidth: 120, sortable: false, valueFormatter: (value: string[]) => value.join(', ') },
    { field: 'boards', headerName: 'Boards', type: 'number', width: 80, sortable: false },
    { field: 'blanks', headerName: 'Blanks', type: 'number', width: 80, sortable: false },
    { field: 'state', headerName: '', width: 80, sortable: false },
  ];
  return (
    <PagedTable
      label="Cutting plans"
      query={query}
      paging={paging}
      columns={columns}
      getRowId={(p) => p.id}
      onOpen={(p) => void navigate(`/wood-room/cutting/${p.id}`)}
      find="Plan number"
      height="300px"
      empty="No cut has been planned yet"
    />
  );
}
