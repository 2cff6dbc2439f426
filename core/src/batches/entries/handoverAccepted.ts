import { entryKind } from '../../ledger/index.ts';
import { changeBatch } from './rows.ts';

export const HandoverAccepted = entryKind('handover.accepted')<{ operationId: string }>({
  apply(rows, entry) {
    changeBatch(rows, entry.batchId, { accepted: true });
  },
  sentence: ({ payload }, nameOf) => `Taken over at ${nameOf('step', payload.operationId)}`,
});
