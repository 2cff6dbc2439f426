import type { GridColDef } from '@mui/x-data-grid';
import type { View } from '../ground/api.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { DataTable } from './DataTable.tsx';

type Line = View<'LogView'>;

/** What happened to a thing, line by line. */
export function LogTable({ of, log, height, heading }: { of: string; log: readonly Line[]; height: number; heading?: string }) {
  const { dateTime } = useSession();
  const tell = useTell();
  const columns: GridColDef<Line>[] = [
    { field: 'atMs', headerName: 'When', width: 150, valueFormatter: (value: number) => dateTime(value) },
    { field: 'sentence', headerName: 'What', flex: 1, minWidth: 240, valueFormatter: (value: string) => tell(value) },
    { field: 'by', headerName: 'Who', width: 140 },
  ];
  return (
    <DataTable label={`Log of ${of}`} heading={heading} rows={log} columns={columns} getRowId={(line) => line.id} height={height} wraps />
  );
}
