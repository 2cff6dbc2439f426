import { refuse, type Asked, type Decision } from '../../ledger/index.ts';
import { aspectAsks, mayFinish } from '../../routing/index.ts';
import { piecesInPass } from '../batch.ts';
import { benchOf } from '../bench.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { goesOn, moveAsks, placesWithout } from '../moving.ts';
import { countsObjection, type Counts } from '../pieces.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { onBatch, type AtStep, type SeenAtStep } from './onBatch.ts';

/** The work of a pass is done, and counted. */
export const FinishWork = onBatch('finish work')<Counts>({
  role: 'operator',
  asks: finishAsks,
  decide: (counts, at) =>
    at.batch.status === 'running' ? finish(counts, at) : refuse(`${at.operation.name} is not running; start it first`),
});

/** A batch comes back from another house or building, and is counted. */
export const ReceiveBatch = onBatch('receive batch')<Counts>({
  role: 'operator',
  asks: finishAsks,
  decide: (counts, at) => (at.batch.status === 'away' ? finish(counts, at) : refuse(`Batch ${at.batch.id} is not away`)),
});

/** Whether what must be done again leaves the batch, since the rest does not wait for it. */
const goesAlone = ({ good, rework }: Counts, { operation }: SeenAtStep): boolean =>
  operation.reworkAlone === true && rework > 0 && good > 0;

function finishAsks(counts: Counts, at: SeenAtStep): Asked[] {
  return [...(goesAlone(counts, at) ? [BATCH_NUMBER] : []), ...moveAsks(undefined, at), ...aspectAsks('finish', at)];
}

function finish(counts: Counts, at: AtStep): Decision<BatchEntry> {
  const { good, rework, scrap, outcomes } = counts;
  const { batch, operation, pieces, live } = at;
  const inPass = piecesInPass(batch, pieces);
  const wrong = countsObjection(batch, inPass, counts, at);
  if (wrong) return wrong;
  const named = new Set(outcomes.map((o) => o.pieceId));
  const because = mayFinish(
    benchOf(
      at,
      inPass.flatMap((p) => (named.has(p.id) ? [] : [p.id])),
    ),
  );
  if (because.length > 0) return { kind: 'refuse', because };
  const isAlone = goesAlone(counts, at);
  const reworkNumber = isAlone ? numberIn(at.answers) : null;
  if (isAlone && reworkNumber === null) return NO_NUMBER;
  const payload = {
    operationId: operation.id,
    good,
    rework,
    scrap,
    outcomes,
    ...(batch.redo ? { redo: true } : {}),
    ...(reworkNumber === null ? {} : { reworkNumber }),
  };
  // What is scrapped, or goes back alone, leaves its place.
  const gone = scrap + (isAlone ? rework : 0);
  const left = live.length - gone;
  const finished: BatchEntry = { kind: 'work.finished', payload };
  return left === 0 || (rework > 0 && !isAlone) ? accept(finished) : accept(finished, ...goesOn(at, left, placesWithout(at, gone)));
}
