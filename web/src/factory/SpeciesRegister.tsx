import { coefficientFromShrinkage, lackingOf, TOLD_BY, type Species } from '@ample-crane/core';
import { Button, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { FieldRow, FigureIn, figureIn, FlagIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

type Setup = View<'SetupView'>;

const inPercent = (share: number | null) => (share === null ? '' : String(Math.round(share * 1e5) / 1e3));
const inFigures = (value: number | null) => (value === null ? '' : String(value));

const figures = (digits: number) => ({
  type: 'number' as const,
  valueFormatter: (value: number | null) => value?.toFixed(digits) ?? '',
});
const COLUMNS: GridColDef<Species>[] = [
  { field: 'name', headerName: 'Species', flex: 1, minWidth: 150 },
  { ...figures(3), field: 'radial', headerName: 'Radial, %', width: 96, valueGetter: (share: number | null) => share && share * 100 },
  {
    ...figures(3),
    field: 'tangential',
    headerName: 'Tangential, %',
    width: 120,
    valueGetter: (share: number | null) => share && share * 100,
  },
  { ...figures(2), field: 'densityGPerCm3', headerName: 'Density, g/cm³', width: 124 },
  { ...figures(3), field: 'ratePerDay', headerName: 'Dries, a day', width: 108 },
  { field: 'meter', headerName: 'Our meters', width: 110, valueFormatter: (meter: Species['meter']) => meterWords(meter) },
  { field: 'restrictedBecause', headerName: 'Papers', flex: 1, minWidth: 150 },
  {
    field: 'lacking',
    headerName: 'Cannot be told',
    flex: 2,
    minWidth: 180,
    valueGetter: (_, species) => untold(species),
  },
];

const untold = (species: Species) =>
  lackingOf(species)
    .flatMap((figure) => TOLD_BY[figure] ?? [])
    .join('; ');

const meterWords = (meter: Species['meter']) =>
  meter === null ? '' : `a ${meter.a}, b ${meter.b}; pinless reads ${meter.densityOffsetPct} over`;

/** What is known of each wood: how it moves, weighs, dries, reads on meters, and whether its trade asks for papers. */
export function SpeciesRegister({ setup }: { setup: Setup }) {
  const { may } = useSession();
  const [edited, setEdited] = useState<Species | 'new' | null>(null);
  const editable = may('manager');
  return (
    <>
      <Typography color="text.secondary" sx={{ mb: 1, maxWidth: '80ch' }}>
        Movement is across the grain, for a point of moisture; drying is of 25 mm indoors, until a lot tells its own rate. A figure without
        a sure source is better left empty: what cannot be told without it is said.
      </Typography>
      {editable && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Add a species
        </Button>
      )}
      <DataTable
        label="Species"
        rows={setup.species}
        columns={COLUMNS}
        getRowId={(s) => s.name}
        height="calc(100vh - 350px)"
        {...(editable ? { onOpen: setEdited } : {})}
      />
      {edited !== null && <SpeciesDialog setup={setup} species={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </>
  );
}

const fieldsOf = (s: Species | null) => ({
  name: s?.name ?? '',
  radial: inPercent(s?.radial ?? null),
  tangential: inPercent(s?.tangential ?? null),
  radialShrinkage: '',
  tangentialShrinkage: '',
  movementFrom: s?.sources.movement ?? '',
  density: inFigures(s?.densityGPerCm3 ?? null),
  densityFrom: s?.sources.density ?? '',
  rate: inFigures(s?.ratePerDay ?? null),
  rateFrom: s?.sources.rate ?? '',
  restricted: s?.restricted ?? false,
  restrictedBecause: s?.restrictedBecause ?? '',
  corrected: s !== null && s.meter !== null,
  a: inFigures(s?.meter?.a ?? 1),
  b: inFigures(s?.meter?.b ?? 0),
  over: inFigures(s?.meter?.densityOffsetPct ?? 0),
  meterFrom: s === null || s.sources.meter === '' ? 'The meter’s handbook' : s.sources.meter,
});
type Fields = ReturnType<typeof fieldsOf>;

const figureOrNull = (text: string) => (text.trim() === '' ? null : figureIn(text));
const shareOrNull = (text: string) => (text.trim() === '' ? null : Math.round(figureIn(text) * 1e4) / 1e6);

const speciesOf = (f: Fields): Species => ({
  name: f.name.trim(),
  radial: shareOrNull(f.radial),
  tangential: shareOrNull(f.tangential),
  densityGPerCm3: figureOrNull(f.density),
  ratePerDay: figureOrNull(f.rate),
  restricted: f.restricted,
  restrictedBecause: f.restricted ? f.restrictedBecause.trim() : '',
  meter: f.corrected ? { a: figureIn(f.a), b: figureIn(f.b), densityOffsetPct: figureIn(f.over) } : null,
  sources: {
    movement: f.radial.trim() === '' && f.tangential.trim() === '' ? '' : f.movementFrom.trim(),
    density: f.density.trim() === '' ? '' : f.densityFrom.trim(),
    rate: f.rate.trim() === '' ? '' : f.rateFrom.trim(),
    meter: f.corrected ? f.meterFrom.trim() : '',
  },
});

function SpeciesDialog({ setup, species, onClose }: { setup: Setup; species: Species | null; onClose: () => void }) {
  // The register as it was when this was opened: whoever changed it meanwhile is not overwritten.
  const [seen] = useState({ tag: setup.tags.species, species: setup.species });
  const { control, handleSubmit, setValue } = useForm<Fields>({ defaultValues: fieldsOf(species) });
  const typed = useTyped(control);
  const moves = typed.radial.trim() !== '' || typed.tangential.trim() !== '';
  const shrinks = [typed.radialShrinkage, typed.tangentialShrinkage].filter((text) => text.trim() !== '');
  const derivable = shrinks.length > 0 && shrinks.map(figureIn).every((pct) => pct > 0 && pct <= 25);
  /** Where no coefficient is published, from the total shrinkage, and said to be so. */
  const derive = () => {
    for (const [from, to] of [
      ['radialShrinkage', 'radial'],
      ['tangentialShrinkage', 'tangential'],
    ] as const)
      if (typed[from].trim() !== '') setValue(to, inPercent(coefficientFromShrinkage(figureIn(typed[from]))));
    setValue('movementFrom', `Derived from shrinkage to oven-dry, ${shrinks.join(' and ')} %: ${typed.movementFrom.trim()}`);
  };
  const save = useCommand(
    (register: Species[], headers) => ask(client.PUT('/api/settings/species', { body: { species: register, seen: seen.tag }, headers })),
    onClose,
  );
  const keep = (fields: Fields) => {
    const kept = speciesOf(fields);
    save.mutate(species === null ? [...seen.species, kept] : seen.species.map((s) => (s.name === species.name ? kept : s)));
  };
  return (
    <FormDialog
      title={species?.name ?? 'Add a species'}
      submit="Save"
      width="sm"
      changes="Dates of lots that dry, movement and predicted weights are reckoned with these figures at once. Readings keep the correction they were taken with, and lots that are released stay so."
      pending={save.isPending}
      error={save.error}
      onSubmit={() => void handleSubmit(keep)()}
      onClose={onClose}
      beside={
        species && (
          <Button color="error" onClick={() => save.mutate(seen.species.filter((s) => s.name !== species.name))}>
            Take it out
          </Button>
        )
      }
    >
      <TextIn control={control} name="name" label="Species" rules={{ required: 'Type its name' }} autoFocus={species === null} />
      <FieldRow>
        <FigureIn control={control} name="radial" label="Radial, % a point" min={0.01} max={1} optional />
        <FigureIn control={control} name="tangential" label="Tangential, % a point" min={0.01} max={1} optional />
      </FieldRow>
      {(moves || derivable) && <TextIn control={control} name="movementFrom" label="Movement is from" multiline />}
      {!moves && (
        <FieldRow>
          <FigureIn control={control} name="radialShrinkage" label="or shrinks, radial, %" min={0.5} max={25} optional />
          <FigureIn control={control} name="tangentialShrinkage" label="tangential, %" min={0.5} max={25} optional />
          <Button disabled={!derivable} onClick={derive}>
            Derive the movement
          </Button>
        </FieldRow>
      )}
      <FieldRow>
        <FigureIn control={control} name="density" label="Density, g/cm³" min={0.1} max={1.4} optional />
        {typed.density.trim() !== '' && <TextIn control={control} name="densityFrom" label="Density is from" multiline />}
      </FieldRow>
      <FieldRow>
        <FigureIn control={control} name="rate" label="Dries, 1/day at 25 mm" min={0.001} max={0.5} optional />
        {typed.rate.trim() !== '' && <TextIn control={control} name="rateFrom" label="Drying is from" multiline />}
      </FieldRow>
      <FlagIn control={control} name="restricted" label="Its trade asks for papers" />
      {typed.restricted && <TextIn control={control} name="restrictedBecause" label="By what list or law" />}
      <FlagIn control={control} name="corrected" label="Our meters’ handbooks correct it" />
      {typed.corrected && (
        <FieldRow>
          <FigureIn control={control} name="a" label="Pin a" min={0.2} max={5} />
          <FigureIn control={control} name="b" label="Pin b" min={-20} max={20} />
          <FigureIn control={control} name="over" label="Pinless reads over" min={-20} max={20} />
          <TextIn control={control} name="meterFrom" label="The correction is from" multiline />
        </FieldRow>
      )}
    </FormDialog>
  );
}
