import { useDesk } from '../context.ts';
import { Choice } from '../../parts/deskFields.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function SignOffFields({ rule, onChange }: Fields<'signOff'>) {
  const { setup } = useDesk();
  return (
    <Choice
      label="Who accepts"
      value={rule.skill}
      choices={setup.skills.map((s) => [s.skill, s.skill])}
      onChange={(skill) => onChange({ ...rule, skill })}
    />
  );
}

export const signOff: RuleEditor<'signOff'> = {
  name: 'somebody’s acceptance',
  begin: () => ({ kind: 'signOff', skill: '' }),
  Fields: SignOffFields,
};
