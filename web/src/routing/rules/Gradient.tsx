import { FigureField } from '../../parts/deskFields.tsx';
import { Measured } from './Measured.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function GradientFields({ rule, onChange }: Fields<'gradient'>) {
  return (
    <>
      <Measured label="Shell" value={rule.shell} onChange={(shell) => onChange({ ...rule, shell })} />
      <Measured label="Core" value={rule.core} onChange={(core) => onChange({ ...rule, core })} />
      <FigureField label="Apart at most, points" value={rule.limit} onChange={(limit) => onChange({ ...rule, limit: limit ?? 0 })} />
    </>
  );
}

export const gradient: RuleEditor<'gradient'> = {
  name: 'core and shell alike',
  begin: (characteristic) => ({ kind: 'gradient', limit: 1.5, shell: characteristic, core: characteristic }),
  Fields: GradientFields,
};
