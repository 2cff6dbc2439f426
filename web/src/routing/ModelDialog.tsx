import { COMPONENTS, LOT_USES, type Component, type LotUse } from '@ample-crane/core';
import { Button, Stack, Typography } from '@mui/material';
import { useFieldArray, useForm, useWatch, type Control } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ChoiceIn, FieldRow, FigureIn, figureIn, FlagIn, idChoices, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

interface WoodFields {
  component: Component;
  species: string;
  use: LotUse;
  litres: string;
  thicknessMm: string;
  blank: string;
  /** finished weight aimed at; all four or none */
  lowG: string;
  highG: string;
  partVolumeCm3: string;
  otherMassG: string;
}

interface Fields {
  name: string;
  code: string;
  construction: string;
  batchSize: string;
  scaleLengthMm: string;
  lowMm: string;
  targetMm: string;
  highMm: string;
  wood: WoodFields[];
  active: boolean;
}

const idOf = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
const LITRES_PER_M3 = 1000;
const NO_WEIGHT = { lowG: '', highG: '', partVolumeCm3: '', otherMassG: '' };
const WEIGHT = ['lowG', 'highG', 'partVolumeCm3', 'otherMassG'] as const;
/** A glued tenon's clearance, where nobody says otherwise. */
const NEW: Fields = {
  name: '',
  code: '',
  construction: '',
  batchSize: '6',
  scaleLengthMm: '645',
  lowMm: '0.05',
  targetMm: '0.1',
  highMm: '0.15',
  wood: [{ component: 'body', species: '', use: 'body', litres: '15', thicknessMm: '45', blank: '', ...NO_WEIGHT }],
  active: true,
};

/** "1050 178 45" or "1050 × 178 × 45", and leaves resawn of each where there are some: the blank that is cut from a board. */
function blankOf(text: string): View<'BlankSizeDto'> | null {
  const [lengthMm, widthMm, thicknessMm, leavesEach = 0, ...more] = text
    .split(/[\s×x;]+/)
    .filter((word) => word !== '')
    .map(figureIn);
  if (more.length > 0 || !lengthMm || !widthMm || !thicknessMm || !(lengthMm > 0 && widthMm > 0 && thicknessMm > 0)) return null;
  return Number.isInteger(leavesEach) && leavesEach >= 0 ? { lengthMm, widthMm, thicknessMm, leavesEach } : null;
}

const weightOf = (wood: WoodFields): View<'WeightTargetDto'> | null => {
  const [lowG, highG, partVolumeCm3, otherMassG] = WEIGHT.map((name) => figureIn(wood[name]));
  return lowG && highG && partVolumeCm3 && otherMassG !== undefined && !Number.isNaN(otherMassG)
    ? { lowG, highG, partVolumeCm3, otherMassG }
    : null;
};

function sheetOf(f: Fields) {
  return {
    name: f.name.trim(),
    construction: f.construction.trim(),
    batchSize: figureIn(f.batchSize),
    scaleLengthMm: figureIn(f.scaleLengthMm),
    clearanceLowMm: figureIn(f.lowMm),
    clearanceTargetMm: figureIn(f.targetMm),
    clearanceHighMm: figureIn(f.highMm),
    wood: f.wood.map((w) => {
      const [blank, weight] = [blankOf(w.blank), weightOf(w)];
      return {
        component: w.component,
        species: w.species.trim(),
        use: w.use,
        volumeM3: figureIn(w.litres) / LITRES_PER_M3,
        thicknessMm: figureIn(w.thicknessMm),
        ...(blank ? { blank } : {}),
        ...(weight ? { weight } : {}),
      };
    }),
  };
}

const typedOf = (model: View<'ModelView'>): Fields => ({
  name: model.name,
  code: model.code,
  construction: model.construction,
  batchSize: String(model.batchSize),
  scaleLengthMm: String(model.scaleLengthMm),
  lowMm: String(model.clearanceLowMm),
  targetMm: String(model.clearanceTargetMm),
  highMm: String(model.clearanceHighMm),
  active: model.active,
  wood: model.wood.map(({ component, species, use, volumeM3, thicknessMm, blank, weight }) => ({
    component,
    species,
    use: use as LotUse,
    litres: String(Number((volumeM3 * LITRES_PER_M3).toFixed(4))),
    thicknessMm: String(thicknessMm),
    blank: blank ? [blank.lengthMm, blank.widthMm, blank.thicknessMm, ...(blank.leavesEach > 0 ? [blank.leavesEach] : [])].join(' ') : '',
    ...(weight
      ? {
          lowG: String(weight.lowG),
          highG: String(weight.highG),
          partVolumeCm3: String(weight.partVolumeCm3),
          otherMassG: String(weight.otherMassG),
        }
      : NO_WEIGHT),
  })),
});

/** A new model: what it is and which wood it is made of. Its route is described next. */
export function AddModelDialog({ onClose, onAdded }: { onClose: () => void; onAdded: (id: string) => void }) {
  const form = useForm<Fields>({ defaultValues: NEW });
  const add = useCommand(
    (body: View<'ModelDto'>, headers) => ask(client.POST('/api/models', { body, headers })),
    ({ id }) => onAdded(id),
  );
  const submit = form.handleSubmit((f) => add.mutate({ id: idOf(f.name), code: f.code.trim().toUpperCase(), ...sheetOf(f) }));
  return (
    <FormDialog
      title="Add a model"
      submit="Add, and describe its route"
      width="md"
      pending={add.isPending}
      error={add.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <Sheet control={form.control} codeIn />
    </FormDialog>
  );
}

/** A model as it is from now on. */
export function EditModelDialog({ model, onClose }: { model: View<'ModelView'>; onClose: () => void }) {
  const form = useForm<Fields>({ defaultValues: typedOf(model) });
  const change = useCommand(
    (body: View<'ChangeModelDto'>, headers) => ask(client.PUT('/api/models/{id}', { params: { path: { id: model.id } }, body, headers })),
    onClose,
  );
  const submit = form.handleSubmit((f) => change.mutate({ ...sheetOf(f), active: f.active, seen: model.tag }));
  return (
    <FormDialog
      title={`Change ${model.name}`}
      submit="Save"
      width="md"
      pending={change.isPending}
      error={change.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <Typography color="text.secondary">
        What is begun keeps the wood it was begun with. Other wood, blanks and weights hold for what is started, cut and allotted from now
        on; the clearance for pairs that are not fitted yet.
      </Typography>
      <Sheet control={form.control} />
      <FlagIn control={form.control} name="active" label="It is built; where not, no blank is cut for stock of it" />
    </FormDialog>
  );
}

function Sheet({ control, codeIn = false }: { control: Control<Fields>; codeIn?: boolean }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'wood' });
  const needed = { required: 'Needed' };
  return (
    <>
      <FieldRow>
        <TextIn control={control} name="name" label="Model" rules={needed} />
        {codeIn && <TextIn control={control} name="code" label="Code in serials" rules={needed} />}
        <TextIn control={control} name="construction" label="Construction" rules={needed} />
      </FieldRow>
      <FieldRow>
        <FigureIn control={control} name="batchSize" label="Usual batch" min={1} max={40} whole />
        <FigureIn control={control} name="scaleLengthMm" label="Scale length, mm" positive />
      </FieldRow>
      <Typography variant="h3">Clearance of the joint, pocket less tenon</Typography>
      <FieldRow>
        <FigureIn control={control} name="lowMm" label="At least, mm" min={0} max={2} />
        <FigureIn control={control} name="targetMm" label="Best, mm" min={0} max={2} />
        <FigureIn control={control} name="highMm" label="At most, mm" min={0} max={2} />
      </FieldRow>
      <Typography variant="h3">Wood, for one piece of each component that is started apart</Typography>
      {fields.map((field, i) => (
        <Wood key={field.id} control={control} at={i} onDrop={fields.length > 1 ? () => remove(i) : undefined} />
      ))}
      <Button
        sx={{ alignSelf: 'start' }}
        onClick={() => append({ component: 'neck', species: '', use: 'neck', litres: '8', thicknessMm: '27', blank: '', ...NO_WEIGHT })}
      >
        Add wood for another component
      </Button>
    </>
  );
}

function Wood({ control, at, onDrop }: { control: Control<Fields>; at: number; onDrop: (() => void) | undefined }) {
  const own = useWatch({ control, name: `wood.${at}` });
  const on = <Name extends keyof WoodFields>(name: Name) => `wood.${at}.${name}` as const;
  return (
    <Stack direction="row" spacing={1} useFlexGap role="group" aria-label={`Wood ${at + 1}`} sx={{ flexWrap: 'wrap' }}>
      <ChoiceIn
        control={control}
        name={on('component')}
        label="Component"
        choices={idChoices(COMPONENTS.filter((c) => c !== 'instrument'))}
        sx={{ width: 130 }}
      />
      <TextIn control={control} name={on('species')} label="Species" rules={{ required: 'Needed' }} sx={{ flex: 1, minWidth: 130 }} />
      <ChoiceIn control={control} name={on('use')} label="Bought for" choices={idChoices(LOT_USES)} sx={{ width: 130 }} />
      <FigureIn control={control} name={on('litres')} label="Litres of lumber" positive sx={{ width: 130 }} />
      <FigureIn control={control} name={on('thicknessMm')} label="Thickness, mm" positive sx={{ width: 120 }} />
      <TextIn
        control={control}
        name={on('blank')}
        label="Blank, mm"
        placeholder="1050 178 45"
        rules={{ validate: (text) => text.trim() === '' || blankOf(text) !== null || 'Length, width and thickness' }}
        sx={{ width: 130 }}
      />
      <FigureIn control={control} name={on('lowG')} label="Weight from, g" optional positive sx={{ width: 130 }} />
      <FigureIn control={control} name={on('highG')} label="to, g" optional positive sx={{ width: 100 }} />
      <FigureIn control={control} name={on('partVolumeCm3')} label="Wood left in it, cm³" optional positive sx={{ width: 160 }} />
      <TextIn
        control={control}
        name={on('otherMassG')}
        label="All else weighs, g"
        rules={{
          validate: () => {
            const said = WEIGHT.filter((name) => own[name].trim() !== '').length;
            return said === 0 || weightOf(own) !== null || 'All four figures of a weight, or none';
          },
        }}
        sx={{ width: 150 }}
      />
      {onDrop && (
        <Button color="error" onClick={onDrop}>
          Drop
        </Button>
      )}
    </Stack>
  );
}
