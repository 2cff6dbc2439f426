import { CARRIER_KINDS, PREREQUISITE_KINDS, STAGE_NAMES, STAGES, type CarrierKind, type Prerequisite, type Stage } from '@ample-crane/core';
import { FormControlLabel, MenuItem, Switch, TextField } from '@mui/material';
import { useState } from 'react';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { FormDialog } from '../parts/FormDialog.tsx';

interface SelectProps {
  label: string;
  value: string;
  choices: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}

const Select = ({ label, value, choices, onChange }: SelectProps) => (
  <TextField select label={label} value={value} onChange={(event) => onChange(event.target.value)}>
    {choices.map(([id, name]) => (
      <MenuItem key={id} value={id}>
        {name}
      </MenuItem>
    ))}
  </TextField>
);

const EVERY = 'every model';
const modelsOf = (setup: View<'SetupView'>) => [['', EVERY] as const, ...setup.models.map((m) => [m.id, m.name] as const)];
const zonesOf = (setup: View<'SetupView'>) => setup.zones.map((z) => [z.id, z.name] as const);

export function CarrierDialog({
  carrier,
  setup,
  onClose,
}: {
  carrier: View<'CarrierView'> | null;
  setup: View<'SetupView'>;
  onClose: () => void;
}) {
  const [id, setId] = useState(carrier?.id ?? '');
  const [name, setName] = useState(carrier?.name ?? '');
  const [kind, setKind] = useState<CarrierKind>(carrier?.kind ?? 'rack');
  const [places, setPlaces] = useState(String(carrier?.places ?? 12));
  const [zoneId, setZoneId] = useState(carrier?.zoneId ?? setup.zones[0]?.id ?? '');
  const [outline, setOutline] = useState(carrier?.outline ?? '');
  const [active, setActive] = useState(carrier?.active ?? true);
  const add = useCommand((body: View<'CarrierDto'>, headers) => ask(client.POST('/api/carriers', { body, headers })), onClose);
  const change = useCommand(
    (body: View<'ChangeCarrierDto'>, headers) => ask(client.PUT('/api/carriers/{id}', { params: { path: { id } }, body, headers })),
    onClose,
  );
  const submit = () =>
    carrier
      ? change.mutate({ version: carrier.version, name, places: Number(places), active })
      : add.mutate({ id, name, kind, places: Number(places), zoneId, outline: outline === '' ? null : outline });
  return (
    <FormDialog
      title={carrier ? carrier.name : 'Add a carrier'}
      submit={carrier ? 'Save' : 'Add'}
      pending={add.isPending || change.isPending}
      error={add.error ?? change.error}
      onSubmit={submit}
      onClose={onClose}
    >
      {!carrier && <TextField label="Number on its tag" value={id} onChange={(event) => setId(event.target.value)} autoFocus />}
      <TextField label="Called" value={name} onChange={(event) => setName(event.target.value)} />
      {!carrier && (
        <Select label="Kind" value={kind} choices={CARRIER_KINDS.map((k) => [k, k])} onChange={(v) => setKind(v as CarrierKind)} />
      )}
      <TextField label="Places" type="number" value={places} onChange={(event) => setPlaces(event.target.value)} />
      {!carrier && (
        <>
          <Select label="Climate zone" value={zoneId} choices={zonesOf(setup)} onChange={setZoneId} />
          <Select label="Made for" value={outline} choices={modelsOf(setup)} onChange={setOutline} />
        </>
      )}
      {carrier && <FormControlLabel control={<Switch checked={active} onChange={(_, checked) => setActive(checked)} />} label="In use" />}
    </FormDialog>
  );
}

const STATES = [
  ['draft', 'not there yet'],
  ['released', 'released'],
  ['withdrawn', 'withdrawn'],
] as const;

interface PrerequisiteProps {
  prerequisite: View<'PrerequisiteView'> | null;
  setup: View<'SetupView'>;
  onClose: () => void;
}

export function PrerequisiteDialog({ prerequisite, setup, onClose }: PrerequisiteProps) {
  const [kind, setKind] = useState<Prerequisite['kind']>(prerequisite?.kind ?? 'program');
  const [what, setWhat] = useState(prerequisite?.what ?? '');
  const [modelId, setModelId] = useState(prerequisite?.modelId ?? '');
  const [revision, setRevision] = useState(prerequisite?.revision ?? 'A');
  const [state, setState] = useState<View<'PrerequisiteView'>['state']>(prerequisite?.state ?? 'draft');
  const [note, setNote] = useState(prerequisite?.note ?? '');
  const add = useCommand((body: View<'PrerequisiteDto'>, headers) => ask(client.POST('/api/prerequisites', { body, headers })), onClose);
  const change = useCommand(
    (body: View<'ChangePrerequisiteDto'>, headers) =>
      ask(client.PUT('/api/prerequisites/{id}', { params: { path: { id: prerequisite?.id ?? '' } }, body, headers })),
    onClose,
  );
  const submit = () =>
    prerequisite
      ? change.mutate({ version: prerequisite.version, revision, state, note })
      : add.mutate({ kind, what, modelId: modelId === '' ? null : modelId, revision });
  return (
    <FormDialog
      title={prerequisite ? `${prerequisite.kind}: ${prerequisite.what}` : 'Put on record'}
      submit="Save"
      pending={add.isPending || change.isPending}
      error={add.error ?? change.error}
      onSubmit={submit}
      onClose={onClose}
    >
      {!prerequisite && (
        <>
          <Select
            label="Kind"
            value={kind}
            choices={PREREQUISITE_KINDS.map((k) => [k, k])}
            onChange={(v) => setKind(v as Prerequisite['kind'])}
          />
          <TextField label="Which, as the route calls it" value={what} onChange={(event) => setWhat(event.target.value)} autoFocus />
          <Select label="For" value={modelId} choices={modelsOf(setup)} onChange={setModelId} />
        </>
      )}
      <TextField label="Revision" value={revision} onChange={(event) => setRevision(event.target.value)} />
      {prerequisite && (
        <>
          <Select label="State" value={state} choices={STATES} onChange={(v) => setState(v as View<'PrerequisiteView'>['state'])} />
          <TextField
            label="Note"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            helperText="Who accepted it, what is short…"
          />
        </>
      )}
    </FormDialog>
  );
}

/** A station that is not there yet. */
export function NewStationDialog({ setup, onClose }: { setup: View<'SetupView'>; onClose: () => void }) {
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [stage, setStage] = useState<Stage>('roughMill');
  const [zoneId, setZoneId] = useState(setup.zones[0]?.id ?? '');
  const [kind, setKind] = useState<'work' | 'dwell'>('work');
  const [places, setPlaces] = useState('1');
  const add = useCommand((body: View<'StationDto'>, headers) => ask(client.POST('/api/stations', { body, headers })), onClose);
  return (
    <FormDialog
      title="Add a station"
      submit="Add"
      pending={add.isPending}
      error={add.error}
      onSubmit={() => add.mutate({ code: code.toUpperCase(), name, stage, zoneId, kind, places: Number(places) })}
      onClose={onClose}
    >
      <TextField label="Code" value={code} onChange={(event) => setCode(event.target.value)} helperText="As on its sign: BD5" autoFocus />
      <TextField label="Station" value={name} onChange={(event) => setName(event.target.value)} />
      <Select label="Stage" value={stage} choices={STAGES.map((s) => [s, STAGE_NAMES[s]])} onChange={(v) => setStage(v as Stage)} />
      <Select label="Climate zone" value={zoneId} choices={zonesOf(setup)} onChange={setZoneId} />
      <Select
        label="Kind"
        value={kind}
        choices={[
          ['work', 'benches, where people work'],
          ['dwell', 'places, where things wait'],
        ]}
        onChange={(v) => setKind(v as 'work' | 'dwell')}
      />
      <TextField
        label={kind === 'work' ? 'Benches' : 'Places'}
        type="number"
        value={places}
        onChange={(event) => setPlaces(event.target.value)}
      />
    </FormDialog>
  );
}
