import { COMPONENTS, LOT_USES, type Component, type LotUse } from '@ample-crane/core';
import { Button, Stack, Typography } from '@mui/material';
import { useFieldArray, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ChoiceIn, FieldRow, FigureIn, figureIn, idChoices, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

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
const LITRES_PER_M3 = 1000;

/** "1050 178 45" or "1050 × 178 × 45": the blank that is cut from a board. */
function blankOf(text: string): View<'BlankSizeDto'> | null {
  const [lengthMm, widthMm, thicknessMm, ...more] = text
    .split(/[\s×x;]+/)
    .filter((word) => word !== '')
    .map(figureIn);
  if (more.length > 0 || !lengthMm || !widthMm || !thicknessMm || !(lengthMm > 0 && widthMm > 0 && thicknessMm > 0)) return null;
  return { lengthMm, widthMm, thicknessMm, leavesEach: 0 };
}

const blankPart = (text: string) => {
  const blank = blankOf(text);
  return blank ? { blank } : {};
};

/** A new model: what it is and which wood it is made of. Its route is described next. */
export function ModelDialog({ onClose, onAdded }: { onClose: () => void; onAdded: (id: string) => void }) {
  const { control, handleSubmit } = useForm<Fields>({
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
  const add = useCommand(
    (body: View<'ModelDto'>, headers) => ask(client.POST('/api/models', { body, headers })),
    ({ id }) => onAdded(id),
  );
  const submit = (f: Fields) =>
    add.mutate({
      id: idOf(f.name),
      name: f.name.trim(),
      code: f.code.trim().toUpperCase(),
      construction: f.construction.trim(),
      batchSize: figureIn(f.batchSize),
      scaleLengthMm: figureIn(f.scaleLengthMm),
      clearanceLowMm: 0.05,
      clearanceTargetMm: 0.1,
      clearanceHighMm: 0.2,
      wood: f.wood.map((w) => ({
        component: w.component,
        species: w.species.trim(),
        use: w.use,
        volumeM3: figureIn(w.litres) / LITRES_PER_M3,
        thicknessMm: figureIn(w.thicknessMm),
        ...blankPart(w.blank),
      })),
    });
  const needed = { required: 'Needed' };
  return (
    <FormDialog
      title="Add a model"
      submit="Add, and describe its route"
      width="md"
      pending={add.isPending}
      error={add.error}
      onSubmit={() => void handleSubmit(submit)()}
      onClose={onClose}
    >
      <FieldRow>
        <TextIn control={control} name="name" label="Model" rules={needed} />
        <TextIn control={control} name="code" label="Code in serials" rules={needed} />
        <TextIn control={control} name="construction" label="Construction" rules={needed} />
      </FieldRow>
      <FieldRow>
        <FigureIn control={control} name="batchSize" label="Usual batch" min={1} max={40} whole />
        <FigureIn control={control} name="scaleLengthMm" label="Scale length, mm" positive />
      </FieldRow>
      <Typography variant="h3">Wood, for one piece of each component that is started apart</Typography>
      {fields.map((field, i) => (
        <Stack key={field.id} direction="row" spacing={1} useFlexGap role="group" aria-label={`Wood ${i + 1}`} sx={{ flexWrap: 'wrap' }}>
          <ChoiceIn
            control={control}
            name={`wood.${i}.component`}
            label="Component"
            choices={idChoices(COMPONENTS.filter((c) => c !== 'instrument'))}
            sx={{ width: 130 }}
          />
          <TextIn control={control} name={`wood.${i}.species`} label="Species" rules={needed} sx={{ flex: 1, minWidth: 130 }} />
          <ChoiceIn control={control} name={`wood.${i}.use`} label="Bought for" choices={idChoices(LOT_USES)} sx={{ width: 130 }} />
          <FigureIn control={control} name={`wood.${i}.litres`} label="Litres of lumber" positive sx={{ width: 130 }} />
          <FigureIn control={control} name={`wood.${i}.thicknessMm`} label="Thickness, mm" positive sx={{ width: 120 }} />
          <TextIn
            control={control}
            name={`wood.${i}.blank`}
            label="Blank, mm"
            placeholder="1050 178 45"
            rules={{ validate: (text) => text.trim() === '' || blankOf(text) !== null || 'Length, width and thickness' }}
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
    </FormDialog>
  );
}
