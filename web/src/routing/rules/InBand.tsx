import { FigureField, TextLine } from '../../parts/deskFields.tsx';
import { Measured } from './Measured.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function InBandFields({ rule, onChange }: Fields<'inBand'>) {
  return (
    <>
      <Measured value={rule.characteristic} onChange={(characteristic) => onChange({ ...rule, characteristic })} />
      <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
      <FigureField label="From" value={rule.low} min={-100_000} onChange={(low) => onChange({ ...rule, low: low ?? 0 })} />
      <FigureField label="To" value={rule.high} min={-100_000} onChange={(high) => onChange({ ...rule, high: high ?? 0 })} />
      <TextLine label="Unit" value={rule.unit} onChange={(unit) => onChange({ ...rule, unit })} />
      <FigureField
        label="How many at least"
        value={rule.needed}
        min={1}
        max={400}
        onChange={(n) => onChange({ ...rule, needed: Math.round(n ?? 1) })}
      />
      <TextLine label="What to do when too low" value={rule.tooLow} onChange={(tooLow) => onChange({ ...rule, tooLow })} />
      <TextLine label="What to do when too high" value={rule.tooHigh} onChange={(tooHigh) => onChange({ ...rule, tooHigh })} />
    </>
  );
}

export const inBand: RuleEditor<'inBand'> = {
  name: 'measures in a band',
  begin: (characteristic) => ({
    kind: 'inBand',
    what: 'measures',
    characteristic,
    low: 0,
    high: 1,
    needed: 1,
    unit: '',
    tooLow: 'Too low',
    tooHigh: 'Too high',
  }),
  Fields: InBandFields,
};
