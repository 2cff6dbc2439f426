import type { Batch } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { isAttended, pathFrom, touchMinutes } from '../routing/index.ts';
import { HOUR_MS } from '../units/index.ts';

/** The work that a load brings to the bench it comes to next. */
export interface Brings {
  stationCode: string;
  pieces: number;
  minutes: number;
  /** so many of the bench's days, by the places it has and the hours of its day */
  days: number;
}

/**
 * What what is in a load brings to the first bench after it, station by station, the most days first.
 *
 * @param dayMs working time of an ordinary day
 */
export function bringsOf(load: readonly { batch: Batch; pieces: number }[], factory: Factory, dayMs: number): Brings[] {
  const byStation = new Map<string, { pieces: number; minutes: number }>();
  for (const { batch, pieces } of load) {
    const next = pathFrom(factory.routeOf(batch), batch.operationId).find((o) => o.id !== batch.operationId && isAttended(o));
    if (!next) continue;
    const known = byStation.get(next.stationCode) ?? { pieces: 0, minutes: 0 };
    byStation.set(next.stationCode, { pieces: known.pieces + pieces, minutes: known.minutes + touchMinutes(next, pieces) });
  }
  return [...byStation]
    .map(([stationCode, { pieces, minutes }]) => ({
      stationCode,
      pieces,
      minutes,
      days: (minutes * 60_000) / (factory.placesAt(stationCode) * Math.max(dayMs, HOUR_MS)),
    }))
    .sort((a, b) => b.days - a.days);
}
