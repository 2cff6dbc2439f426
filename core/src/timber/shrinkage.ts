import type { GrainDirection, Species } from './species.ts';

/**
 * How much a part changes across the grain between two moistures; negative is shrinking.
 *
 * @param dimensionMm size at the first moisture
 * @param coefficientPerPoint radial or tangential, per point of moisture
 * @throws RangeError outside 6–14 %, where the coefficient does not hold
 */
export function movementMm(dimensionMm: number, coefficientPerPoint: number, fromPct: number, toPct: number): number {
  for (const pct of [fromPct, toPct]) if (!(pct >= 6 && pct <= 14)) throw new RangeError(`The coefficient holds for 6–14 %, not ${pct} %`);
  return dimensionMm * coefficientPerPoint * (toPct - fromPct);
}

/** A joint or inlay that a change in size endangers, and how much it bears. */
export interface MovementLimit {
  id: string;
  name: string;
  /** how far it may grow or shrink before trouble, mm */
  limitMm: number;
  because: string;
}

/** Defaults a factory edits, with what goes wrong beyond them. */
export const MOVEMENT_LIMITS: readonly MovementLimit[] = [
  { id: 'pocket', name: 'Neck pocket or tenon', limitMm: 0.1, because: 'the joint goes loose or binds' },
  { id: 'inlay', name: 'Inlay', limitMm: 0.15, because: 'a line opens beside it, or it is pushed up' },
  { id: 'frets', name: 'Fret ends', limitMm: 0.2, because: 'fret ends stand out of a fingerboard that shrank' },
  { id: 'cross', name: 'Part glued across the grain', limitMm: 0.5, because: 'the glue line creeps, or the wider part splits' },
  { id: 'plate', name: 'Free plate, such as a top', limitMm: 2, because: 'the plate cups, sinks or cracks along its joint' },
];

export interface Movement {
  changeMm: number;
  fromPct: number;
  toPct: number;
  /** what that endangers */
  endangered: MovementLimit[];
}

/**
 * How a part moves between two moistures it is in equilibrium with, and what that endangers. The coefficients hold for
 * 6–14 %; drier or wetter air is taken as that edge, where wood moves no less.
 */
export function movement(
  species: Species,
  direction: GrainDirection,
  dimensionMm: number,
  fromPct: number,
  toPct: number,
  limits: readonly MovementLimit[] = MOVEMENT_LIMITS,
): Movement {
  const coefficient = species[direction];
  if (coefficient === null) throw new RangeError(`How far ${species.name} moves is not on record: Setup, Species`);
  const inside = (pct: number) => Math.min(14, Math.max(6, pct));
  const changeMm = movementMm(dimensionMm, coefficient, inside(fromPct), inside(toPct));
  return { changeMm, fromPct, toPct, endangered: limits.filter((l) => Math.abs(changeMm) > l.limitMm) };
}
