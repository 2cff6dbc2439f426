import { question, refuse, type Finding, type Refused } from '../ledger/index.ts';
import {
  allot,
  freePlaces,
  placedPieces,
  placingObjections,
  suits,
  whoIsThere,
  type CarrierKind,
  type CarrierUse,
  type OthersOn,
  type Placement,
} from './carrier.ts';

/** How many places are taken of a carrier, by its id. */
export const PlacesTaken = question<Record<string, never>, (carrierId: string) => number>('places taken');

/** What is to be put somewhere, and where it could go. */
export interface Placing {
  modelId: string;
  quantity: number;
  /** the places it must have; undefined where any carrier will do, or none */
  need: { kind: CarrierKind; outline?: boolean } | undefined;
  /** what the places are for, in words */
  where: string;
  /** where it is told to go; undefined leaves it to the carriers */
  told: readonly Placement[] | undefined;
  /** where it sits now */
  now: readonly Placement[];
  carriers: readonly CarrierUse[];
  othersOn?: OthersOn;
  /** it is taken off what it sits on, where nothing is needed */
  takeOff: boolean;
}

/** Where something goes: as told, where it is already, or on the carriers that fit best. @returns null when it stays where it is */
export function placesFor(placing: Placing): Refused | { kind: 'accept'; placements: readonly Placement[] | null } {
  const { need, told, now, quantity, carriers, where, modelId, othersOn = () => [] } = placing;
  const put = (placements: readonly Placement[]) =>
    ({ kind: 'accept', placements: JSON.stringify(placements) === JSON.stringify(now) ? null : placements }) as const;
  const fitting = need ? carriers.filter((u) => suits(u.carrier, need, modelId)) : carriers;
  const fits = ({ carrierId }: Placement) => fitting.some((u) => u.carrier.id === carrierId);
  if (told !== undefined) {
    const findings = placingObjections(told, quantity, carriers, modelId, othersOn);
    const object = (sentence: string) => findings.push({ rule: 'places', verdict: 'stop', sentence, field: 'placements' });
    const wrong = need && told.find((p) => !fits(p));
    if (wrong) object(`${where} needs a ${need.kind}; ${wrong.carrierId} is none for this model`);
    if (need && told.length === 0) object(`${where} needs a ${need.kind} for every piece`);
    return findings.length > 0 ? { kind: 'refuse', because: findings } : put(told);
  }
  if (!need) return placing.takeOff ? put([]) : { kind: 'accept', placements: null };
  if (now.length > 0 && now.every(fits) && placedPieces(now) === quantity) return { kind: 'accept', placements: null };
  const found = allot(quantity, fitting);
  if (found) return put(found);
  const free = fitting.reduce((sum, u) => sum + Math.max(0, freePlaces(u)), 0);
  const all = fitting.reduce((sum, u) => sum + u.carrier.places, 0);
  const there = whoIsThere(fitting.flatMap((u) => othersOn(u.carrier.id)));
  return refuse(`${free} of ${all} places free in a ${need.kind} for ${where.toLowerCase()}; ${quantity} are needed${there}`, {
    rule: 'places',
    verdict: 'wait',
    remedy: 'Wait until places come free, or split the batch',
  });
}

/** What speaks against putting a batch where a step that is being done does not let it sit. */
export function staysObjection(
  placements: readonly Placement[],
  need: { kind: CarrierKind },
  carriers: readonly CarrierUse[],
  where: string,
): Finding[] {
  const odd = placements.some((p) => carriers.find((u) => u.carrier.id === p.carrierId)?.carrier.kind !== need.kind);
  if (!odd && placements.length > 0) return [];
  return [{ rule: 'places', verdict: 'stop', sentence: `While at ${where} it stays in a ${need.kind}`, field: 'placements' }];
}
