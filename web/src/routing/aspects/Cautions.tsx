import { CAUTION_KINDS, type CautionKind } from '@ample-crane/core';
import { useDesk } from '../context.ts';
import { Several } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

function CautionsEditor() {
  const { step, readOnly, change } = useDesk();
  return (
    <Several
      label="Cautions"
      values={step.cautions ?? []}
      options={CAUTION_KINDS}
      readOnly={readOnly}
      onChange={(cautions) => change({ cautions: cautions.length === 0 ? undefined : (cautions as CautionKind[]) })}
    />
  );
}

export const cautions: AspectEditor = { part: 'Hand-over and state', Editor: CautionsEditor };
