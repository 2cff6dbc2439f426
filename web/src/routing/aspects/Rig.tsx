import { CARRIER_KINDS, type CarrierKind } from '@ample-crane/core';
import { Checkbox, FormControlLabel } from '@mui/material';
import { useDesk } from '../context.ts';
import { Choice } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

/** The rig in which each piece is under pressure here. */
function RigEditor() {
  const { step, readOnly, change } = useDesk();
  const { rig } = step;
  return (
    <>
      <Choice
        label="Each piece is pressed in"
        value={rig?.kind ?? ''}
        empty="nothing"
        readOnly={readOnly}
        choices={CARRIER_KINDS.map((k) => [k, `a ${k}`])}
        onChange={(kind) => change({ rig: kind === '' ? undefined : { ...rig, kind: kind as CarrierKind } })}
      />
      {rig && (
        <FormControlLabel
          disabled={readOnly}
          control={
            <Checkbox
              checked={rig.outline === true}
              onChange={(_, checked) => change({ rig: checked ? { ...rig, outline: true } : { kind: rig.kind } })}
            />
          }
          label="Made for this model’s outline"
        />
      )}
    </>
  );
}

export const rig: AspectEditor = { part: 'Places', Editor: RigEditor };
