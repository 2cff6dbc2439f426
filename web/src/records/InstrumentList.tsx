import { INSTRUMENT_STATES, type InstrumentState } from '@ample-crane/core';
import { MenuItem, TextField } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useNavigate, useSearchParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useInstrumentPage } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { PagedTable } from '../parts/PagedTable.tsx';
import { fileOf, usePaging } from '../parts/paging.ts';

/** Instruments, the latest fitted first. */
export function InstrumentList() {
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const { date } = useSession();
  const state = INSTRUMENT_STATES.find((s) => s === search.get('state'));
  const paging = usePaging('-fittedMs', state);
  const query = useInstrumentPage({ ...paging.asked, ...(state === undefined ? {} : { state }) });
  const columns: GridColDef<View<'InstrumentView'>>[] = [
    { field: 'serial', headerName: 'Serial', width: 150, renderCell: ({ row }) => <Id>{row.serial}</Id> },
    { field: 'modelName', headerName: 'Model', width: 130, sortable: false },
    { field: 'state', headerName: 'State', width: 100, sortable: false },
    { field: 'batchId', headerName: 'Batch', width: 90, sortable: false },
    { field: 'fittedMs', headerName: 'Fitted', width: 120, valueFormatter: (value: number) => date(value) },
    {
      field: 'shippedMs',
      headerName: 'Shipped',
      width: 120,
      valueFormatter: (value: number | null) => (value === null ? '' : date(value)),
    },
    { field: 'consignee', headerName: 'Consignee', flex: 1, minWidth: 180 },
  ];
  const choose = (value: string) => {
    const next = new URLSearchParams(search);
    if (value === '') next.delete('state');
    else next.set('state', value);
    setSearch(next, { replace: true });
  };
  return (
    <PagedTable
      label="Instruments"
      query={query}
      paging={paging}
      columns={columns}
      getRowId={(i) => i.serial}
      onOpen={(i) => void navigate(`/records/${i.serial}`)}
      find="Serial or consignee"
      csv={fileOf('/api/instruments/list.csv', { state, text: paging.text })}
      height="calc(100vh - 270px)"
      empty="No instrument here. Serials are given at fitting."
    >
      <TextField
        select
        label="State"
        value={state ?? ''}
        onChange={({ target }) => choose(target.value)}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        sx={{ width: 140 }}
      >
        <MenuItem value="">Any</MenuItem>
        {INSTRUMENT_STATES.map((s: InstrumentState) => (
          <MenuItem key={s} value={s}>
            {s}
          </MenuItem>
        ))}
      </TextField>
    </PagedTable>
  );
}
