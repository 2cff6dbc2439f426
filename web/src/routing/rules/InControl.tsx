import { TextLine } from '../../parts/deskFields.tsx';
import { Measured } from './Measured.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function InControlFields({ rule, onChange }: Fields<'inControl'>) {
  return (
    <>
      <Measured value={rule.characteristic} onChange={(characteristic) => onChange({ ...rule, characteristic })} />
      <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
    </>
  );
}

export const inControl: RuleEditor<'inControl'> = {
  name: 'its chart in control',
  begin: (characteristic) => ({ kind: 'inControl', what: 'The measure', characteristic }),
  Fields: InControlFields,
};
