import { DEFAULT_SPRAY_LIMITS } from '@ample-crane/core';
import { FigureField } from '../../parts/deskFields.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function ClimateFields({ rule, onChange }: Fields<'climate'>) {
  return (
    <FigureField
      label="Surface above dew point, °C"
      value={rule.limits.dewMarginC}
      max={20}
      onChange={(v) => onChange({ ...rule, limits: { ...rule.limits, dewMarginC: v ?? 3 } })}
    />
  );
}

export const climate: RuleEditor<'climate'> = {
  name: 'air fit to spray',
  begin: () => ({ kind: 'climate', limits: DEFAULT_SPRAY_LIMITS }),
  Fields: ClimateFields,
};
