import { formatDuration } from '@ample-crane/core';
import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import { useSession } from '../app/session.tsx';

interface Props {
  /** share done, 0…1 */
  done: number | null;
  untilMs: number | null;
  verdict: 'pass' | 'wait' | 'stop';
  /** its clock stands still: held, or too cold */
  paused?: boolean;
  size?: number;
}

/** A ring for any wait: share done, a tick when it may go, hatched while its clock stands. */
export function DwellRing({ done, untilMs, verdict, paused = false, size = 30 }: Props) {
  const { tokens } = useTheme();
  const { nowMs, clock } = useSession();
  const hatch = useId();
  const colour = verdict === 'pass' ? tokens.ready : verdict === 'stop' ? tokens.stop : tokens.waiting;
  const share = verdict === 'pass' ? 1 : Math.max(0, Math.min(1, done ?? 0));
  const r = 11;
  const length = 2 * Math.PI * r;
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
      <circle cx="15" cy="15" r={r} fill={paused ? `url(#${hatch})` : 'none'} stroke={tokens.rule} strokeWidth="4" />
      <circle
        cx="15"
        cy="15"
        r={r}
        fill="none"
        stroke={colour}
        strokeWidth="4"
        strokeDasharray={`${share * length} ${length}`}
        transform="rotate(-90 15 15)"
      />
      {verdict === 'pass' && <path d="M10.500 15.200l3 3 6-6.400" fill="none" stroke={colour} strokeWidth="2.400" />}
      {verdict === 'stop' && <path d="M11.500 11.500l7 7m0-7l-7 7" stroke={colour} strokeWidth="2.400" />}
    </svg>
  );
}
