import { placementsOf, PlacesTaken, placesFor, type CarrierUse, type Placement, type Placing } from '../carriers/index.ts';
import type { Factory } from '../factory/index.ts';
import { asked, NOT_ANSWERED, type Answers, type Asked, type Refused } from '../ledger/index.ts';
import type { AtStep, SeenAtStep } from './commands/onBatch.ts';
import type { BatchEntry } from './decided.ts';

/** Whether places come into an act on a batch: its route counts some, or it was told where to go. */
export const placeAsks = (told: readonly Placement[] | undefined, { route }: Pick<SeenAtStep, 'route'>): Asked[] =>
  told !== undefined || route.operations.some((o) => o.place) ? [asked(PlacesTaken, {})] : [];

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
    takeOff: false,
    ...placing,
  });
  if (found.kind === 'refuse') return found;
  return {
    kind: 'accept',
    entries: found.placements === null ? [] : [{ kind: 'batch.placed', payload: { placements: found.placements } }],
  };
}
