import { ADHESIVE_KINDS } from '@ample-crane/core';
import { Button, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { ChoiceIn, FigureIn, figureIn, idChoices, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

type Setup = View<'SetupView'>;
type Glue = View<'AdhesiveDto'>;

const minutes = (value: number) => (value % 60 === 0 ? `${value / 60} h` : `${value} min`);
const COLUMNS: GridColDef<Glue>[] = [
  { field: 'name', headerName: 'Glue', width: 200 },
  { field: 'kind', headerName: 'Kind', width: 130 },
  {
    field: 'openMinutes',
    headerName: 'Stays open',
    width: 110,
    valueFormatter: (value?: number) => (value === undefined ? '' : minutes(value)),
  },
  { field: 'clampMinutes', headerName: 'In clamps at 20 °C', width: 150, valueFormatter: minutes },
  { field: 'setMinutes', headerName: 'Before machining', width: 150, valueFormatter: minutes },
  { field: 'lowestC', headerName: 'Not below', width: 100, valueFormatter: (value: number) => `${value} °C` },
  {
    field: 'materials',
    headerName: 'Another time for',
    flex: 1,
    minWidth: 180,
    valueGetter: (materials: Glue['materials']) => materials.map((m) => `${m.name} ${minutes(m.clampMinutes)}`).join(', '),
  },
];

/** How long what is glued stays under pressure, and away from machines. */
export function GlueRegister({ setup }: { setup: Setup }) {
  const { may } = useSession();
  const [edited, setEdited] = useState<Glue | 'new' | null>(null);
  const editable = may('manager');
  return (
    <>
      <Typography color="text.secondary" sx={{ mb: 1, maxWidth: '80ch' }}>
        A clamp is free when its glue has had its time in the room it stands in; below the lower limit its clock stands. What is in clamps
        keeps the times it was closed with. The glue’s own data sheet comes first.
      </Typography>
      {editable && (
        <Button variant="outlined" onClick={() => setEdited('new')} sx={{ mb: 1 }}>
          Add a glue
        </Button>
      )}
      <DataTable
        label="Glues"
        rows={setup.adhesives}
        columns={COLUMNS}
        getRowId={(a) => a.id}
        height="calc(100vh - 370px)"
        {...(editable ? { onOpen: setEdited } : {})}
      />
      {edited !== null && <GlueDialog setup={setup} glue={edited === 'new' ? null : edited} onClose={() => setEdited(null)} />}
    </>
  );
}

/** "light parts 30, plastic 840" */
const materialsTyped = (materials: Glue['materials']) => materials.map((m) => `${m.name} ${m.clampMinutes}`).join(', ');
function materialsIn(text: string): Glue['materials'] {
  return text
    .split(',')
    .map((part) => /^\s*(.+?)\s+(\d+(?:\.\d+)?)\s*$/.exec(part))
    .flatMap((found) => (found ? [{ name: found[1] ?? '', clampMinutes: Number(found[2]) }] : []));
}
const isTyped = (text: string) =>
  text.trim() === '' || materialsIn(text).length === text.split(',').length || 'Type each as: light parts 30';

function GlueDialog({ setup, glue, onClose }: { setup: Setup; glue: Glue | null; onClose: () => void }) {
  // The register as it was when this was opened: whoever changed it meanwhile is not overwritten.
  const [seen] = useState({ tag: setup.tags.adhesives, glues: setup.adhesives });
  const { control, handleSubmit } = useForm({
    defaultValues: {
      id: glue?.id ?? '',
      name: glue?.name ?? '',
      kind: glue?.kind ?? ADHESIVE_KINDS[0],
      openMinutes: String(glue?.openMinutes ?? ''),
      clampMinutes: String(glue?.clampMinutes ?? 45),
      setMinutes: String(glue?.setMinutes ?? 1440),
      lowestC: String(glue?.lowestC ?? 10),
      timesPer10C: String(glue?.timesPer10C ?? 1),
      materials: materialsTyped(glue?.materials ?? []),
      note: glue?.note ?? '',
    },
  });
  const save = useCommand(
    (adhesives: Glue[], headers) => ask(client.PUT('/api/settings/adhesives', { body: { adhesives, seen: seen.tag }, headers })),
    onClose,
  );
  const submit = handleSubmit((typed) => {
    const kept: Glue = {
      id: glue?.id ?? typed.id.trim(),
      name: typed.name.trim(),
      kind: typed.kind,
      ...(typed.openMinutes.trim() === '' ? {} : { openMinutes: figureIn(typed.openMinutes) }),
      clampMinutes: figureIn(typed.clampMinutes),
      setMinutes: figureIn(typed.setMinutes),
      lowestC: figureIn(typed.lowestC),
      timesPer10C: figureIn(typed.timesPer10C),
      materials: materialsIn(typed.materials),
      note: typed.note.trim(),
    };
    save.mutate(glue === null ? [...seen.glues, kept] : seen.glues.map((g) => (g.id === glue.id ? kept : g)));
  });
  return (
    <FormDialog
      title={glue?.name ?? 'Add a glue'}
      submit="Save"
      pending={save.isPending}
      error={save.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes="What goes into clamps from now on stays as long as this says."
      beside={
        glue && (
          <Button color="error" onClick={() => save.mutate(seen.glues.filter((g) => g.id !== glue.id))}>
            Take it out
          </Button>
        )
      }
    >
      {glue === null && (
        <TextIn control={control} name="id" label="Short name, as routes call it" rules={{ required: 'Needed' }} autoFocus />
      )}
      <TextIn control={control} name="name" label="Glue" rules={{ required: 'Needed' }} />
      <ChoiceIn control={control} name="kind" label="Kind" choices={idChoices(ADHESIVE_KINDS)} />
      <FigureIn control={control} name="openMinutes" label="Stays open before clamps close, min (may be empty)" optional positive />
      <FigureIn control={control} name="clampMinutes" label="In clamps at 20 °C, min" positive />
      <TextIn
        control={control}
        name="materials"
        label="Another time in clamps for (may be empty)"
        helperText="light parts 30, plastic 840"
        rules={{ validate: isTyped }}
      />
      <FigureIn control={control} name="setMinutes" label="From then until it may be machined, min" positive />
      <FigureIn control={control} name="lowestC" label="Its clock stands below, °C" />
      <FigureIn
        control={control}
        name="timesPer10C"
        label="How many times as fast for 10 °C more"
        helperText="1: by the clock alone"
        positive
      />
      <TextIn control={control} name="note" label="Note (may be empty)" />
    </FormDialog>
  );
}
