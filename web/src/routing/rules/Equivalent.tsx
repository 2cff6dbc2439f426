import { DEFAULT_CURE_LAW } from '@ample-crane/core';
import { FigureField, TextLine } from '../../parts/deskFields.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function EquivalentFields({ rule, onChange }: Fields<'equivalent'>) {
  return (
    <>
      <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
      <FigureField
        label="Days at the reference temperature"
        value={rule.minimumDays}
        min={0.01}
        max={400}
        onChange={(d) => onChange({ ...rule, minimumDays: d ?? 1 })}
      />
      <FigureField
        label="Reference temperature, °C"
        value={rule.law.referenceTempC}
        min={5}
        max={40}
        onChange={(t) => onChange({ ...rule, law: { ...rule.law, referenceTempC: t ?? 21 } })}
      />
      <FigureField
        label="Nothing counts below, °C"
        value={rule.law.minimumTempC}
        min={-10}
        max={40}
        onChange={(t) => onChange({ ...rule, law: { ...rule.law, minimumTempC: t ?? 10 } })}
      />
    </>
  );
}

export const equivalent: RuleEditor<'equivalent'> = {
  name: 'so much time at a temperature',
  begin: () => ({ kind: 'equivalent', what: 'Cured', minimumDays: 5, law: DEFAULT_CURE_LAW }),
  Fields: EquivalentFields,
};
