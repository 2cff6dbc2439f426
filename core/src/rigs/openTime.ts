import type { PieceInRig } from '../carriers/index.ts';
import type { Finding } from '../ledger/index.ts';
import { formatDuration, MINUTE_MS } from '../units/index.ts';

const mustCloseMs = ({ stay }: PieceInRig): number | null =>
  stay.closedMs !== null || stay.laws?.openMinutes === undefined ? null : stay.inMs + stay.laws.openMinutes * MINUTE_MS;

/** By when a rig must be closed over what lies in it, before the glue of the first skins over; null where nothing says so. */
export function closeBy(there: readonly PieceInRig[]): number | null {
  const times = there.flatMap((piece) => mustCloseMs(piece) ?? []);
  return times.length === 0 ? null : Math.min(...times);
}

/** What speaks against closing a rig over what has lain in it too long. */
export function openTooLong(there: readonly PieceInRig[], rigName: string, nowMs: number): Finding[] {
  const late = there.filter((piece) => (mustCloseMs(piece) ?? Infinity) < nowMs);
  const [first] = [...late].sort((a, b) => a.stay.inMs - b.stay.inMs);
  if (!first) return [];
  const lain = formatDuration(nowMs - first.stay.inMs);
  const open = formatDuration((first.stay.laws?.openMinutes ?? 0) * MINUTE_MS);
  return [
    {
      rule: 'glue',
      verdict: 'stop',
      sentence: `${late.length} of ${there.length} in ${rigName} with open glue, the first for ${lain}; it stays open ${open}`,
      remedy: 'Put them back, clean the faces and glue them again, or a lead closes it with a reason',
    },
  ];
}
