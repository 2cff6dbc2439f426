import { COMPONENTS, LOT_USES, type Component, type LotUse } from '@ample-crane/core';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { Controller, useFieldArray, useForm } from 'react-hook-form';
import { ask, client, problemOf, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';

interface Fields {
  name: string;
  code: string;
  construction: string;
  batchSize: string;
  scaleLengthMm: string;
  wood: { component: Component; species: string; use: LotUse; litres: string; thicknessMm: string; blank: string }[];
}

const idOf = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
const figure = (text: string) => Number(text.replace(',', '.'));
const positive = (text: string) => (figure(text) > 0 ? true : 'A figure above zero');
const LITRES_PER_M3 = 1000;

/** "1050 178 45" or "1050 × 178 × 45": the blank that is cut from a board. */
function blankOf(text: string): View<'BlankSizeDto'> | null {
  const [lengthMm, widthMm, thicknessMm, ...more] = text
    .split(/[\s×x;]+/)
    .filter((word) => word !== '')
    .map(figure);
  if (more.length > 0 || !lengthMm || !widthMm || !thicknessMm || !(lengthMm > 0 && widthMm > 0 && thicknessMm > 0)) return null;
  return { lengthMm, widthMm, thicknessMm, leavesEach: 0 };
}

const blankPart = (text: string) => {
  const blank = blankOf(text);
  return blank ? { blank } : {};
};

/** A new model: what it is and which wood it is made of. Its route is described next. */
export function ModelDialog({ onClose, onAdded }: { onClose: () => void; onAdded: (id: string) => void }) {
  const { register, control, handleSubmit, formState } = useForm<Fields>({
    defaultValues: {
      name: '',
      code: '',
      construction: '',
      batchSize: '6',
      scaleLengthMm: '645',
      wood: [{ component: 'body', species: '', use: 'body', litres: '15', thicknessMm: '45', blank: '' }],
    },
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'wood' });
  const { errors } = formState;
  const add = useCommand(
    (body: View<'ModelDto'>, headers) => ask(client.POST('/api/models', { body, headers })),
    ({ id }) => onAdded(id),
  );
  const problem = add.error ? problemOf(add.error) : undefined;
  const submit = (f: Fields) =>
    add.mutate({
      id: idOf(f.name),
      name: f.name.trim(),
      code: f.code.trim().toUpperCase(),
      construction: f.construction.trim(),
      batchSize: Number(f.batchSize),
      scaleLengthMm: figure(f.scaleLengthMm),
      clearanceLowMm: 0.05,
      clearanceTargetMm: 0.1,
      clearanceHighMm: 0.2,
      wood: f.wood.map((w) => ({
        component: w.component,
        species: w.species.trim(),
        use: w.use,
        volumeM3: figure(w.litres) / LITRES_PER_M3,
        thicknessMm: figure(w.thicknessMm),
        ...blankPart(w.blank),
      })),
    });
  const text = (name: 'name' | 'code' | 'construction', label: string) => (
    <TextField
      label={label}
      {...register(name, { required: 'Needed' })}
      error={!!errors[name]}
      helperText={errors[name]?.message}
      fullWidth
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="model-title">
      <form onSubmit={(event) => void handleSubmit(submit)(event)} noValidate>
        <DialogTitle id="model-title">Add a model</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <Stack direction="row" spacing={1.5}>
              {text('name', 'Model')}
              {text('code', 'Code in serials')}
              {text('construction', 'Construction')}
            </Stack>
            <Stack direction="row" spacing={1.5}>
              <TextField
                label="Usual batch"
                {...register('batchSize', {
                  validate: (v) => (Number.isInteger(Number(v)) && Number(v) >= 1 && Number(v) <= 40 ? true : '1 to 40'),
                })}
                error={!!errors.batchSize}
                helperText={errors.batchSize?.message}
              />
              <TextField
                label="Scale length, mm"
                {...register('scaleLengthMm', { validate: positive })}
                error={!!errors.scaleLengthMm}
                helperText={errors.scaleLengthMm?.message}
              />
            </Stack>
            <Typography variant="h3">Wood, for one piece of each component that is started apart</Typography>
            {fields.map((field, i) => (
              <Stack key={field.id} direction="row" spacing={1} role="group" aria-label={`Wood ${i + 1}`}>
                <Controller
                  control={control}
                  name={`wood.${i}.component`}
                  render={({ field: f }) => (
                    <TextField select label="Component" {...f} sx={{ width: 130 }}>
                      {COMPONENTS.filter((c) => c !== 'instrument').map((c) => (
                        <MenuItem key={c} value={c}>
                          {c}
                        </MenuItem>
                      ))}
                    </TextField>
                  )}
                />
                <TextField
                  label="Species"
                  {...register(`wood.${i}.species`, { required: 'Needed' })}
                  error={!!errors.wood?.[i]?.species}
                  sx={{ flex: 1 }}
                />
                <Controller
                  control={control}
                  name={`wood.${i}.use`}
                  render={({ field: f }) => (
                    <TextField select label="Bought for" {...f} sx={{ width: 130 }}>
                      {LOT_USES.map((u) => (
                        <MenuItem key={u} value={u}>
                          {u}
                        </MenuItem>
                      ))}
                    </TextField>
                  )}
                />
                <TextField
                  label="Litres of lumber"
                  {...register(`wood.${i}.litres`, { validate: positive })}
                  error={!!errors.wood?.[i]?.litres}
                  sx={{ width: 130 }}
                />
                <TextField
                  label="Thickness, mm"
                  {...register(`wood.${i}.thicknessMm`, { validate: positive })}
                  error={!!errors.wood?.[i]?.thicknessMm}
                  sx={{ width: 120 }}
                />
                <TextField
                  label="Blank, mm"
                  placeholder="1050 178 45"
                  {...register(`wood.${i}.blank`, {
                    validate: (text) => text.trim() === '' || blankOf(text) !== null || 'Length, width and thickness',
                  })}
                  error={!!errors.wood?.[i]?.blank}
                  sx={{ width: 130 }}
                />
                {fields.length > 1 && (
                  <Button color="error" onClick={() => remove(i)}>
                    Drop
                  </Button>
                )}
              </Stack>
            ))}
            <Button
              sx={{ alignSelf: 'start' }}
              onClick={() => append({ component: 'neck', species: '', use: 'neck', litres: '8', thicknessMm: '27', blank: '' })}
            >
              Add wood for another component
            </Button>
            {problem && <ErrorNote error={add.error} />}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={add.isPending}>
            Add, and describe its route
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
