import { CARRIER_KINDS, PREREQUISITE_KINDS, type CarrierKind, type Prerequisite } from '@ample-crane/core';
import { Button, Checkbox, FormControlLabel, Stack } from '@mui/material';
import { useDesk } from './context.ts';
import { Choice, FigureField, TextLine } from './fields.tsx';

/** Places of a carrier that each piece takes while it is here. */
export function PlaceEditor() {
  const { step, readOnly, change } = useDesk();
  const { place } = step;
  return (
    <>
      <Choice
        label="Each piece needs a place in"
        value={place?.kind ?? ''}
        empty="nothing special"
        readOnly={readOnly}
        choices={CARRIER_KINDS.map((k) => [k, `a ${k}`])}
        onChange={(kind) => change({ place: kind === '' ? undefined : { ...place, kind: kind as CarrierKind } })}
      />
      {place && (
        <FormControlLabel
          disabled={readOnly}
          control={
            <Checkbox
              checked={place.outline === true}
              onChange={(_, checked) => change({ place: checked ? { ...place, outline: true } : { kind: place.kind } })}
            />
          }
          label="Made for this model’s outline"
        />
      )}
    </>
  );
}

/** Programs, fixtures, samples and kits. */
export function NeedsEditor() {
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

/** Small parts drawn from those made ahead. */
export function DrawsEditor() {
  const { step, setup, readOnly, change } = useDesk();
  const draws = step.draws ?? [];
  const small = setup.models.filter((m) => m.components.includes('small part'));
  if (small.length === 0 && draws.length === 0) return null;
  const put = (next: typeof draws) => change({ draws: next.length === 0 ? undefined : next });
  return (
    <>
      {draws.map((draw, i) => (
        <Stack key={i} direction="row" spacing={1} role="group" aria-label={`Small parts ${i + 1}`}>
          <Choice
            label="Draws"
            value={draw.modelId}
            readOnly={readOnly}
            choices={small.map((m) => [m.id, m.name])}
            onChange={(modelId) => put(draws.map((d, at) => (at === i ? { ...d, modelId } : d)))}
          />
          <FigureField
            label="For each piece"
            value={draw.perPiece}
            min={1}
            max={100}
            readOnly={readOnly}
            onChange={(n) => put(draws.map((d, at) => (at === i ? { ...d, perPiece: Math.round(n ?? 1) } : d)))}
          />
          {!readOnly && (
            <Button color="error" onClick={() => put(draws.filter((_, at) => at !== i))}>
              Drop
            </Button>
          )}
        </Stack>
      ))}
      {!readOnly && small[0] && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => put([...draws, { modelId: small[0]?.id ?? '', perPiece: 1 }])}>
          Draw small parts
        </Button>
      )}
    </>
  );
}
