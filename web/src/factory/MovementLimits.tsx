import { Button, Stack, TextField, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';

/** How far a joint or inlay may move with the seasons before there is trouble. */
export function MovementLimits({ setup, editable }: { setup: View<'SetupView'>; editable: boolean }) {
  const { register, handleSubmit, formState } = useForm<View<'ChangeMovementDto'>>({
    values: { limits: setup.movementLimits },
    resetOptions: { keepDirtyValues: true },
  });
  const save = useCommand((body: View<'ChangeMovementDto'>, headers) =>
    ask(client.PUT('/api/settings/movement', { body: { ...body, seen: setup.tags.movement }, headers })),
  );
  return (
    <form onSubmit={(event) => void handleSubmit((body) => save.mutate(body))(event)} noValidate>
      <Stack spacing={1.5}>
        {setup.movementLimits.map((limit, i) => (
          <Stack key={limit.id} direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
            <TextField
              label={`${limit.name}, mm`}
              type="number"
              disabled={!editable}
              {...register(`limits.${i}.limitMm`, { valueAsNumber: true })}
              slotProps={{ htmlInput: { step: 'any' } }}
              sx={{ width: 240 }}
            />
            <Typography variant="body2" color="text.secondary">
              beyond it {limit.because}
            </Typography>
          </Stack>
        ))}
        {save.error && <ErrorNote error={save.error} />}
        {editable && (
          <Button type="submit" variant="contained" sx={{ alignSelf: 'start' }} disabled={!formState.isDirty} loading={save.isPending}>
            Save limits
          </Button>
        )}
      </Stack>
    </form>
  );
}
