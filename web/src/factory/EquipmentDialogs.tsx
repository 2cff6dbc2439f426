import { CARRIER_KINDS, EACH_PLACE, EQUIPMENT_KINDS, RIG_CYCLES, STAGE_NAMES, STAGES, type RigCycle, type Stage } from '@ample-crane/core';
import { Switch } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ChoiceIn, FigureIn, figureIn, FlagIn, idChoices, TextIn, type Choices, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

type Setup = View<'SetupView'>;

const EVERY = 'every model';
const modelsOf = (setup: Setup): Choices => [['', EVERY], ...setup.models.map((m) => [m.id, m.name] as const)];
const zonesOf = (setup: Setup): Choices => setup.zones.map((z) => [z.id, z.name]);
const places = { min: 1, max: 500, whole: true } as const;

interface CarrierProps {
  carrier: View<'CarrierView'> | null;
  setup: Setup;
  onClose: () => void;
}

export function CarrierDialog({ carrier, setup, onClose }: CarrierProps) {
  const { control, handleSubmit } = useForm({
    defaultValues: {
      id: carrier?.id ?? '',
      name: carrier?.name ?? '',
      kind: carrier?.kind ?? 'rack',
      places: String(carrier?.places ?? 12),
      zoneId: carrier?.zoneId ?? setup.zones[0]?.id ?? '',
      outline: carrier?.outline ?? '',
      active: carrier?.active ?? true,
      stationCode: carrier?.rig?.stationCode ?? '',
      cycle: carrier?.rig?.cycle ?? (EACH_PLACE as RigCycle),
      handsMinutes: String(carrier?.rig?.handsMinutes ?? 3),
    },
  });
  const add = useCommand((body: View<'CarrierDto'>, headers) => ask(client.POST('/api/carriers', { body, headers })), onClose);
  const change = useCommand(
    ({ id, ...body }: View<'ChangeCarrierDto'> & { id: string }, headers) =>
      ask(client.PUT('/api/carriers/{id}', { params: { path: { id } }, body, headers })),
    onClose,
  );
  const typed = useTyped(control);
  const submit = handleSubmit(({ active, outline, stationCode, cycle, handsMinutes: hands, ...f }) => {
    const counted = { ...f, places: figureIn(f.places) };
    const handsMinutes = figureIn(hands);
    if (carrier) {
      const { id, version } = carrier;
      change.mutate({ id, version, name: f.name, places: counted.places, active, ...(carrier.rig ? { handsMinutes } : {}) });
    } else {
      const rig = stationCode === '' ? null : { stationCode, cycle, handsMinutes };
      add.mutate({ ...counted, outline: outline === '' ? null : outline, rig });
    }
  });
  return (
    <FormDialog
      title={carrier ? carrier.name : 'Add a carrier'}
      {...(carrier
        ? { changes: 'What sits on it stays there. It cannot get fewer places than are taken, or be put away while something sits on it.' }
        : {})}
      submit={carrier ? 'Save' : 'Add'}
      pending={add.isPending || change.isPending}
      error={add.error ?? change.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      {!carrier && <TextIn control={control} name="id" label="Number on its tag" rules={{ required: 'Type its number' }} autoFocus />}
      <TextIn control={control} name="name" label="Called" rules={{ required: 'Type its name' }} />
      {!carrier && <ChoiceIn control={control} name="kind" label="Kind" choices={idChoices(CARRIER_KINDS)} />}
      <FigureIn control={control} name="places" label="Places" {...places} />
      {!carrier && (
        <>
          <ChoiceIn control={control} name="zoneId" label="Climate zone" choices={zonesOf(setup)} />
          <ChoiceIn control={control} name="outline" label="Made for" choices={modelsOf(setup)} />
          <ChoiceIn
            control={control}
            name="stationCode"
            label="Presses what is in it, at"
            choices={[['', 'it presses nothing'], ...setup.stations.map((s) => [s.code, s.name] as const)]}
          />
          {typed.stationCode !== '' && <ChoiceIn control={control} name="cycle" label="It has" choices={idChoices(RIG_CYCLES)} />}
        </>
      )}
      {(carrier ? carrier.rig !== null : typed.stationCode !== '') && (
        <FigureIn
          control={control}
          name="handsMinutes"
          label={typed.cycle === EACH_PLACE ? 'To empty and fill a place, min' : 'To empty and fill it, min'}
        />
      )}
      {carrier && <FlagIn control={control} name="active" label="In use" box={Switch} />}
    </FormDialog>
  );
}

const STATES: Choices = [
  ['draft', 'not there yet'],
  ['released', 'released'],
  ['withdrawn', 'withdrawn'],
];

interface PrerequisiteProps {
  prerequisite: View<'PrerequisiteView'> | null;
  setup: Setup;
  onClose: () => void;
}

export function PrerequisiteDialog({ prerequisite, setup, onClose }: PrerequisiteProps) {
  const { control, handleSubmit } = useForm({
    defaultValues: {
      kind: prerequisite?.kind ?? 'fixture',
      what: prerequisite?.what ?? '',
      modelId: prerequisite?.modelId ?? '',
      revision: prerequisite?.revision ?? 'A',
      state: prerequisite?.state ?? 'draft',
      note: prerequisite?.note ?? '',
    },
  });
  const add = useCommand((body: View<'PrerequisiteDto'>, headers) => ask(client.POST('/api/prerequisites', { body, headers })), onClose);
  const change = useCommand(
    (body: View<'ChangePrerequisiteDto'>, headers) =>
      ask(client.PUT('/api/prerequisites/{id}', { params: { path: { id: prerequisite?.id ?? '' } }, body, headers })),
    onClose,
  );
  const submit = handleSubmit(({ kind, what, modelId, revision, state, note }) =>
    prerequisite
      ? change.mutate({ version: prerequisite.version, revision, state, note })
      : add.mutate({ kind, what, modelId: modelId === '' ? null : modelId, revision }),
  );
  return (
    <FormDialog
      title={prerequisite ? `${prerequisite.kind}: ${prerequisite.what}` : 'Put on record'}
      changes="Work that is begun goes on. Steps that ask for it can be begun only while it is released."
      submit="Save"
      pending={add.isPending || change.isPending}
      error={add.error ?? change.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      {!prerequisite && (
        <>
          <ChoiceIn control={control} name="kind" label="Kind" choices={idChoices(EQUIPMENT_KINDS)} />
          <TextIn
            control={control}
            name="what"
            label="Which, as the route calls it"
            rules={{ required: 'Type what the route calls it' }}
            autoFocus
          />
          <ChoiceIn control={control} name="modelId" label="For" choices={modelsOf(setup)} />
        </>
      )}
      <TextIn control={control} name="revision" label="Revision" rules={{ required: 'Type its revision' }} />
      {prerequisite && (
        <>
          <ChoiceIn control={control} name="state" label="State" choices={STATES} />
          <TextIn control={control} name="note" label="Note" helperText="Who accepted it, what is short…" />
        </>
      )}
    </FormDialog>
  );
}

/** A station that is not there yet. */
export function NewStationDialog({ setup, onClose }: { setup: Setup; onClose: () => void }) {
  const { control, handleSubmit } = useForm({
    defaultValues: {
      code: '',
      name: '',
      stage: 'roughMill' as Stage,
      zoneId: setup.zones[0]?.id ?? '',
      kind: 'work' as 'work' | 'dwell',
      places: '1',
    },
  });
  const typed = useTyped(control);
  const add = useCommand((body: View<'StationDto'>, headers) => ask(client.POST('/api/stations', { body, headers })), onClose);
  const submit = handleSubmit((f) => add.mutate({ ...f, code: f.code.toUpperCase(), places: figureIn(f.places) }));
  return (
    <FormDialog
      title="Add a station"
      submit="Add"
      pending={add.isPending}
      error={add.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <TextIn control={control} name="code" label="Code" rules={{ required: 'Type its code' }} helperText="As on its sign: BD5" autoFocus />
      <TextIn control={control} name="name" label="Station" rules={{ required: 'Type its name' }} />
      <ChoiceIn control={control} name="stage" label="Stage" choices={STAGES.map((s) => [s, STAGE_NAMES[s]])} />
      <ChoiceIn control={control} name="zoneId" label="Climate zone" choices={zonesOf(setup)} />
      <ChoiceIn
        control={control}
        name="kind"
        label="Kind"
        choices={[
          ['work', 'benches, where people work'],
          ['dwell', 'places, where things wait'],
        ]}
      />
      <FigureIn control={control} name="places" label={typed.kind === 'work' ? 'Benches' : 'Places'} {...places} />
    </FormDialog>
  );
}
