import type { Finding } from '../ledger/index.ts';
import type { RigOf } from './rig.ts';

export const CARRIER_KINDS = [
  'rack',
  'table',
  'press',
  'carousel',
  'mould',
  'form',
  'rig',
  'freezer shelf',
  'cart',
  'clamp rack',
  'clip rack',
  'hose table',
  'vacuum table',
  'brace press',
  'bending press',
] as const;
/** What batches sit on or in. Their places are counted, and cap the work in progress. */
export type CarrierKind = (typeof CARRIER_KINDS)[number];

export interface Carrier {
  id: string;
  name: string;
  kind: CarrierKind;
  places: number;
  zoneId: string;
  /** the model it is made for; null where any fits */
  outline: string | null;
  /** where pieces are under pressure in it until its time is over; null where they only sit there */
  rig: RigOf | null;
}

/** So many pieces of a batch on a carrier. */
export interface Placement {
  carrierId: string;
  pieces: number;
}

/** So many pieces of a batch somewhere. */
export interface PiecesOf {
  batchId: string;
  pieces: number;
}

/** Batches that are somewhere, in words that follow a count: ": B12 (8), B15 (4) are there". */
export function whoIsThere(there: readonly PiecesOf[]): string {
  const sums = new Map<string, number>();
  for (const { batchId, pieces } of there) sums.set(batchId, (sums.get(batchId) ?? 0) + pieces);
  const named = [...sums].map(([batchId, pieces]) => `${batchId} (${pieces})`);
  return named.length === 0 ? '' : `: ${named.join(', ')} ${named.length === 1 ? 'is' : 'are'} there`;
}

/** Who else is on a carrier, as far as anybody said. */
export type OthersOn = (carrierId: string) => readonly PiecesOf[];

/** A carrier and how many of its places are taken, and by how many pieces of the batch in question. */
export interface CarrierUse {
  carrier: Carrier;
  taken: number;
  /** of these, by the batch that is judged */
  own: number;
}

export const freePlaces = ({ carrier, taken, own }: CarrierUse): number => carrier.places - taken + own;

export const placedPieces = (placements: readonly Placement[]): number => placements.reduce((sum, p) => sum + p.pieces, 0);

/** Whether pieces of a model can go on a carrier for a step that asks for such a kind. */
export const suits = (carrier: Carrier, need: { kind: CarrierKind; outline?: boolean }, modelId: string): boolean =>
  carrier.kind === need.kind && (carrier.outline === null ? need.outline !== true : carrier.outline === modelId);

/**
 * Places for so many pieces: where they already sit first, then the carriers with the fewest free places that hold them
 * all, so that large gaps stay whole.
 *
 * @returns undefined when there are not enough free places
 */
export function allot(pieces: number, uses: readonly CarrierUse[]): Placement[] | undefined {
  const order = [...uses].sort(
    (a, b) =>
      Number(b.own > 0) - Number(a.own > 0) ||
      Number(freePlaces(b) >= pieces) - Number(freePlaces(a) >= pieces) ||
      (freePlaces(a) >= pieces ? freePlaces(a) - freePlaces(b) : freePlaces(b) - freePlaces(a)) ||
      a.carrier.id.localeCompare(b.carrier.id),
  );
  const placements: Placement[] = [];
  let left = pieces;
  for (const use of order) {
    const here = Math.min(left, freePlaces(use));
    if (here > 0) placements.push({ carrierId: use.carrier.id, pieces: here });
    left -= here;
    if (left === 0) return placements;
  }
  return left === 0 ? placements : undefined;
}

/** Takes pieces off, from the last carrier first. @returns what stays and what went, carrier by carrier */
export function takeOff(placements: readonly Placement[], pieces: number): { stay: Placement[]; went: Placement[] } {
  const stay: Placement[] = [];
  const went: Placement[] = [];
  let left = pieces;
  for (const p of [...placements].reverse()) {
    const off = Math.min(left, p.pieces);
    left -= off;
    if (off > 0) went.unshift({ carrierId: p.carrierId, pieces: off });
    if (p.pieces > off) stay.unshift({ carrierId: p.carrierId, pieces: p.pieces - off });
  }
  return { stay, went };
}

/** What speaks against putting a batch on carriers. */
export function placingObjections(
  placements: readonly Placement[],
  quantity: number,
  uses: readonly CarrierUse[],
  modelId: string,
  othersOn: OthersOn = () => [],
): Finding[] {
  const objection = (sentence: string, remedy?: string): Finding => ({
    rule: 'places',
    verdict: 'stop',
    sentence,
    field: 'placements',
    ...(remedy === undefined ? {} : { remedy }),
  });
  const findings: Finding[] = [];
  if (new Set(placements.map((p) => p.carrierId)).size !== placements.length) findings.push(objection('A carrier is named twice'));
  for (const { carrierId, pieces } of placements) {
    const use = uses.find((u) => u.carrier.id === carrierId);
    if (!use) findings.push(objection(`There is no carrier ${carrierId}`));
    else if (!Number.isInteger(pieces) || pieces < 1) findings.push(objection(`${pieces} is not a count of pieces`));
    else if (use.carrier.outline !== null && use.carrier.outline !== modelId)
      findings.push(objection(`${use.carrier.name} is made for another outline`));
    else if (pieces > freePlaces(use))
      findings.push(
        objection(
          `${use.carrier.name} has ${Math.max(0, freePlaces(use))} of ${use.carrier.places} places free; ${pieces} are needed${whoIsThere(othersOn(carrierId))}`,
          'Choose another carrier as well, or split the batch',
        ),
      );
  }
  const placed = placedPieces(placements);
  if (placements.length > 0 && placed !== quantity)
    findings.push(objection(`${placed} pieces are placed; the batch has ${quantity}`, 'Say where every piece sits'));
  return findings;
}
