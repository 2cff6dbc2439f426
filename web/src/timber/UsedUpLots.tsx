import { formatLumber } from '@ample-crane/core';
import type { GridColDef } from '@mui/x-data-grid';
import { useNavigate } from 'react-router';
import type { View } from '../ground/api.ts';
import { useUsedUpPage } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { PagedTable } from '../parts/PagedTable.tsx';
import { usePaging } from '../parts/paging.ts';

/** Lots of which nothing is left, the latest first. */
export function UsedUpLots() {
  const paging = usePaging('-number');
  const query = useUsedUpPage(paging.asked);
  const navigate = useNavigate();
  const { units, date } = useSession();
  const columns: GridColDef<View<'LotView'>>[] = [
    { field: 'number', headerName: 'Lot', width: 100, renderCell: ({ row }) => <Id>{row.id}</Id> },
    { field: 'species', headerName: 'Species', width: 130, sortable: false },
    { field: 'use', headerName: 'For', width: 80, sortable: false },
    { field: 'thicknessMm', headerName: 'mm', type: 'number', width: 60, sortable: false },
    {
      field: 'volumeM3',
      headerName: 'Received',
      type: 'number',
      width: 110,
      sortable: false,
      valueFormatter: (value: number) => formatLumber(value, units),
    },
    { field: 'supplier', headerName: 'Supplier', flex: 1, minWidth: 150, sortable: false },
    { field: 'receivedMs', headerName: 'On', width: 120, valueFormatter: (value: number) => date(value) },
  ];
  return (
    <PagedTable
      label="Lots used up"
      query={query}
      paging={paging}
      columns={columns}
      getRowId={(l) => l.id}
      onOpen={(l) => void navigate(`/lots/${l.id}`)}
      find="Lot, species or supplier"
      height="calc(100vh - 410px)"
      empty="No lot is used up yet"
    />
  );
}
