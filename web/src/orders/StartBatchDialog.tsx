import {
  Alert,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Link,
  MenuItem,
  Stack,
  TextField,
} from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCarriers, useCommand, useLots, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { formatLumber, type Component } from '@ample-crane/core';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { plural } from '../parts/words.ts';

/** Starts bodies or necks for an order from a released lot of the right wood, and offers their cards. */
export function StartBatchDialog({ order, onClose }: { order: View<'OrderView'>; onClose: () => void }) {
  const { units } = useSession();
  const setup = useSetup();
  const lots = useLots(['released']);
  const model = setup.data?.models.find((m) => m.id === order.modelId);
  const [component, setComponent] = useState<View<'StartBatchDto'>['component']>('body');
  const [quantity, setQuantity] = useState(String(Math.min(40, order.quantity)));
  const [lotId, setLotId] = useState('');
  const [carrierId, setCarrierId] = useState('');
  const [offcut, setOffcut] = useState(false);
  const carriers = useCarriers();
  const [started, setStarted] = useState<string[]>([]);
  const start = useCommand(
    (body: View<'StartBatchDto'>, headers) => ask(client.POST('/api/batches', { body, headers })),
    ({ id }) => setStarted((before) => [...before, id]),
  );
  const need = model?.wood.find((w) => w.component === component);
  const fitting = (lots.data ?? []).filter((l) => need && l.species === need.species && l.use === need.use && l.leftM3 > 0);
  const count = Number(quantity);
  const racks = (carriers.data ?? []).filter((c) => c.kind === 'rack' && c.places - c.taken >= count);
  const lot = fitting.find((l) => l.id === lotId) ?? fitting[0];
  const neededM3 = (need?.volumeM3 ?? 0) * count;
  const restM3 = (lot?.leftM3 ?? 0) - neededM3;
  // Offcut is what does not make another batch like this one.
  const maybeOffcut = restM3 > 0 && restM3 < neededM3;
  const submit = () =>
    lot &&
    start.mutate({
      modelId: order.modelId,
      component,
      quantity: count,
      lotId: lot.id,
      orderId: order.id,
      ...(offcut && maybeOffcut ? { restIsOffcut: true } : {}),
      ...(carrierId === '' ? {} : { placements: [{ carrierId, pieces: count }] }),
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
                setComponent(event.target.value as View<'StartBatchDto'>['component']);
                setLotId('');
              }}
              fullWidth
            >
              {(model?.components ?? ['body']).map((c) => (
                <MenuItem key={c} value={c}>
                  {plural(c as Component)}
                </MenuItem>
              ))}
            </TextField>
            <TextField label="Pieces" type="number" value={quantity} onChange={(event) => setQuantity(event.target.value)} fullWidth />
            <TextField select label="On" value={carrierId} onChange={(event) => setCarrierId(event.target.value)} fullWidth>
              <MenuItem value="">no carrier yet</MenuItem>
              {racks.map((c) => (
                <MenuItem key={c.id} value={c.id}>
                  {c.name}, {c.places - c.taken} free
                </MenuItem>
              ))}
            </TextField>
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
          {maybeOffcut && (
            <FormControlLabel
              control={<Checkbox checked={offcut} onChange={(_, checked) => setOffcut(checked)} />}
              label={`The ${formatLumber(restM3, units)} left of the lot is offcut: it goes with this batch`}
            />
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
