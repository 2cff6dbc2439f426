import { boardFeetToM3, inchToMm, LOT_USES, SPECIES, type LotUse } from '@ample-crane/core';
import {
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  MenuItem,
  Stack,
  TextField,
} from '@mui/material';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useZones } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';

interface Fields {
  species: string;
  form: string;
  use: LotUse;
  thickness: string;
  volume: string;
  supplier: string;
  origin: string;
  permit: string;
  restricted: boolean;
  zoneId: string;
}

const number = (text: string) => Number(text.replace(',', '.'));
const positive = (text: string) => number(text) > 0 || 'A figure above zero';

/** Wood comes in: what, how much, from whom; volume in m³ or board feet as the person reads. */
export function ReceiveDialog({ onClose }: { onClose: () => void }) {
  const { units } = useSession();
  const zones = useZones();
  const navigate = useNavigate();
  const receive = useCommand(
    (body: View<'ReceiveLotDto'>, headers) => ask(client.POST('/api/lots', { body, headers })),
    ({ id }) => {
      onClose();
      void navigate(`/lots/${id}`);
    },
  );
  const { register, control, handleSubmit, formState } = useForm<Fields>({
    defaultValues: {
      species: 'mahogany',
      form: 'rough lumber',
      use: 'body',
      thickness: '',
      volume: '',
      supplier: '',
      origin: '',
      permit: '',
      restricted: false,
      zoneId: 'wood',
    },
  });
  const { errors } = formState;
  const restricted = useWatch({ control, name: 'restricted' });
  const submit = (f: Fields) =>
    receive.mutate({
      species: f.species,
      form: f.form,
      use: f.use,
      thicknessMm: units.length === 'mm' ? number(f.thickness) : inchToMm(number(f.thickness)),
      volumeM3: units.lumber === 'm3' ? number(f.volume) : boardFeetToM3(number(f.volume)),
      supplier: f.supplier,
      origin: f.origin,
      permit: f.permit.trim() === '' ? null : f.permit.trim(),
      restricted: f.restricted,
      zoneId: f.zoneId,
    });
  const select = (name: 'species' | 'use' | 'zoneId', label: string, options: readonly (readonly [string, string])[]) => (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <TextField {...field} select label={label} fullWidth>
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="receive-title">
      <form onSubmit={(event) => void handleSubmit(submit)(event)} noValidate>
        <DialogTitle id="receive-title">Receive a lot</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <Stack direction="row" spacing={2}>
              {select(
                'species',
                'Species',
                Object.keys(SPECIES).map((s) => [s, s] as const),
              )}
              {select(
                'use',
                'For',
                LOT_USES.map((u) => [u, u] as const),
              )}
            </Stack>
            <Stack direction="row" spacing={2}>
              <TextField
                label="Form"
                fullWidth
                {...register('form', { required: 'Say what form it has' })}
                error={!!errors.form}
                helperText={errors.form?.message}
              />
              <TextField
                label={`Thickness, ${units.length}`}
                fullWidth
                {...register('thickness', { validate: positive })}
                error={!!errors.thickness}
                helperText={errors.thickness?.message}
              />
              <TextField
                label={`Volume, ${units.lumber === 'm3' ? 'm³' : 'board feet'}`}
                fullWidth
                {...register('volume', { validate: positive })}
                error={!!errors.volume}
                helperText={errors.volume?.message}
              />
            </Stack>
            <TextField
              label="Supplier"
              {...register('supplier', { required: 'Name the supplier' })}
              error={!!errors.supplier}
              helperText={errors.supplier?.message}
            />
            <TextField
              label="Origin"
              {...register('origin', { required: 'Say where it grew' })}
              error={!!errors.origin}
              helperText={errors.origin?.message}
            />
            {select(
              'zoneId',
              'Where it lies',
              (zones.data ?? [{ id: 'wood', name: 'Wood room' }]).map((z) => [z.id, z.name] as const),
            )}
            <FormControlLabel
              control={<Checkbox {...register('restricted')} />}
              label="Restricted species: permit papers follow the wood"
            />
            {restricted && <TextField label="Permit number" {...register('permit')} helperText="Without it the lot cannot be released." />}
            {receive.error && <ErrorNote error={receive.error} />}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={receive.isPending}>
            Receive
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
