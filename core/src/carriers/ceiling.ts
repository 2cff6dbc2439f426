const HOUR_MINUTES = 60;

/** What holds a rig or machine up: its own time, or the hands that fill it. */
export interface Ceiling {
  piecesAnHour: number;
  /** one round, in minutes: of every place, of the load, of all tables once */
  cycleMinutes: number;
  /** of that, how long the hands that fill it wait */
  handsWaitMinutes: number;
  /** of that, how long each spindle, or place, stands empty */
  idleMinutes: number;
}

/** A timer for each place: a rotating clamp rack, a carousel. */
export const EACH_PLACE = 'a timer for each place';
/** Closed under pressure, opened once: a stack press, a hose or vacuum table. */
export const TOGETHER = 'all places together';
/** Tables side by side, one of which is filled while the other runs. */
export const ONE_SPINDLE = 'tables under one spindle';
export const OWN_SPINDLES = 'tables with a spindle each';
export const CYCLES = [EACH_PLACE, TOGETHER, ONE_SPINDLE, OWN_SPINDLES] as const;
export type Cycle = (typeof CYCLES)[number];

export interface Rig {
  cycle: Cycle;
  /** places of a table, or of the whole rig where it has none */
  places: number;
  tables: number;
  /** how long a piece, or a load, is under pressure or runs */
  dwellMinutes: number;
  /** how long one person takes to empty and fill a place (a timer for each), or a table or the rig (all others) */
  handsMinutes: number;
}

/**
 * The most that a rig or a machine gives in an hour, with one person who fills it, and who waits for whom.
 *
 * @throws RangeError for places, tables or times that cannot be
 * @source worked by hand: six places of 30 min give 12 an hour; two tables of ten at 35 min, 12 min to fill: 17.1 an hour
 *   under one spindle, hands wait 23 of every 35 min; 25.5 with a spindle each, which waits 12 of 47 min
 */
export function ceilingOf({ cycle, places, tables, dwellMinutes, handsMinutes }: Rig): Ceiling {
  if (!Number.isInteger(places) || places < 1) throw new RangeError('A rig has one place at least');
  if (!Number.isInteger(tables) || tables < 1) throw new RangeError('There is one table at least');
  if (!(dwellMinutes > 0) || !(handsMinutes >= 0)) throw new RangeError('Times are above nothing');
  const round = (pieces: number, cycleMinutes: number, hands: number, running: number): Ceiling => ({
    piecesAnHour: (pieces * HOUR_MINUTES) / cycleMinutes,
    cycleMinutes,
    handsWaitMinutes: cycleMinutes - hands,
    idleMinutes: cycleMinutes - running,
  });
  switch (cycle) {
    case EACH_PLACE: {
      const all = places * handsMinutes;
      return round(places, Math.max(dwellMinutes + handsMinutes, all), all, dwellMinutes);
    }
    case TOGETHER:
      return round(places, dwellMinutes + handsMinutes, handsMinutes, dwellMinutes);
    case ONE_SPINDLE: {
      const cycleMinutes = tables === 1 ? dwellMinutes + handsMinutes : Math.max(dwellMinutes, handsMinutes);
      return round(places, cycleMinutes, handsMinutes, dwellMinutes);
    }
    case OWN_SPINDLES: {
      const all = tables * handsMinutes;
      return round(places * tables, Math.max(dwellMinutes + handsMinutes, all), all, dwellMinutes);
    }
  }
}
