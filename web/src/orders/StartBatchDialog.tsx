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
import { Controller, useForm, useWatch } from 'react-hook-form';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCarriers, useCommand, useLots, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { formatLumber, type Component } from '@ample-crane/core';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { plural } from '../parts/words.ts';

type Body = View<'StartBatchDto'>;

interface Fields {
  component: Body['component'];
  quantity: number;
  /** empty: the first that fits */
  lotId: string;
  /** empty: on none yet */
  carrierId: string;
  offcut: boolean;
}

/** The most that is started at once from here. */
const MOST_PIECES = 40;

/** Starts bodies or necks for an order from a released lot of the right wood, and offers their cards. */
export function StartBatchDialog({ order, onClose }: { order: View<'OrderView'>; onClose: () => void }) {
  const { units } = useSession();
  const setup = useSetup();
  const lots = useLots(['released']);
  const carriers = useCarriers();
  const model = setup.data?.models.find((m) => m.id === order.modelId);
  const { control, register, handleSubmit, setValue, formState } = useForm<Fields>({
    mode: 'onChange',
    defaultValues: { component: 'body', quantity: Math.min(MOST_PIECES, order.quantity), lotId: '', carrierId: '', offcut: false },
  });
  const [component, quantity, lotId] = useWatch({ control, name: ['component', 'quantity', 'lotId'] });
  const [started, setStarted] = useState<string[]>([]);
  const start = useCommand(
    (body: Body, headers) => ask(client.POST('/api/batches', { body, headers })),
    ({ id }) => setStarted((before) => [...before, id]),
  );
  const need = model?.wood.find((w) => w.component === component);
  const fitting = (lots.data ?? []).filter((l) => need && l.species === need.species && l.use === need.use && l.leftM3 > 0);
  const racks = (carriers.data ?? []).filter((c) => c.kind === 'rack' && c.places - c.taken >= quantity);
  const lot = fitting.find((l) => l.id === lotId) ?? fitting[0];
  const neededM3 = (need?.volumeM3 ?? 0) * quantity;
  const restM3 = (lot?.leftM3 ?? 0) - neededM3;
  // Offcut is what does not make another batch like this one.
  const maybeOffcut = restM3 > 0 && restM3 < neededM3;
  const submit = handleSubmit(({ carrierId, offcut }) => {
    if (!lot) return;
    start.mutate({
      modelId: order.modelId,
      component,
      quantity,
      lotId: lot.id,
      orderId: order.id,
      ...(offcut && maybeOffcut ? { restIsOffcut: true } : {}),
      ...(carrierId === '' ? {} : { placements: [{ carrierId, pieces: quantity }] }),
    });
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="start-title">
      <DialogTitle id="start-title">
        Start a batch for {order.id}: {order.quantity} × {order.modelName}
      </DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <Stack direction="row" spacing={2}>
            <Controller
              name="component"
              control={control}
              render={({ field }) => (
                <TextField
                  {...field}
                  select
                  label="Of what"
                  onChange={(event) => {
                    field.onChange(event);
                    setValue('lotId', '');
                  }}
                  fullWidth
                >
                  {(model?.components ?? ['body']).map((c) => (
                    <MenuItem key={c} value={c}>
                      {plural(c as Component)}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <TextField
              label="Pieces"
              type="number"
              {...register('quantity', { valueAsNumber: true, min: 1, validate: (n) => Number.isInteger(n) })}
              error={!!formState.errors.quantity}
              fullWidth
            />
            <Controller
              name="carrierId"
              control={control}
              render={({ field }) => (
                <TextField {...field} select label="On" fullWidth>
                  <MenuItem value="">no carrier yet</MenuItem>
                  {racks.map((c) => (
                    <MenuItem key={c.id} value={c.id}>
                      {c.name}, {c.places - c.taken} free
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
          </Stack>
          {fitting.length === 0 ? (
            <Alert severity="warning" variant="outlined">
              No released lot of {need?.species ?? 'the wood it needs'} for {need?.use ?? component}. Release one in the wood room first.
            </Alert>
          ) : (
            <Controller
              name="lotId"
              control={control}
              render={({ field }) => (
                <TextField {...field} value={lot?.id ?? ''} select label="From lot">
                  {fitting.map((l) => (
                    <MenuItem key={l.id} value={l.id}>
                      {l.id}, {l.species}, {formatLumber(l.leftM3, units)} left
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
          )}
          {maybeOffcut && (
            <Controller
              name="offcut"
              control={control}
              render={({ field }) => (
                <FormControlLabel
                  control={<Checkbox checked={field.value} onChange={(_, checked) => field.onChange(checked)} />}
                  label={`The ${formatLumber(restM3, units)} left of the lot is offcut: it goes with this batch`}
                />
              )}
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
        <Button variant="contained" disabled={!lot || !formState.isValid} loading={start.isPending} onClick={() => void submit()}>
          Start
        </Button>
      </DialogActions>
    </Dialog>
  );
}
