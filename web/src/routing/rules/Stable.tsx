import { FigureField } from '../../parts/deskFields.tsx';
import { Measured } from './Measured.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function StableFields({ rule, onChange }: Fields<'stable'>) {
  return (
    <>
      <Measured value={rule.characteristic} onChange={(characteristic) => onChange({ ...rule, characteristic })} />
      <FigureField label="Changes a day, at most" value={rule.limitPerDay} onChange={(v) => onChange({ ...rule, limitPerDay: v ?? 0 })} />
      <FigureField
        label="Looked at over, days"
        value={rule.windowDays}
        min={1}
        max={400}
        onChange={(v) => onChange({ ...rule, windowDays: v ?? 14 })}
      />
    </>
  );
}

export const stable: RuleEditor<'stable'> = {
  name: 'no longer changing',
  begin: (characteristic) => ({ kind: 'stable', limitPerDay: 0.05, windowDays: 14, characteristic }),
  Fields: StableFields,
};
