import type { Factory } from '../factory/index.ts';
import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../ledger/index.ts';
import { Dimension } from './dimension.ts';
import type { SignalSettled } from './signalSettled.ts';

export interface SettleSignalRequest {
  dimensionId: string;
  /** what was found and done */
  note: string;
  /** whether its limits are made anew of the values to come: something that lasts was changed */
  anew: boolean;
}

/** Says what was behind a rule of a chart that fired; its values make no run any more. */
export const SettleSignal = commandKind('settle signal')<SettleSignalRequest, Factory>({
  role: 'lead',
  concerns: ({ dimensionId }) => ({ about: [rowsOf(Dimension, [dimensionId])] }),
  notBefore({ dimensionId }, rows) {
    const { latest, settledMs } = rows.get(Dimension, dimensionId);
    return { atMs: Math.max(settledMs, latest.at(-1)?.atMs ?? 0), because: 'Values have come since then' };
  },
  decide({ dimensionId, note, anew }, { rows, factory, by, nowMs }): Decision<Decided<typeof SignalSettled>> {
    const { modelId, operationId, characteristicId, signal } = rows.get(Dimension, dimensionId);
    const characteristic = factory.characteristicOf(modelId, operationId, characteristicId);
    const name = characteristic?.name ?? characteristicId;
    if (note.trim() === '') return wrongInput('note', 'Say what was found');
    if (signal === null && !anew) return refuse(`${name}: no rule has fired`);
    const skill = characteristic?.decidingSkill;
    if (skill !== undefined && (by.personId === null || !factory.holdsSkill(by.personId, skill, 1, nowMs)))
      return refuse(`Whoever decides on ${name.toLowerCase()} is signed off for ${skill}`, { rule: 'skill' });
    return { kind: 'accept', entries: [{ kind: 'signal.settled', payload: { dimensionId, name, note: note.trim(), anew } }] };
  },
});
