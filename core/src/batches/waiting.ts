import { whoIsThere, type PiecesOf } from '../carriers/index.ts';
import { asked, NOT_ANSWERED, question, refuse, type Answers, type Asked, type Refused } from '../ledger/index.ts';
import type { Factory } from '../factory/index.ts';
import { onward, operationOf, pathFrom, type Operation, type Route } from '../routing/index.ts';
import type { Batch } from './batch.ts';

/** Who waits at a station where waiting is the step. */
export const WaitingAt = question<{ stationCode: string }, readonly PiecesOf[]>('waiting at');

interface Going {
  route: Route;
  operation: Operation;
  batch: Pick<Batch, 'component'>;
}

/** Whether a batch waits at its station because that is its step, or was stopped while it did. */
export const isWaiting = ({ status, heldStatus }: Pick<Batch, 'status' | 'heldStatus'>): boolean =>
  status === 'dwelling' || (status === 'held' && heldStatus === 'dwelling');

/** The stations where a batch may come to wait when it leaves its step. */
export function waitsNextAt({ route, operation, batch }: Going): string[] {
  const next = [onward(route, operation, batch.component), operation.repeat?.backTo];
  return next.flatMap((id) => {
    const to = id === undefined ? undefined : operationOf(route, id);
    return to?.kind === 'dwell' ? [to.stationCode] : [];
  });
}

/** The same, and where it may come to wait after work that follows: what a page away from the server must know. */
export function waitsAheadAt(route: Route, batch: Pick<Batch, 'component' | 'operationId'>): string[] {
  const stations = new Set<string>();
  for (const operation of pathFrom(route, batch.operationId)) {
    for (const stationCode of waitsNextAt({ route, operation, batch })) stations.add(stationCode);
    if (operation.id !== batch.operationId && operation.kind === 'dwell') break;
  }
  return [...stations];
}

export const waitAsks = (going: Going): Asked[] => waitsNextAt(going).map((stationCode) => asked(WaitingAt, { stationCode }));

/** What speaks against a batch's coming to wait at a step: its station takes so many pieces and no more. */
export function fullObjection(
  { kind, stationCode }: Operation,
  { batchId, pieces }: PiecesOf,
  factory: Factory,
  answers: Answers,
): Refused | undefined {
  if (kind !== 'dwell') return undefined;
  const name = factory.stationName(stationCode);
  const waiting = answers.to(WaitingAt, { stationCode });
  if (waiting === NOT_ANSWERED) return refuse(`Nobody could say who waits at ${name}`, { rule: 'places' });
  const others = waiting.filter((w) => w.batchId !== batchId);
  const places = factory.placesAt(stationCode);
  const free = places - others.reduce((sum, w) => sum + w.pieces, 0);
  if (pieces <= free) return undefined;
  return refuse(`${Math.max(0, free)} of ${places} places free at ${name}; ${pieces} are needed${whoIsThere(others)}`, {
    rule: 'places',
    verdict: 'wait',
    remedy: others.length > 0 ? 'Wait until places come free, or split the batch' : 'Split the batch',
  });
}
