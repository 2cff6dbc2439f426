import { Choice, FigureField, TextLine } from '../../parts/deskFields.tsx';
import { useDesk } from '../context.ts';
import type { Fields, RuleEditor } from './rule.ts';

const BY_MINUTES = '';

function PressedFields({ rule, onChange }: Fields<'pressed'>) {
  const { setup } = useDesk();
  const glue = setup.adhesives.find((a) => a.id === rule.adhesiveId);
  const { kind, what } = rule;
  const face = rule.face === undefined ? {} : { face: rule.face };
  return (
    <>
      <TextLine label="Called" value={rule.what} onChange={(called) => onChange({ ...rule, what: called })} />
      <Choice
        label="As long as asks"
        value={rule.adhesiveId ?? BY_MINUTES}
        choices={[...setup.adhesives.map((a) => [a.id, a.name] as const), [BY_MINUTES, 'so many minutes, whatever the glue']]}
        onChange={(adhesiveId) => onChange(adhesiveId === BY_MINUTES ? { kind, what, minutes: 45 } : { kind, what, adhesiveId, ...face })}
      />
      {rule.adhesiveId === undefined && (
        <FigureField label="Minutes" value={rule.minutes} onChange={(minutes) => onChange({ kind, what, minutes: minutes ?? 45 })} />
      )}
      {glue && glue.materials.length > 0 && (
        <Choice
          label="What is glued"
          value={rule.material ?? ''}
          empty="anything else"
          choices={glue.materials.map((m) => [m.name, m.name])}
          onChange={(material) => onChange({ kind, what, adhesiveId: glue.id, ...face, ...(material === '' ? {} : { material }) })}
        />
      )}
      {glue && (
        <TextLine
          label="On which face (may be empty)"
          value={rule.face ?? ''}
          onChange={(typed) => {
            const { face: _, ...rest } = rule;
            onChange(typed === '' ? rest : { ...rest, face: typed });
          }}
        />
      )}
    </>
  );
}

export const pressed: RuleEditor<'pressed'> = {
  name: 'under pressure in a rig',
  begin: () => ({ kind: 'pressed', what: 'Clamped', adhesiveId: 'pva' }),
  Fields: PressedFields,
};
