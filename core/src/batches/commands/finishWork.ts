import { refuse, type Decision } from '../../ledger/index.ts';
import { aspectAsks, mayFinish } from '../../routing/index.ts';
import { piecesInPass } from '../batch.ts';
import { benchOf } from '../bench.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { goesOn, placesWithout } from '../moving.ts';
import { countsObjection, type Counts } from '../pieces.ts';
import { placeAsks } from '../places.ts';
import { onBatch, type AtStep } from './onBatch.ts';

/** The work of a pass is done, and counted. */
export const FinishWork = onBatch('finish work')<Counts>({
  role: 'operator',
  asks: (_, at) => [...placeAsks(undefined, at), ...aspectAsks('finish', at)],
  decide: (counts, at) =>
    at.batch.status === 'running' ? finish(counts, at) : refuse(`${at.operation.name} is not running; start it first`),
});

/** A batch comes back from another house or building, and is counted. */
export const ReceiveBatch = onBatch('receive batch')<Counts>({
  role: 'operator',
  asks: (_, at) => [...placeAsks(undefined, at), ...aspectAsks('finish', at)],
  decide: (counts, at) => (at.batch.status === 'away' ? finish(counts, at) : refuse(`Batch ${at.batch.id} is not away`)),
});

function finish({ good, rework, scrap, outcomes }: Counts, at: AtStep): Decision<BatchEntry> {
  const { batch, operation, pieces, live } = at;
  const inPass = piecesInPass(batch, pieces);
  const wrong = countsObjection(batch, inPass, { good, rework, scrap, outcomes }, at);
  if (wrong) return wrong;
  const named = new Set(outcomes.map((o) => o.pieceId));
  const because = mayFinish(
    benchOf(
      at,
      inPass.flatMap((p) => (named.has(p.id) ? [] : [p.id])),
    ),
  );
  if (because.length > 0) return { kind: 'refuse', because };
  const payload = { operationId: operation.id, good, rework, scrap, outcomes, ...(batch.redo ? { redo: true } : {}) };
  const left = live.length - scrap;
  const finished: BatchEntry = { kind: 'work.finished', payload };
  // What is scrapped leaves its place.
  return left === 0 || rework > 0 ? accept(finished) : accept(finished, ...goesOn(at, left, placesWithout(at, scrap)));
}
