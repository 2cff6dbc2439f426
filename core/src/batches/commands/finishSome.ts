import { refuse } from '../../ledger/index.ts';
import { aspectAsks, mayFinish, onward, operationOf } from '../../routing/index.ts';
import { batchIdOf, piecesInPass } from '../batch.ts';
import { benchOf } from '../bench.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { goesOn, moveAsks } from '../moving.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { choiceObjection } from '../pieces.ts';
import { sheetGiven, type SheetSaid } from '../sheet.ts';
import { onBatch } from './onBatch.ts';

/** Some pieces are ready before the rest and go on as a batch of their own. */
export const FinishSome = onBatch('finish some')<{ pieceIds: readonly string[]; sheet?: SheetSaid }>({
  role: 'operator',
  asks: (_, at) => [BATCH_NUMBER, ...moveAsks(undefined, at), ...aspectAsks('finish', at)],
  decide({ pieceIds, sheet }, at) {
    const { batch, operation, route, pieces } = at;
    if (batch.status !== 'running') return refuse(`${operation.name} is not running; start it first`);
    if (batch.redo) return refuse('What came back is finished together');
    const wrong = choiceObjection(pieceIds, new Set(piecesInPass(batch, pieces).map((p) => p.id)), batch);
    if (wrong) return wrong;
    const back = sheetGiven(operation.sheet, sheet);
    if (back.kind === 'refuse') return back;
    const because = [...back.findings, ...mayFinish(benchOf(at, pieceIds))];
    if (because.length > 0) return { kind: 'refuse', because };
    const number = numberIn(at.answers);
    if (number === null) return NO_NUMBER;
    const ready: BatchEntry = {
      kind: 'work.partFinished',
      payload: { operationId: operation.id, number, pieceIds, ...(back.given === null ? {} : { sheet: back.given }) },
    };
    const next = onward(route, operation, batch.component);
    const needsPlace = operation.noWait === true || (next !== undefined && operationOf(route, next).place !== undefined);
    // Where places are counted, the new batch is moved on its own, so that its places are its own.
    return needsPlace
      ? accept(ready)
      : accept(ready, ...goesOn(at, pieceIds.length, []).map((e) => ({ ...e, batchId: batchIdOf(number) })));
  },
});
