import { Button, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';

const FIGURES = [
  ['a', 'Pin a'],
  ['b', 'Pin b'],
  ['densityOffsetPct', 'Pinless reads over'],
] as const;

/** What the meters' handbooks say of each species. */
export function Meters({ setup, editable }: { setup: View<'SetupView'>; editable: boolean }) {
  const now = { species: setup.meters, seen: setup.tags.meters };
  const [base, setBase] = useState(now);
  const { control, register, handleSubmit, formState, reset, getValues } = useForm<View<'ChangeMetersDto'>>({
    values: { species: base.species },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'species' });
  const save = useCommand(
    (body: View<'ChangeMetersDto'>, headers) => ask(client.PUT('/api/settings/meters', { body: { ...body, seen: base.seen }, headers })),
    () => reset(getValues()),
  );
  const behind = base.seen !== now.seen;
  // What is being typed stays; nobody types: what somebody else saved is shown.
  if (behind && !formState.isDirty) setBase(now);
  const showTheirs = () => {
    save.reset();
    reset({ species: now.species });
    setBase(now);
  };
  return (
    <form onSubmit={(event) => void handleSubmit((body) => save.mutate(body))(event)} noValidate>
      <Stack spacing={1.5}>
        {fields.length === 0 && (
          <Typography color="text.secondary">No species is corrected: readings are taken for temperature only.</Typography>
        )}
        {fields.map((field, i) => (
          <Stack key={field.id} direction="row" spacing={1}>
            <TextField
              label="Species"
              {...register(`species.${i}.species`, { required: 'Needed' })}
              disabled={!editable}
              sx={{ flex: 1 }}
            />
            {FIGURES.map(([name, label]) => (
              <TextField
                key={name}
                label={label}
                type="number"
                disabled={!editable}
                {...register(`species.${i}.${name}`, { valueAsNumber: true })}
                slotProps={{ htmlInput: { step: 'any' } }}
                sx={{ width: 110 }}
              />
            ))}
            {editable && (
              <Button color="error" onClick={() => remove(i)}>
                Drop
              </Button>
            )}
          </Stack>
        ))}
        {save.error && <ErrorNote error={save.error} />}
        {behind && formState.isDirty && !save.isPending && (
          <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
            <Typography sx={{ flex: 1 }}>Somebody else has saved corrections since you began to type.</Typography>
            <Button onClick={showTheirs}>Show theirs, drop mine</Button>
          </Stack>
        )}
        {editable && (
          <Stack direction="row" spacing={1}>
            <Button onClick={() => append({ species: '', a: 1, b: 0, densityOffsetPct: 0 })}>Add a species</Button>
            <Button type="submit" variant="contained" disabled={!formState.isDirty} loading={save.isPending}>
              Save corrections
            </Button>
          </Stack>
        )}
      </Stack>
    </form>
  );
}
