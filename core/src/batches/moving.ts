import { placementsOf, takeOff, type Placement } from '../carriers/index.ts';
import { refuse, type Asked, type Decision } from '../ledger/index.ts';
import { onward, operationOf, roundAt, roundOrOn, type Operation, type Override } from '../routing/index.ts';
import type { Batch } from './batch.ts';
import type { AtStep, SeenAtStep } from './commands/onBatch.ts';
import { accept, type BatchEntry } from './decided.ts';
import { placeAsks, placed } from './places.ts';
import { fullObjection, waitAsks } from './waiting.ts';

/** Whether a batch leaves by itself the moment its work is done: no gate to pass, nobody to ask. */
export const movesByItself = (batch: Batch, operation: Operation): boolean =>
  operation.gate.length === 0 && operation.repeat?.kind !== 'until accepted' && batch.status !== 'done';

/** What must be known before a batch moves on. */
export const moveAsks = (told: readonly Placement[] | undefined, at: SeenAtStep): Asked[] => [...placeAsks(told, at), ...waitAsks(at)];

interface Going {
  again: boolean;
  override: Override | null;
  told?: readonly Placement[] | undefined;
  /** how many go; all of them where nothing is said */
  quantity?: number;
  /** where they sit, where that is no longer what the rows say */
  now?: readonly Placement[];
}

/** The entries that take a batch to where it goes next, places included; refuses when there is none free. */
export function moveTo(at: AtStep, { again, override, told, quantity = at.live.length, now }: Going): Decision<BatchEntry> {
  const { batch, operation, route } = at;
  const to = again ? operation.repeat?.backTo : onward(route, operation, batch.component);
  if (to === undefined) return refuse(`${operation.name} is the last step`);
  const next = operationOf(route, to);
  const full = fullObjection(next, { batchId: batch.id, pieces: quantity }, at.factory, at.answers);
  if (full) return full;
  // Work that takes its places when it is begun may start from where the batch sits.
  const keeps = next.place?.kind === operation.place?.kind;
  const placing = placed(at, {
    need: next.kind === 'work' ? undefined : next.place,
    where: next.name,
    told,
    quantity,
    takeOff: (operation.place !== undefined || operation.noWait === true) && !keeps,
    ...(now ? { now } : {}),
  });
  if (placing.kind === 'refuse') return placing;
  const round = operation.repeat ? { round: roundAt(operation, batch.rounds), again } : {};
  return accept(...placing.entries, { kind: 'batch.moved', payload: { from: operation.id, to, override, ...round } });
}

/** Work that has no gate goes on at once, unless there is no place for it yet: then it waits to be moved. */
export function goesOn(at: AtStep, quantity: number, now: readonly Placement[]): BatchEntry[] {
  const { batch, operation, route } = at;
  if (!movesByItself(batch, operation) || onward(route, operation, batch.component) === undefined) return [];
  const way = roundOrOn(operation, batch.rounds, undefined);
  if (way.kind === 'refuse') return [];
  const moved = moveTo(at, { again: way.again, override: null, quantity, now });
  return moved.kind === 'accept' ? moved.entries : [];
}

/** Where a batch sits once some of its pieces are gone. */
export const placesWithout = ({ rows, batch }: AtStep, pieces: number): Placement[] => takeOff(placementsOf(rows, batch.id), pieces).stay;
