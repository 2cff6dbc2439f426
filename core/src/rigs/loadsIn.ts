import { pressedFor, type PieceInRig, type Pressed } from '../carriers/index.ts';
import type { TemperatureSample } from '../climate/index.ts';

/** What went into a rig together, or sits in one of its places. */
export interface LoadIn {
  loadId: string;
  /** null where the rig is closed over all of it */
  place: number | null;
  pieces: readonly PieceInRig[];
  /** when the first of it went in */
  fromMs: number;
  /** null while it is open */
  closedMs: number | null;
  /** how far it has come; null while it is open */
  pressed: Pressed | null;
}

/** What is in a rig, load by load, in the order of its places. */
export function loadsIn(there: readonly PieceInRig[], nowMs: number, temperatures: readonly TemperatureSample[]): LoadIn[] {
  const byLoad = new Map<string, PieceInRig[]>();
  for (const piece of there) byLoad.set(piece.stay.loadId, [...(byLoad.get(piece.stay.loadId) ?? []), piece]);
  return [...byLoad]
    .map(([loadId, pieces]): LoadIn => {
      const closedMs = pieces[0]?.stay.closedMs ?? null;
      return {
        loadId,
        place: pieces[0]?.stay.place ?? null,
        pieces,
        fromMs: Math.min(...pieces.map((p) => p.stay.inMs)),
        closedMs,
        pressed: closedMs === null ? null : pressedFor(pieces[0]?.stay.laws?.out ?? [], closedMs, nowMs, temperatures),
      };
    })
    .sort((a, b) => (a.place ?? 0) - (b.place ?? 0) || a.fromMs - b.fromMs);
}
