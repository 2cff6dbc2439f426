import { FigureField, TextLine } from '../../parts/deskFields.tsx';
import type { Fields, RuleEditor } from './rule.ts';

const HOURS = 60;

function ElapsedFields({ rule, onChange }: Fields<'elapsed'>) {
  return (
    <>
      <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
      <FigureField
        label="At least, h"
        value={rule.minimumMinutes / HOURS}
        onChange={(h) => onChange({ ...rule, minimumMinutes: (h ?? 0) * HOURS })}
      />
      <FigureField
        label="At most, h (empty: no limit)"
        value={rule.maximumMinutes === undefined ? undefined : rule.maximumMinutes / HOURS}
        optional
        onChange={(h) => {
          const { maximumMinutes, ...rest } = rule;
          onChange(h === undefined ? rest : { ...rule, maximumMinutes: h * HOURS });
        }}
      />
    </>
  );
}

export const elapsed: RuleEditor<'elapsed'> = {
  name: 'so much time',
  begin: () => ({ kind: 'elapsed', what: 'Waited', minimumMinutes: 24 * 60 }),
  Fields: ElapsedFields,
};
