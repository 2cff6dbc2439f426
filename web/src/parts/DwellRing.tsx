import { formatDuration } from '@ample-crane/core';
import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';

/** A wait as a batch tells it. */
export type Wait = Pick<View<'BatchView'>, 'done' | 'untilMs' | 'verdict' | 'status' | 'findings'>;

const RADIUS = 11;
const TURN = 2 * Math.PI * RADIUS;

/** Whose clocks, once they run, stand in the cold as a cure does. */
const BY_WARMTH: readonly string[] = ['pressed', 'glueSet'];
/** Its clock stands still: somebody holds it, or the room is too cold for what has begun to cure or set. */
const stands = ({ status, findings }: Wait) =>
  status === 'held' ||
  findings.some(
    ({ rule, verdict, untilMs, done }) =>
      verdict === 'wait' &&
      untilMs === undefined &&
      (rule === 'equivalent' || (BY_WARMTH.includes(rule) && done !== undefined && done < 1)),
  );

/**
 * A ring for any wait: the share done, a tick when it may go, hatched while its clock stands. Where there is a longest
 * wait, the full turn is that, and a notch at its end marks it. `bare` leaves the middle free.
 */
export function DwellRing({ of: wait, size = 30, bare = false }: { of: Wait; size?: number; bare?: boolean }) {
  const { tokens } = useTheme();
  const { nowMs, clock } = useSession();
  const hatch = useId();
  const { verdict, untilMs, done } = wait;
  const paused = stands(wait);
  const maximum = Math.max(1, ...wait.findings.map((f) => f.maximum ?? 1));
  const colour = verdict === 'pass' ? tokens.ready : verdict === 'stop' ? tokens.stop : tokens.waiting;
  const share = verdict === 'pass' ? 1 : Math.max(0, Math.min(1, done ?? 0)) / maximum;
  const label =
    verdict === 'pass'
      ? 'can go now'
      : verdict === 'stop'
        ? 'stopped'
        : untilMs === null
          ? 'waits'
          : `free ${clock(untilMs)}, ${formatDuration(untilMs - nowMs)} left`;
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 30 30"
      role="img"
      aria-label={paused ? `clock paused, ${label}` : label}
      style={{ flexShrink: 0 }}
    >
      <defs>
        <pattern id={hatch} width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2" height="4" fill={tokens.rule} />
        </pattern>
      </defs>
      <circle cx="15" cy="15" r={RADIUS} fill={paused ? `url(#${hatch})` : 'none'} stroke={tokens.rule} strokeWidth="4" />
      <circle
        cx="15"
        cy="15"
        r={RADIUS}
        fill="none"
        stroke={colour}
        strokeWidth="4"
        strokeDasharray={`${share * TURN} ${TURN}`}
        transform="rotate(-90 15 15)"
      />
      {maximum > 1 && <path d="M15 0v9" stroke={tokens.ink} strokeWidth="2" />}
      {!bare && verdict === 'pass' && <path d="M10.500 15.200l3 3 6-6.400" fill="none" stroke={colour} strokeWidth="2.400" />}
      {!bare && verdict === 'stop' && <path d="M11.500 11.500l7 7m0-7l-7 7" stroke={colour} strokeWidth="2.400" />}
    </svg>
  );
}
