import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, Link, MenuItem, Stack, TextField } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../app/api.ts';
import { useCommand, useLots, useSetup } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { formatLumber } from '@ample-crane/core';
import { ErrorNote } from '../parts/ErrorNote.tsx';

/** Starts bodies or necks for an order from a released lot of the right wood, and offers their cards. */
export function StartBatchDialog({ order, onClose }: { order: View<'OrderView'>; onClose: () => void }) {
  const { units } = useSession();
  const setup = useSetup();
  const lots = useLots(['released']);
  const model = setup.data?.models.find((m) => m.id === order.modelId);
  const [component, setComponent] = useState<'body' | 'neck'>('body');
  const [quantity, setQuantity] = useState(String(Math.min(40, order.quantity)));
  const [lotId, setLotId] = useState('');
  const [carrier, setCarrier] = useState('');
  const [started, setStarted] = useState<string[]>([]);
  const start = useCommand(
    (body: View<'StartBatchDto'>, headers) => ask(client.POST('/api/batches', { body, headers })),
    ({ id }) => setStarted((before) => [...before, id]),
  );
  const need = component === 'body' ? model?.bodyWood : model?.neckWood;
  const fitting = (lots.data ?? []).filter((l) => need && l.species === need.species && l.use === need.use && l.leftM3 > 0);
  const count = Number(quantity);
  const lot = fitting.find((l) => l.id === lotId) ?? fitting[0];
  const submit = () =>
    lot &&
    start.mutate({
      modelId: order.modelId,
      component,
      quantity: count,
      lotId: lot.id,
      orderId: order.id,
      carrier: carrier.trim() === '' ? null : carrier.trim(),
    });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="start-title">
      <DialogTitle id="start-title">
        Start a batch for {order.id}: {order.quantity} × {order.modelName}
      </DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <Stack direction="row" spacing={2}>
            <TextField
              select
              label="Of what"
              value={component}
              onChange={(event) => {
                setComponent(event.target.value === 'neck' ? 'neck' : 'body');
                setLotId('');
              }}
              fullWidth
            >
              {(model?.components ?? ['body']).map((c) => (
                <MenuItem key={c} value={c}>
                  {c === 'body' ? 'bodies' : 'necks'}
                </MenuItem>
              ))}
            </TextField>
            <TextField label="Pieces" type="number" value={quantity} onChange={(event) => setQuantity(event.target.value)} fullWidth />
            <TextField
              label="Carrier"
              value={carrier}
              onChange={(event) => setCarrier(event.target.value)}
              placeholder="Rack 12"
              fullWidth
            />
          </Stack>
          {fitting.length === 0 ? (
            <Alert severity="warning" variant="outlined">
              No released lot of {need?.species ?? 'the wood it needs'} for {need?.use ?? component}. Release one in the wood room first.
            </Alert>
          ) : (
            <TextField select label="From lot" value={lot?.id ?? ''} onChange={(event) => setLotId(event.target.value)}>
              {fitting.map((l) => (
                <MenuItem key={l.id} value={l.id}>
                  {l.id}, {l.species}, {formatLumber(l.leftM3, units)} left
                </MenuItem>
              ))}
            </TextField>
          )}
          {start.error && <ErrorNote error={start.error} />}
          {started.map((id) => (
            <Alert key={id} severity="success" variant="outlined">
              Batch{' '}
              <Link component={RouterLink} to={`/batches/${id}`}>
                {id}
              </Link>{' '}
              started.{' '}
              <Link href={`/api/batches/${id}/card.pdf`} target="_blank" rel="noopener">
                Print card of {id}
              </Link>
            </Alert>
          ))}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={!lot || !Number.isInteger(count) || count < 1} loading={start.isPending} onClick={submit}>
          Start
        </Button>
      </DialogActions>
    </Dialog>
  );
}
