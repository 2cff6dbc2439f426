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
import { Button } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { COMPONENT_CHOICES, useDesk } from './context.ts';
import { ChoiceIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
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

interface Fields {
  name: string;
  kind: OperationKind;
  where: Where;
  /** of the stream that comes in here */
  component: Component;
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
  const taken = new Set(before(route, step.id).map((o) => o.component));
  const free = COMPONENT_CHOICES.filter(([c]) => !taken.has(c));
  const { control, handleSubmit } = useForm<Fields>({
    defaultValues: { name: '', kind: 'work', where: places[0]?.[0] ?? 'after', component: free[0]?.[0] ?? 'fingerboard' },
  });
  const typed = useTyped(control);
  const add = ({ name, kind, where, component }: Fields) => {
    const station = setup.stations.find((s) => s.stage === step.stage && (s.kind === 'dwell') === WAITS.has(kind)) ?? setup.stations[0];
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
    <FormDialog
      title="Add a step"
      submit="Add"
      disabled={typed.name.trim() === ''}
      pending={false}
      error={null}
      onSubmit={() => void handleSubmit(add)()}
      onClose={onClose}
    >
      <TextIn control={control} name="name" label="What is done" autoFocus />
      <ChoiceIn control={control} name="kind" label="Kind of step" choices={OPERATION_KINDS.map((k) => [k, KIND_WORDS[k]])} />
      <ChoiceIn control={control} name="where" label="Where" choices={places} />
      {typed.where === 'stream' && <ChoiceIn control={control} name="component" label="Of what" choices={free} />}
    </FormDialog>
  );
}
