import { CARRIER_KINDS, type CarrierKind } from '@ample-crane/core';
import { Checkbox, FormControlLabel } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

/** Places of a carrier that each piece takes while it is here. */
function PlaceEditor() {
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

export const place: AspectEditor = { part: 'Places', Editor: PlaceEditor };
