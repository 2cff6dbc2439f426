import { useDesk } from '../context.ts';
import { FigureField } from '../../parts/deskFields.tsx';
import type { AspectEditor } from './aspect.ts';

function AwayDaysEditor() {
  const { step, readOnly, change } = useDesk();
  return (
    <FigureField
      label="Usually away, days"
      value={step.awayDays}
      optional
      readOnly={readOnly}
      onChange={(awayDays) => change({ awayDays })}
    />
  );
}

export const awayDays: AspectEditor = {
  part: null,
  offered: (step) => step.kind === 'outside' || step.kind === 'transfer',
  Editor: AwayDaysEditor,
};
