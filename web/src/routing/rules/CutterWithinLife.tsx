import { TextLine } from '../../parts/deskFields.tsx';
import type { Fields, RuleEditor } from './rule.ts';

const CutterWithinLifeFields = ({ rule, onChange }: Fields<'cutterWithinLife'>) => (
  <>
    <TextLine label="Cutter, as programs call it" value={rule.cutter} onChange={(cutter) => onChange({ ...rule, cutter })} />
    <TextLine label="At station (its code)" value={rule.stationCode} onChange={(stationCode) => onChange({ ...rule, stationCode })} />
  </>
);

export const cutterWithinLife: RuleEditor<'cutterWithinLife'> = {
  name: 'a cutter within its life',
  begin: () => ({ kind: 'cutterWithinLife', cutter: '6 mm', stationCode: '' }),
  Fields: CutterWithinLifeFields,
};
