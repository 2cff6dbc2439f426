import { formatDuration } from '../units/index.ts';
import { CLOCK_OUT_MS, KINDS, type DeviceKind } from './kinds.ts';

/** What is known of a device. */
export interface DeviceSeen {
  kind: DeviceKind;
  active: boolean;
  /** whether the broker has it on the line */
  connected: boolean;
  /** when its last message came; null where none has */
  heardMs: number | null;
  aheadMs: number | null;
}

/** put away: not heard by decision · never: nothing has come · silent: a word is overdue · off: not on the line · on */
export type DeviceStanding = 'put away' | 'never' | 'silent' | 'off' | 'on';

/** How a device stands now. What speaks by itself is judged by its words, not by its line. */
export function standingOf({ kind, active, connected, heardMs }: DeviceSeen, nowMs: number): DeviceStanding {
  const { silentAfterMs } = KINDS[kind];
  if (!active) return 'put away';
  if (silentAfterMs !== null && heardMs !== null && nowMs - heardMs > silentAfterMs) return 'silent';
  if (!connected) return heardMs === null ? 'never' : 'off';
  return silentAfterMs !== null && heardMs === null ? 'never' : 'on';
}

/** What somebody should look into, in sentences. */
export function deviceTroubles(seen: DeviceSeen, nowMs: number): string[] {
  const { heardMs, aheadMs } = seen;
  const standing = standingOf(seen, nowMs);
  if (standing === 'put away') return [];
  return [
    ...(standing === 'silent' && heardMs !== null ? [`silent for ${formatDuration(nowMs - heardMs)}`] : []),
    ...(standing === 'off' && KINDS[seen.kind].silentAfterMs !== null ? ['not on the line'] : []),
    ...(aheadMs !== null && Math.abs(aheadMs) > CLOCK_OUT_MS
      ? [`its clock is ${formatDuration(Math.abs(aheadMs))} ${aheadMs > 0 ? 'ahead' : 'behind'}`]
      : []),
  ];
}
