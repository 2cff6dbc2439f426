import { rowKind } from '../ledger/index.ts';
import type { SettingNoted } from './settings.ts';
import { partsOfJob } from './flowTallies.ts';

/** Pieces of one batch in a job, and while they were in it. */
export interface JobShare {
  batchId: string;
  visitId: string;
  operationId: string;
  pieceIds: readonly string[];
  fromMs: number;
  toMs: number | null;
}

/**
 * Work done on pieces by people at a station, without a break. A load of pieces of several batches is one job; pieces
 * that leave it before the others end their share of it.
 */
export interface Job {
  id: string;
  stationCode: string;
  /** the station while it goes on there, so that what goes on is found without what is over; null once it is over */
  openAt: string | null;
  /** which of the station's places it takes, from 1; null where nobody counted */
  bench: number | null;
  /** the way it is done, of those its step knows */
  wayId: string;
  personIds: readonly string[];
  /** what was noted when it began of how it is done: tools, pressures */
  settings: readonly SettingNoted[];
  fromMs: number;
  /** when the last pieces left it */
  toMs: number | null;
  shares: readonly JobShare[];
}
export const Job = rowKind<Job>('job', {
  key: 'id',
  by: ['openAt'],
  tally: { from: ['stationCode', 'fromMs', 'toMs'], of: partsOfJob },
});

/**
 * How much of a job's time counts for one share of it: at each moment the time belongs to the pieces that are in it, in
 * equal parts. So the shares of a job add up to it.
 *
 * @returns milliseconds; 0 for a share that goes on
 */
export function touchMsOf({ shares }: Pick<Job, 'shares'>, share: JobShare): number {
  const { fromMs, toMs } = share;
  if (toMs === null) return 0;
  if (shares.length === 1) return toMs - fromMs;
  const cuts = shares.flatMap((s) => [s.fromMs, s.toMs ?? toMs]).filter((ms) => ms > fromMs && ms < toMs);
  const edges = [...new Set([fromMs, ...cuts, toMs])].sort((a, b) => a - b);
  return edges.slice(1).reduce((sum, end, i) => {
    const begin = edges[i] ?? end;
    const present = shares.filter((s) => s.fromMs <= begin && (s.toMs ?? Infinity) >= end);
    const pieces = present.reduce((count, s) => count + s.pieceIds.length, 0);
    return sum + ((end - begin) * share.pieceIds.length) / pieces;
  }, 0);
}
