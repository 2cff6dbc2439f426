import { formatMass, type Component } from '@ample-crane/core';
import { Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useSearchParams } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useAllotment, useBlanks, useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';
import { BandStrip } from '../parts/BandStrip.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { counted } from '../parts/words.ts';
import { JoinBlanks } from './JoinBlanks.tsx';
import { WeighBlanks } from './WeighBlanks.tsx';

type Row = View<'AllottedView'>;

/** Which blanks best become which instruments, by weight and look; what is kept for another order is not taken. */
export function Allotment() {
  const { may } = useSession();
  const blanks = useBlanks();
  const kinds = [...new Map((blanks.data ?? []).map((b) => [`${b.modelId} ${b.component}`, b])).values()];
  const [search, setSearch] = useSearchParams();
  const chosen = search.get('blanks');
  const kind = kinds.find((b) => `${b.modelId} ${b.component}` === chosen) ?? kinds.find((b) => b.component === 'body') ?? kinds[0];
  const own = (blanks.data ?? []).filter((b) => b.modelId === kind?.modelId && b.component === kind.component);
  if (!blanks.data) return null;
  if (!kind) return <Typography color="text.secondary">No blank is in stock. Plan a cut to make some.</Typography>;
  return (
    <>
      <Stack direction="row" spacing={2} useFlexGap sx={{ alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
        <TextField
          select
          label="Blanks for"
          value={`${kind.modelId} ${kind.component}`}
          onChange={(event) => setSearch((now) => ({ ...Object.fromEntries(now), blanks: event.target.value }))}
          sx={{ minWidth: 200 }}
        >
          {kinds.map((b) => (
            <MenuItem key={`${b.modelId} ${b.component}`} value={`${b.modelId} ${b.component}`}>
              {b.modelName}, {b.component}
            </MenuItem>
          ))}
        </TextField>
        <Typography>
          {counted(own.length, 'blank', 'blanks')} in stock, {own.filter((b) => b.massG === null).length} not weighed
        </Typography>
        {may('operator') && (
          <>
            <JoinBlanks blanks={own} />
            <WeighBlanks blanks={own} />
          </>
        )}
      </Stack>
      <Proposal modelId={kind.modelId} component={kind.component as Component} />
    </>
  );
}

function Proposal({ modelId, component }: { modelId: string; component: Component }) {
  const { units, may } = useSession();
  const query = useAllotment(modelId, component);
  const reserve = useCommand(async (rows: Row[], headers) => {
    const orders = [...new Set(rows.map((r) => r.orderId))];
    for (const orderId of orders)
      await ask(
        client.POST('/api/blanks/reserve', {
          body: { orderId, blanks: rows.filter((r) => r.orderId === orderId).map((r) => ({ id: r.blankId, version: r.blankVersion })) },
          headers: { 'Idempotency-Key': `${headers['Idempotency-Key']} ${orderId}` },
        }),
      );
    return orders.length;
  });
  if (query.error)
    return <Typography color="text.secondary">No weight is aimed at for this part: its blanks are taken as they come.</Typography>;
  if (!query.data) return null;
  const { allotted, lowG, highG, unmet, inBandAsTheyCome } = query.data;
  const open = allotted.filter((a) => !a.reserved);
  const inBand = allotted.filter((a) => a.inBand).length;
  const columns: GridColDef<Row>[] = [
    { field: 'orderId', headerName: 'Order', width: 100 },
    { field: 'blankId', headerName: 'Blank', width: 120 },
    {
      field: 'predictedG',
      headerName: 'Would weigh',
      width: 120,
      type: 'number',
      valueFormatter: (value: number) => formatMass(value, units),
    },
    { field: 'inBand', headerName: 'In band', width: 90, valueFormatter: (value: boolean) => (value ? 'yes' : 'no') },
    {
      field: 'chamberCm3',
      headerName: 'Chamber out, cm³',
      width: 140,
      type: 'number',
      valueFormatter: (value: number) => (value > 0 ? value.toFixed(0) : ''),
    },
    { field: 'reserved', headerName: '', flex: 1, minWidth: 80, valueFormatter: (value: boolean) => (value ? 'kept' : 'proposed') },
  ];
  return (
    <>
      <Typography sx={{ mb: 1 }}>
        {allotted.length > 0 && (
          <>
            <Figure>{inBand}</Figure> of {allotted.length} instruments would land between {formatMass(lowG, units)} and{' '}
            {formatMass(highG, units)}; as they come it would be <Figure>{inBandAsTheyCome}</Figure>.
          </>
        )}
        {unmet > 0 && ` ${counted(unmet, 'instrument has', 'instruments have')} no blank.`}
      </Typography>
      {allotted.length > 0 && (
        <BandStrip label="Predicted weights" unit="g" low={lowG} high={highG} values={allotted.map((a) => a.predictedG)} width={420} />
      )}
      <DataTable
        label="Blanks allotted"
        rows={allotted}
        columns={columns}
        getRowId={(a) => a.slotId}
        height={280}
        empty="No open order asks for one."
      />
      {may('lead') && open.length > 0 && (
        <Button sx={{ mt: 1 }} variant="contained" loading={reserve.isPending} onClick={() => reserve.mutate(open)}>
          Keep {counted(open.length, 'blank', 'blanks')} for {open.length === 1 ? 'its order' : 'their orders'}
        </Button>
      )}
      {reserve.error && <ErrorNote error={reserve.error} />}
    </>
  );
}
