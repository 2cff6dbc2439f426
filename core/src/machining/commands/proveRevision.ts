import type { Factory } from '../../factory/index.ts';
import { commandKind, refuse, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { programsIn, type Characteristic } from '../../routing/index.ts';
import { said } from '../../units/index.ts';
import type { RevisionProven } from '../entries/revisionProven.ts';
import type { Program } from '../program.ts';
import { concernsProgram, notBeforeLast, revisionThatMay, type OnRevision } from './onRevision.ts';

export type ProveRevisionRequest = OnRevision & {
  /** the piece, as it is called */
  piece: string;
  /** what was measured on it, by the characteristics of the steps that run the program */
  measures: readonly { characteristicId: string; value: number }[];
  note: string;
};

/** What a first piece is measured for: the characteristics of the steps that run the program, on the routes in force. */
export function asksOfFirstPiece({ modelId, what }: Pick<Program, 'modelId' | 'what'>, factory: Factory, atMs: number): Characteristic[] {
  const modelIds = modelId === null ? [...factory.setUp.models.keys()] : [modelId];
  const steps = modelIds.flatMap((id) => factory.routeInForce(id, atMs)?.operations ?? []);
  const asked = steps.filter((s) => programsIn(s.needs).some((n) => n.what === what)).flatMap((s) => s.characteristics ?? []);
  return [...new Map(asked.map((c) => [c.id, c])).values()];
}

/** Says that the first piece which a revision cut was measured, and is good. */
export const ProveRevision = commandKind('prove revision')<ProveRevisionRequest, Factory>({
  role: 'lead',
  concerns: concernsProgram,
  notBefore: notBeforeLast,
  decide({ piece, measures, note, ...which }, { rows, factory, nowMs }): Decision<Decided<typeof RevisionProven>> {
    const found = revisionThatMay(rows, which, 'proven');
    if (found.kind === 'refuse') return found;
    if (piece.trim() === '') return wrongInput('piece', 'Say which piece it was');
    const asked = asksOfFirstPiece(found.program, factory, nowMs);
    const strange = measures.find(
      (m, i) =>
        !asked.some((c) => c.id === m.characteristicId) || measures.findIndex((o) => o.characteristicId === m.characteristicId) !== i,
    );
    if (strange) return wrongInput('measures', `${strange.characteristicId} is not asked for, or said twice`);
    const told = asked.map((c) => ({ c, value: measures.find((m) => m.characteristicId === c.id)?.value }));
    const left = told.flatMap(({ c, value }) => (value === undefined ? [c.name] : []));
    if (left.length > 0)
      return refuse(`Not measured yet: ${left.join(', ')}`, {
        field: 'measures',
        remedy: 'A first piece is measured for all that its steps ask',
      });
    const off = told.filter(({ c, value = NaN }) => !(value >= c.low && value <= c.high));
    if (off.length > 0)
      return refuse(
        off.map(({ c, value = NaN }) => `${c.name} ${said(value, c.unit)}, band ${said(`${c.low}–${c.high}`, c.unit)}`).join('; '),
        { field: 'measures', remedy: 'Mend the program: withdraw this revision and draw the next' },
      );
    const kept = told.flatMap(({ c: { name, unit, low, high }, value }) => (value === undefined ? [] : [{ name, unit, value, low, high }]));
    if (kept.length === 0 && note.trim() === '') return wrongInput('note', 'Its steps measure nothing: say what was looked at');
    const { programId, revision } = which;
    const payload = { programId, what: found.program.what, revision, proof: { piece: piece.trim(), measures: kept, note: note.trim() } };
    return { kind: 'accept', entries: [{ kind: 'revision.proven', payload }] };
  },
});
