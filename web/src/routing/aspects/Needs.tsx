import { PREREQUISITE_KINDS, type Prerequisite } from '@ample-crane/core';
import { Button, Checkbox, FormControlLabel, Stack } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice, TextLine } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

const withCheck = ({ kind, what }: Prerequisite, checked: boolean): Prerequisite => ({ kind, what, ...(checked ? { checked } : {}) });

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
            onChange={(kind) => put(needs.map((n, at) => (at === i ? { kind: kind as Prerequisite['kind'], what: n.what } : n)))}
          />
          <TextLine
            label="Which"
            value={need.what}
            readOnly={readOnly}
            onChange={(what) => put(needs.map((n, at) => (at === i ? { ...n, what } : n)))}
          />
          {need.kind === 'program' && (
            <FormControlLabel
              control={
                <Checkbox
                  checked={need.checked === true}
                  disabled={readOnly}
                  onChange={(_, checked) => put(needs.map((n, at) => (at === i ? withCheck(n, checked) : n)))}
                />
              }
              label="Start checklist at the machine"
            />
          )}
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
