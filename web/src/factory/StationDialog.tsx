import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, TextField } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';

export function StationDialog({ station, onClose }: { station: View<'StationView'>; onClose: () => void }) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { name: station.name, places: String(station.places) },
  });
  const { errors } = formState;
  const save = useCommand(
    (body: View<'ChangeStationDto'>, headers) =>
      ask(client.PUT('/api/stations/{code}', { params: { path: { code: station.code } }, body, headers })),
    onClose,
  );
  const submit = (f: { name: string; places: string }) => save.mutate({ version: station.version, name: f.name, places: Number(f.places) });
  return (
    <Dialog open onClose={onClose} aria-labelledby="station-title">
      <form onSubmit={(event) => void handleSubmit(submit)(event)} noValidate>
        <DialogTitle id="station-title">Station {station.code}</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <TextField
              label="Name"
              {...register('name', { required: 'Type a name' })}
              error={!!errors.name}
              helperText={errors.name?.message}
            />
            <TextField
              label={station.kind === 'work' ? 'Benches in use' : 'Places'}
              type="number"
              {...register('places', {
                validate: (v) => (Number.isInteger(Number(v)) && Number(v) > 0) || 'A whole number above zero',
              })}
              error={!!errors.places}
              helperText={errors.places?.message}
            />
            {save.error && <ErrorNote error={save.error} />}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={save.isPending}>
            Save
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
