import { useDesk } from '../context.ts';
import { FigureField } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

function GritEditor() {
  const { step, readOnly, change } = useDesk();
  return (
    <FigureField
      label="Sanded to grit"
      value={step.grit}
      optional
      min={1}
      max={10_000}
      readOnly={readOnly}
      onChange={(grit) => change({ grit })}
    />
  );
}

export const grit: AspectEditor = { part: 'Hand-over and state', Editor: GritEditor };
