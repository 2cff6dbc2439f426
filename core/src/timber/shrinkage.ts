import { FIBRE_SATURATION_PCT } from './meter.ts';
import type { GrainDirection, Species } from './species.ts';

/** The moistures between which coefficients were measured, percent. */
export const COEFFICIENTS_HOLD = { low: 6, high: 14 } as const;

/**
 * How much a part changes across the grain between two moistures; negative is shrinking.
 *
 * @param dimensionMm size at the first moisture
 * @param coefficientPerPoint radial or tangential, per point of moisture
 * @throws RangeError below 0 % and above fibre saturation, where wood no longer moves
 */
export function movementMm(dimensionMm: number, coefficientPerPoint: number, fromPct: number, toPct: number): number {
  for (const pct of [fromPct, toPct])
    if (!(pct >= 0 && pct <= FIBRE_SATURATION_PCT))
      throw new RangeError(`Wood moves between 0 and ${FIBRE_SATURATION_PCT} %, not at ${pct} %`);
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
  /** how far it may be more or less: boards of one species differ */
  giveOrTakeMm: number;
  /** points of moisture that lie outside what the coefficients were measured for */
  beyondPct: number;
  fromPct: number;
  toPct: number;
  /** what that endangers */
  endangered: MovementLimit[];
}

/** Boards of a species differ by so much of their movement. Source: Wood Handbook ch. 4, coefficient of variation of shrinkage about 15 %. */
const SCATTER = 0.15;
/** Beyond 6 to 14 % nobody measured: there it goes on in a straight line, and is twice as unsure. */
const SCATTER_BEYOND = 0.3;

/**
 * How a part moves between two moistures it is in equilibrium with, and what that endangers. Outside 6 to 14 % it goes on
 * linearly, with a wider interval, and says so.
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
  const changeMm = movementMm(dimensionMm, coefficient, fromPct, toPct);
  const inside = (pct: number) => Math.min(COEFFICIENTS_HOLD.high, Math.max(COEFFICIENTS_HOLD.low, pct));
  const insideMm = Math.abs(movementMm(dimensionMm, coefficient, inside(fromPct), inside(toPct)));
  return {
    changeMm,
    giveOrTakeMm: SCATTER * insideMm + SCATTER_BEYOND * (Math.abs(changeMm) - insideMm),
    beyondPct: Math.abs(fromPct - inside(fromPct)) + Math.abs(toPct - inside(toPct)),
    fromPct,
    toPct,
    endangered: limits.filter((l) => Math.abs(changeMm) > l.limitMm),
  };
}
