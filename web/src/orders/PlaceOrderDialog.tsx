import { Button, Dialog, DialogActions, DialogContent, DialogTitle, MenuItem, Stack, TextField } from '@mui/material';
import dayjs from 'dayjs';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';

interface Fields {
  modelId: string;
  quantity: string;
  customer: string;
  due: string;
}

const USUAL_LEAD_DAYS = 60;

/** An order goes into the book; starting its batches is the next thing to do. */
export function PlaceOrderDialog({ onClose, onPlaced }: { onClose: () => void; onPlaced: (id: string) => void }) {
  const setup = useSetup();
  const { nowMs, session } = useSession();
  const place = useCommand(
    (body: View<'PlaceOrderDto'>, headers) => ask(client.POST('/api/orders', { body, headers })),
    ({ id }) => {
      onClose();
      onPlaced(id);
    },
  );
  // Small parts are made ahead and not sold.
  const models = (setup.data?.models ?? []).filter((m) => m.steps.some((s) => s.kind === 'dispatch'));
  const { register, control, handleSubmit, formState } = useForm<Fields>({
    defaultValues: {
      modelId: '',
      quantity: '6',
      customer: 'Stock',
      due: dayjs(nowMs).tz(session.timeZone).add(USUAL_LEAD_DAYS, 'day').format('YYYY-MM-DD'),
    },
  });
  const { errors } = formState;
  const [choices, setChoices] = useState<Record<string, string>>({});
  const modelId = useWatch({ control, name: 'modelId' });
  const options = models.find((m) => m.id === modelId)?.options ?? [];
  const submit = (f: Fields) =>
    place.mutate({
      modelId: f.modelId,
      quantity: Number(f.quantity),
      customer: f.customer,
      // Only what this model offers: another may have been chosen in between.
      choices: Object.fromEntries(options.map((o) => [o.id, choices[o.id] ?? o.values[0]?.id ?? ''])),
      dueMs: dayjs.tz(`${f.due}T15:00`, session.timeZone).valueOf(),
    });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="order-title">
      <form onSubmit={(event) => void handleSubmit(submit)(event)} noValidate>
        <DialogTitle id="order-title">Place an order</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <Controller
              name="modelId"
              control={control}
              rules={{ required: 'Choose a model' }}
              render={({ field }) => (
                <TextField {...field} select label="Model" error={!!errors.modelId} helperText={errors.modelId?.message}>
                  {models.map((m) => (
                    <MenuItem key={m.id} value={m.id}>
                      {m.name}, {m.construction}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            {options.map((o) => (
              <TextField
                key={o.id}
                select
                label={o.name}
                value={choices[o.id] ?? o.values[0]?.id ?? ''}
                onChange={(event) => setChoices({ ...choices, [o.id]: event.target.value })}
              >
                {o.values.map((v) => (
                  <MenuItem key={v.id} value={v.id}>
                    {v.name}
                  </MenuItem>
                ))}
              </TextField>
            ))}
            <TextField
              label="Instruments"
              type="number"
              {...register('quantity', {
                validate: (v) => (Number.isInteger(Number(v)) && Number(v) > 0) || 'A whole number above zero',
              })}
              error={!!errors.quantity}
              helperText={errors.quantity?.message}
            />
            <TextField
              label="Customer, or Stock"
              {...register('customer', { required: 'Say who it is for' })}
              error={!!errors.customer}
              helperText={errors.customer?.message}
            />
            <TextField
              label="Due"
              type="date"
              slotProps={{ inputLabel: { shrink: true } }}
              {...register('due', { required: 'Choose a date' })}
              error={!!errors.due}
              helperText={errors.due?.message}
            />
            {place.error && <ErrorNote error={place.error} />}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={place.isPending}>
            Place
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
