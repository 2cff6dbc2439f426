import { useSession } from '../../ground/session.tsx';
import { useDesk } from '../context.ts';
import { Several } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

function CautionsEditor() {
  const { step, readOnly, change } = useDesk();
  const { cautions: register } = useSession().session;
  return (
    <Several
      label="Cautions"
      values={step.cautions ?? []}
      options={register.map((c) => c.key)}
      readOnly={readOnly}
      onChange={(cautions) => change({ cautions: cautions.length === 0 ? undefined : cautions })}
    />
  );
}

export const cautions: AspectEditor = { part: 'Hand-over and state', Editor: CautionsEditor };
