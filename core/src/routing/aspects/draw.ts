import { NOT_ANSWERED, question, refuse, type Refused } from '../../ledger/index.ts';
import { listed, type AspectKind } from './aspect.ts';

/** Small parts taken from those made ahead. */
export interface Draw {
  /** the model the small parts are made as */
  modelId: string;
  perPiece: number;
}

/** Small parts leave their box. */
export interface DrawnFromBox {
  kind: 'stock.drawn';
  batchId: string;
  payload: { forBatchId: string; operationId: string; count: number };
}

/** The boxes of small parts that the step of a batch could draw from, by their ids. */
export const BoxesFor = question<{ batchId: string }, readonly string[]>('boxes for');

export const draw: AspectKind<'draws', readonly Draw[], DrawnFromBox> = {
  key: 'draws',
  name: 'small parts',
  words: (all) => listed(all?.map((d) => `${d.perPiece} ${d.modelId}`)),
  marks: (all) => (all.length > 0 ? ['draws small parts'] : []),
  checkWorld: (all, step, _, { modelIds }) =>
    all.filter((d) => !modelIds.has(d.modelId)).map((d) => `"${step.name}" draws ${d.modelId}, which is no model`),
  begins(all, { batch, operation, pieceIds, boxes, answers, factory }): Refused | DrawnFromBox[] {
    // What came back has its small parts already.
    if (batch.redo) return [];
    if (answers.to(BoxesFor, { batchId: batch.id }) === NOT_ANSWERED)
      return refuse('Nobody could say which small parts are in stock', { rule: 'parts' });
    const entries: DrawnFromBox[] = [];
    for (const { modelId, perPiece } of all) {
      const wanted = perPiece * pieceIds.length;
      let left = wanted;
      for (const box of boxes.filter((b) => b.modelId === modelId && b.status === 'stocked')) {
        const count = Math.min(left, box.quantity);
        const payload = { forBatchId: batch.id, operationId: operation.id, count };
        if (count > 0) entries.push({ kind: 'stock.drawn', batchId: box.id, payload });
        left -= count;
      }
      if (left > 0)
        return refuse(`${wanted - left} of ${wanted} ${factory.modelName(modelId)} in stock for ${operation.name.toLowerCase()}`, {
          rule: 'parts',
          remedy: 'Run a campaign of them, or split the batch',
        });
    }
    return entries;
  },
};
