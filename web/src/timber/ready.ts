import { DAY_MS } from '@ample-crane/core';
import type { View } from '../ground/api.ts';

type Ready = View<'ReadyView'>;

const days = (ms: number, nowMs: number) => Math.max(0, Math.ceil((ms - nowMs) / DAY_MS));

/** "12 d (8–19)", "in band", "not in this room": when a lot's mean enters its band, with the edges of an 80 % interval. */
export function readyWords({ kind, earlyMs, likelyMs, lateMs }: Ready, nowMs: number): string {
  if (kind === 'too early to tell') return 'too early to tell: it needs three sessions';
  if (kind !== 'on its way' || likelyMs === null) return kind === 'on its way' ? 'in more than 3 years' : kind;
  const early = earlyMs === null ? '?' : days(earlyMs, nowMs);
  const late = lateMs === null ? '…' : days(lateMs, nowMs);
  return `${days(likelyMs, nowMs)} d (${early}–${late})`;
}

/** What the rate rests on. */
export const BASIS_WORDS: Readonly<Record<Ready['basis'], string>> = {
  prior: 'by what is usual for its species and thickness, until it has a second session',
  blended: 'by its sessions, leaning on what is usual for its species and thickness',
  measured: 'by its own sessions',
};
