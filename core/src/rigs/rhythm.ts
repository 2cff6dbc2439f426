import type { WorkingTime } from '../maths/index.ts';
import { MINUTE_MS } from '../units/index.ts';
import type { LoadIn } from './loadsIn.ts';

/** What whoever tends rigs has to know: what is free, when to come back, and what it costs not to. */
export interface Rhythm {
  /** pieces that may come out now, since when the first of them, and how much working time their places have lost under them */
  freePieces: number;
  freeSinceMs: number | null;
  idlePlaceMinutes: number;
  /** what comes free next */
  nextMs: number | null;
  /** when it is worth coming back: what follows closely on the next is taken along */
  returnMs: number | null;
  returnPieces: number;
  /** place-minutes of working time that stand idle more until an end, if nobody comes */
  lostPlaceMinutes: number;
}

/** What comes free so soon after another is fetched with it. */
export const FETCHED_ALONG_MS = 10 * MINUTE_MS;

/**
 * The rhythm of one person who tends what is under pressure.
 *
 * @param loads of every rig that they tend
 * @param untilMs when they go home: what is lost is reckoned to then
 * @param time nights and days off lose nothing
 */
export function rhythmOf(loads: readonly LoadIn[], nowMs: number, untilMs: number, time: Pick<WorkingTime, 'between'>): Rhythm {
  const told = loads.flatMap(({ pressed, pieces }) =>
    pressed === null || pressed.freeMs === null ? [] : [{ freeMs: pressed.freeMs, pieces: pieces.length, isFree: pressed.isOver }],
  );
  const free = told.filter((l) => l.isFree);
  const coming = told.filter((l) => !l.isFree).sort((a, b) => a.freeMs - b.freeMs);
  const [next] = coming;
  let returnMs = next?.freeMs ?? null;
  for (const { freeMs } of coming) if (returnMs !== null && freeMs <= returnMs + FETCHED_ALONG_MS) returnMs = Math.max(returnMs, freeMs);
  const idle = (of: typeof told, atMs: number) =>
    of.reduce((sum, l) => sum + (l.pieces * Math.max(0, time.between(l.freeMs, atMs))) / MINUTE_MS, 0);
  return {
    freePieces: free.reduce((sum, l) => sum + l.pieces, 0),
    freeSinceMs: free.length === 0 ? null : Math.min(...free.map((l) => l.freeMs)),
    idlePlaceMinutes: idle(free, nowMs),
    nextMs: next?.freeMs ?? null,
    returnMs,
    returnPieces: coming.reduce((sum, l) => sum + (returnMs !== null && l.freeMs <= returnMs ? l.pieces : 0), 0),
    lostPlaceMinutes: idle(told, Math.max(nowMs, untilMs)) - idle(free, nowMs),
  };
}
