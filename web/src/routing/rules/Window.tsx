import { FigureField, TextLine } from '../../parts/deskFields.tsx';
import type { Fields, RuleEditor } from './rule.ts';

function WindowFields({ rule, onChange }: Fields<'window'>) {
  return (
    <>
      <FigureField label="Opens after, min" value={rule.minimumMinutes} onChange={(v) => onChange({ ...rule, minimumMinutes: v ?? 0 })} />
      <FigureField label="Closes after, min" value={rule.maximumMinutes} onChange={(v) => onChange({ ...rule, maximumMinutes: v ?? 0 })} />
      <TextLine label="After that" value={rule.afterwards} onChange={(afterwards) => onChange({ ...rule, afterwards })} />
    </>
  );
}

export const window: RuleEditor<'window'> = {
  name: 'the window after the last coat',
  begin: () => ({ kind: 'window', minimumMinutes: 20, maximumMinutes: 24 * 60, afterwards: 'Scuff sand' }),
  Fields: WindowFields,
};
