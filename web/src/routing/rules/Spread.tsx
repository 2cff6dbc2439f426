import { FigureField, TextLine } from '../../parts/deskFields.tsx';
import { Measured } from './Measured.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function SpreadFields({ rule, onChange }: Fields<'spread'>) {
  return (
    <>
      <Measured value={rule.characteristic} onChange={(characteristic) => onChange({ ...rule, characteristic })} />
      <FigureField label="Highest less lowest, at most" value={rule.limit} onChange={(limit) => onChange({ ...rule, limit: limit ?? 0 })} />
      <TextLine label="Unit" value={rule.unit} onChange={(unit) => onChange({ ...rule, unit })} />
    </>
  );
}

export const spread: RuleEditor<'spread'> = {
  name: 'measures close together',
  begin: (characteristic) => ({ kind: 'spread', limit: 2, unit: '%', characteristic }),
  Fields: SpreadFields,
};
