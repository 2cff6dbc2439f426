import { TextLine } from '../../parts/deskFields.tsx';
import type { Fields, RuleEditor } from './rule.ts';

const ProgramReleasedFields = ({ rule, onChange }: Fields<'programReleased'>) => (
  <TextLine label="Program, as steps call it" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
);

export const programReleased: RuleEditor<'programReleased'> = {
  name: 'a program released',
  begin: () => ({ kind: 'programReleased', what: 'Body, both sides' }),
  Fields: ProgramReleasedFields,
};
