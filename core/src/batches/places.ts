import {
  OnCarrier,
  placementsOf,
  PlacesTaken,
  placesFor,
  suits,
  type CarrierUse,
  type OthersOn,
  type Placement,
  type Placing,
} from '../carriers/index.ts';
import type { Factory } from '../factory/index.ts';
import { asked, NOT_ANSWERED, type Answers, type Asked, type Refused } from '../ledger/index.ts';
import { onward, operationOf, type PlaceNeed } from '../routing/index.ts';
import type { AtStep, SeenAtStep } from './commands/onBatch.ts';
import type { BatchEntry } from './decided.ts';

/** Where more carriers of a kind than these are full, naming what sits on them tells nobody anything. */
const NAMED_MOST = 4;

/** Who sits on the carriers that a step needs, where they are few. */
function onFitting(factory: Factory, need: PlaceNeed | undefined, modelId: string): Asked[] {
  const asks: Asked[] = [];
  for (const carrier of need ? factory.carriersInUse() : []) {
    if (!need || !suits(carrier, need, modelId)) continue;
    if (asks.length === NAMED_MOST) return [];
    asks.push(asked(OnCarrier, { carrierId: carrier.id }));
  }
  return asks;
}

/** What must be known of places: whether its route counts some, or it was told where to go; and who is where it may go now. */
export function placeAsks(told: readonly Placement[] | undefined, at: SeenAtStep): Asked[] {
  const { route, operation, batch, factory } = at;
  if (told === undefined && !route.operations.some((o) => o.place)) return [];
  const asks = [asked(PlacesTaken, {})];
  if (told) return [...asks, ...told.map(({ carrierId }) => asked(OnCarrier, { carrierId }))];
  for (const id of [operation.id, onward(route, operation, batch.component), operation.repeat?.backTo])
    if (id !== undefined) asks.push(...onFitting(factory, operationOf(route, id).place, batch.modelId));
  return asks;
}

/** Every carrier in use, and how full it is; none where nobody could say. */
export function carriersIn(factory: Factory, answers: Answers, own: readonly Placement[]): CarrierUse[] {
  const taken = answers.to(PlacesTaken, {});
  if (taken === NOT_ANSWERED) return [];
  return factory.carriersInUse().map((carrier) => ({
    carrier,
    taken: taken(carrier.id),
    own: own.find((p) => p.carrierId === carrier.id)?.pieces ?? 0,
  }));
}

/** Who else is on a carrier: asked where the carriers that fit are few, or one was named. */
export const othersIn =
  (answers: Answers, batchId: string | null): OthersOn =>
  (carrierId) => {
    const on = answers.to(OnCarrier, { carrierId });
    return on === NOT_ANSWERED ? [] : on.filter((p) => p.batchId !== batchId);
  };

/** Every carrier that a batch could be put on. */
export const carriersFor = ({ factory, answers, rows, batch }: AtStep): CarrierUse[] =>
  carriersIn(factory, answers, placementsOf(rows, batch.id));

/** The entry that puts a batch where it goes; none when it stays where it is. */
export function placed(
  at: AtStep,
  placing: Pick<Placing, 'need' | 'where' | 'told' | 'quantity'> & Partial<Pick<Placing, 'now' | 'takeOff'>>,
): Refused | { kind: 'accept'; entries: BatchEntry[] } {
  const { rows, batch } = at;
  const found = placesFor({
    modelId: batch.modelId,
    now: placementsOf(rows, batch.id).map(({ carrierId, pieces }) => ({ carrierId, pieces })),
    carriers: carriersFor(at),
    othersOn: othersIn(at.answers, batch.id),
    takeOff: false,
    ...placing,
  });
  if (found.kind === 'refuse') return found;
  return {
    kind: 'accept',
    entries: found.placements === null ? [] : [{ kind: 'batch.placed', payload: { placements: found.placements } }],
  };
}
