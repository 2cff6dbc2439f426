import type { Piece } from '../batches/index.ts';
import type { Finding } from '../ledger/index.ts';
import type { Wipe } from '../routing/index.ts';
import { formatDuration, MINUTE_MS } from '../units/index.ts';
import { counted } from './words.ts';

/** Until when the faces of a piece take glue; null where they were not wiped. */
const holdsUntil = ({ wipedMs }: Pick<Piece, 'wipedMs'>, { minutes }: Wipe): number | null =>
  wipedMs === null ? null : wipedMs + minutes * MINUTE_MS;

/** How the wipe of what is to be glued stands. */
export interface WipeStanding {
  withWhat: string;
  minutes: number;
  /** pieces that have to be wiped, for the first time or again */
  due: number;
  /** when the first of the others has to be wiped again; null where there are none */
  untilMs: number | null;
}

/** How it stands with pieces that go into a rig. */
export function wipeStanding(wipe: Wipe, pieces: readonly Pick<Piece, 'wipedMs'>[], nowMs: number): WipeStanding {
  const untils = pieces.map((piece) => holdsUntil(piece, wipe));
  const fresh = untils.filter((untilMs) => untilMs !== null && untilMs >= nowMs);
  return {
    withWhat: wipe.withWhat,
    minutes: wipe.minutes,
    due: pieces.length - fresh.length,
    untilMs: fresh.length === 0 ? null : Math.min(...fresh.map(Number)),
  };
}

/** What speaks against gluing pieces: faces that were not wiped, or too long ago. */
export function wipeObjection(wipe: Wipe, pieces: readonly Pick<Piece, 'wipedMs'>[], nowMs: number): Finding | null {
  const { due, withWhat, minutes } = wipeStanding(wipe, pieces, nowMs);
  if (due === 0) return null;
  const never = pieces.filter((p) => p.wipedMs === null).length;
  const [oldest] = pieces.flatMap(({ wipedMs }) => wipedMs ?? []).sort((a, b) => a - b);
  const told = [
    ...(never === 0 ? [] : [`${counted(never)} not wiped with ${withWhat}`]),
    ...(due === never || oldest === undefined
      ? []
      : [`${counted(due - never)} wiped with ${withWhat} ${formatDuration(nowMs - oldest)} ago, which holds ${minutes} min`]),
  ];
  return { rule: 'wipe', verdict: 'stop', sentence: told.join('; '), remedy: 'Wipe the faces, say so, and put them in at once' };
}
