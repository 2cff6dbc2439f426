import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { changeBatch } from './rows.ts';

/** Somebody with the skill that the gate asks for accepts the work. */
export const GateSignedOff = entryKind('gate.signedOff')<{ operationId: string; skill: string; personId: string }>({
  apply(rows, entry) {
    const { skill, personId } = entry.payload;
    const { signOffs } = rows.get(Batch, entry.batchId);
    changeBatch(rows, entry.batchId, { signOffs: [...signOffs, { skill, personId }] });
  },
  sentence: ({ payload: { operationId, skill, personId } }, nameOf) =>
    `Accepted at ${nameOf('step', operationId)} for ${skill} by ${nameOf('person', personId)}`,
});
