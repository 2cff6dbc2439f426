import { PREREQUISITE_KINDS, type Prerequisite } from '@ample-crane/core';
import { Button, Stack } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice, TextLine } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

/** Programs, fixtures, samples and kits. */
function NeedsEditor() {
  const { step, readOnly, change } = useDesk();
  const needs = step.needs ?? [];
  const put = (next: readonly Prerequisite[]) => change({ needs: next.length === 0 ? undefined : next });
  return (
    <>
      {needs.map((need, i) => (
        <Stack key={i} direction="row" spacing={1} role="group" aria-label={`What must exist first, ${i + 1}`}>
          <Choice
            label="What"
            value={need.kind}
            readOnly={readOnly}
            choices={PREREQUISITE_KINDS.map((k) => [k, k])}
            onChange={(kind) => put(needs.map((n, at) => (at === i ? { ...n, kind: kind as Prerequisite['kind'] } : n)))}
          />
          <TextLine
            label="Which"
            value={need.what}
            readOnly={readOnly}
            onChange={(what) => put(needs.map((n, at) => (at === i ? { ...n, what } : n)))}
          />
          {!readOnly && (
            <Button color="error" onClick={() => put(needs.filter((_, at) => at !== i))}>
              Drop
            </Button>
          )}
        </Stack>
      ))}
      {!readOnly && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => put([...needs, { kind: 'program', what: step.name }])}>
          Add a program, fixture, sample or kit
        </Button>
      )}
    </>
  );
}

export const needs: AspectEditor = { part: 'Must exist first', Editor: NeedsEditor };
