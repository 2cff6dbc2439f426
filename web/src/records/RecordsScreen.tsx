import type { GridColDef } from '@mui/x-data-grid';
import { useNavigate } from 'react-router';
import type { View } from '../ground/api.ts';
import { useInstruments } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { Screen } from '../parts/Screen.tsx';

/** Every instrument that has a serial. */
export default function RecordsScreen() {
  const query = useInstruments();
  const navigate = useNavigate();
  const { date } = useSession();
  const columns: GridColDef<View<'InstrumentView'>>[] = [
    { field: 'serial', headerName: 'Serial', width: 150, renderCell: ({ row }) => <Id>{row.serial}</Id> },
    { field: 'modelName', headerName: 'Model', width: 130 },
    { field: 'state', headerName: 'State', width: 100 },
    { field: 'batchId', headerName: 'Batch', width: 90 },
    { field: 'fittedMs', headerName: 'Fitted', width: 120, valueFormatter: (value: number) => date(value) },
    {
      field: 'shippedMs',
      headerName: 'Shipped',
      width: 120,
      valueFormatter: (value: number | null) => (value === null ? '' : date(value)),
    },
    { field: 'consignee', headerName: 'Consignee', flex: 1, minWidth: 180 },
  ];
  return (
    <Screen title="Records" query={query}>
      {(instruments) => (
        <>
          <Answer>
            <Figure>{instruments.length}</Figure> instruments have a serial;{' '}
            <Figure>{instruments.filter((i) => i.state === 'in work').length}</Figure> are in work. Each record leads back to its wood.
          </Answer>
          <DataTable
            label="Instruments"
            rows={instruments}
            columns={columns}
            getRowId={(i) => i.serial}
            onOpen={(i) => void navigate(`/records/${i.serial}`)}
            height="calc(100vh - 210px)"
            empty="No instrument has a serial yet. Serials are given at fitting."
          />
        </>
      )}
    </Screen>
  );
}
