import { Choice, TextLine } from '../../parts/deskFields.tsx';
import { useDesk } from '../context.ts';
import type { Fields, RuleEditor } from './rule.ts';

function GlueSetFields({ rule, onChange }: Fields<'glueSet'>) {
  const { setup } = useDesk();
  return (
    <>
      <TextLine label="Called" value={rule.what} onChange={(what) => onChange({ ...rule, what })} />
      <Choice
        label="As long as asks"
        value={rule.adhesiveId}
        choices={setup.adhesives.map((a) => [a.id, a.name])}
        onChange={(adhesiveId) => onChange({ ...rule, adhesiveId })}
      />
    </>
  );
}

export const glueSet: RuleEditor<'glueSet'> = {
  name: 'glue hard enough to machine',
  begin: () => ({ kind: 'glueSet', what: 'Glue set', adhesiveId: 'pva' }),
  Fields: GlueSetFields,
};
