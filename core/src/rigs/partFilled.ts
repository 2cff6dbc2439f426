import { MINUTE_MS } from '../units/index.ts';

/** Pieces that will come to a rig. */
export interface Coming {
  batchId: string;
  pieces: number;
  atMs: number;
}

/** A load that is open and not full. */
export interface OpenLoad {
  pieces: number;
  places: number;
  /** how long it will be closed, and how long it takes to empty and fill it, in minutes */
  dwellMinutes: number;
  handsMinutes: number;
  /** by when it must be closed, before the glue in it skins over; null where nobody says */
  closeByMs: number | null;
}

/** Closing it at a time: who waits for how long because of that. */
export interface Closing {
  closeMs: number;
  /** what is in it by then */
  pieces: number;
  /** who comes by then, in that order; none where it is closed at once */
  waitsFor: readonly Coming[];
  /** how much longer what is in it is held than if it were closed at once, in hours of one piece */
  heldPieceHours: number;
  /** how long what comes too late waits until it is opened again, in hours of one piece */
  shutOutPieceHours: number;
  emptyPlaces: number;
}

const HOUR_MINUTES = 60;

/**
 * Whether a part-filled load is closed now or waits: closing at once, and after each who could still come in, by what it
 * makes pieces wait all in all.
 *
 * @param coming who comes, in any order
 * @returns every choice, the least waiting first; of equals the earliest
 */
export function closingsOf(load: OpenLoad, coming: readonly Coming[], nowMs: number): Closing[] {
  const order = [...coming].sort((a, b) => a.atMs - b.atMs);
  const room = load.places - load.pieces;
  const choices: Closing[] = [];
  // With nothing in it there is nothing to close over.
  for (let taken = load.pieces === 0 ? 1 : 0; taken <= order.length; taken++) {
    const waitsFor = order.slice(0, taken);
    const joining = waitsFor.reduce((sum, c) => sum + c.pieces, 0);
    if (joining > room) break;
    const closeMs = Math.max(nowMs, waitsFor.at(-1)?.atMs ?? nowMs);
    // The glue of what is in it waits for nobody.
    if (taken > 0 && load.closeByMs !== null && closeMs > load.closeByMs) break;
    const opensMs = closeMs + (load.dwellMinutes + load.handsMinutes) * MINUTE_MS;
    const hours = (ms: number) => ms / MINUTE_MS / HOUR_MINUTES;
    const held = [{ pieces: load.pieces, atMs: nowMs }, ...waitsFor].reduce(
      (sum, c) => sum + c.pieces * hours(Math.max(0, closeMs - Math.max(nowMs, c.atMs))),
      0,
    );
    const late = order.slice(taken).filter((c) => c.atMs < opensMs);
    choices.push({
      closeMs,
      pieces: load.pieces + joining,
      waitsFor,
      heldPieceHours: held,
      shutOutPieceHours: late.reduce((sum, c) => sum + c.pieces * hours(opensMs - Math.max(closeMs, c.atMs)), 0),
      emptyPlaces: room - joining,
    });
  }
  const waiting = (c: Closing) => c.heldPieceHours + c.shutOutPieceHours;
  return choices.sort((a, b) => waiting(a) - waiting(b) || a.closeMs - b.closeMs);
}
