import {
  addStream,
  before,
  insertAfter,
  insertBefore,
  OPERATION_KINDS,
  type Component,
  type OperationKind,
  type Route,
  type StepSeed,
} from '@ample-crane/core';
import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, TextField } from '@mui/material';
import { useState } from 'react';
import { COMPONENT_CHOICES, useDesk } from './context.ts';
import { Choice } from './fields.tsx';
import { KIND_WORDS } from '../parts/StepShape.tsx';

type Where = 'after' | 'before' | 'stream';

/** A new step beside the one chosen, or the first of a stream that comes in here. */
export function AddStep({ onRoute }: { onRoute: (route: Route, selectId: string) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        Add a step…
      </Button>
      {open && <AddDialog onClose={() => setOpen(false)} onRoute={onRoute} />}
    </>
  );
}

const WAITS: ReadonlySet<OperationKind> = new Set(['dwell', 'buffer']);

function AddDialog({ onClose, onRoute }: { onClose: () => void; onRoute: (route: Route, selectId: string) => void }) {
  const { route, step, setup } = useDesk();
  const takesStreams = step.kind === 'join' || step.kind === 'fit';
  const places: [Where, string][] = [
    ...(step.kind === 'dispatch' ? [] : [['after', `after ${step.name}`] as [Where, string]]),
    ['before', `before ${step.name}`],
    ...(takesStreams ? [['stream', `first of a stream that comes in at ${step.name}`] as [Where, string]] : []),
  ];
  const [where, setWhere] = useState<Where>(places[0]?.[0] ?? 'after');
  const [name, setName] = useState('');
  const [kind, setKind] = useState<OperationKind>('work');
  const taken = new Set(before(route, step.id).map((o) => o.component));
  const free = COMPONENT_CHOICES.filter(([c]) => !taken.has(c));
  const [component, setComponent] = useState<Component>(free[0]?.[0] ?? 'fingerboard');
  const station = setup.stations.find((s) => s.stage === step.stage && (s.kind === 'dwell') === WAITS.has(kind)) ?? setup.stations[0];
  const add = () => {
    const seed: StepSeed = {
      name: name.trim(),
      kind,
      stationCode: station?.code ?? step.stationCode,
      stage: station?.stage ?? step.stage,
      ...(kind === 'dwell' ? { gate: [{ kind: 'elapsed', what: 'Waited', minimumMinutes: 24 * 60 }] } : {}),
      ...(kind === 'work' ? { setupMinutes: 5, minutesPerPiece: 10 } : {}),
    };
    const made =
      where === 'after'
        ? insertAfter(route, step.id, seed)
        : where === 'before'
          ? insertBefore(route, step.id, seed)
          : addStream(route, component, step.id, seed);
    onRoute(made.route, made.id);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="add-step" fullWidth maxWidth="xs">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <DialogTitle id="add-step">Add a step</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <TextField label="What is done" value={name} onChange={(event) => setName(event.target.value)} autoFocus />
            <Choice
              label="Kind of step"
              value={kind}
              choices={OPERATION_KINDS.map((k) => [k, KIND_WORDS[k]])}
              onChange={(value) => setKind(value as OperationKind)}
            />
            <Choice label="Where" value={where} choices={places} onChange={(value) => setWhere(value as Where)} />
            {where === 'stream' && (
              <Choice label="Of what" value={component} choices={free} onChange={(value) => setComponent(value as Component)} />
            )}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={name.trim() === ''}>
            Add
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
