import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { MONO } from '../ground/theme.ts';

interface Props {
  visits: readonly View<'VisitView'>[];
  forecast: readonly View<'ForecastView'>[];
}

const STEP_WIDTH = 118;

/** The route as one line: behind solid with actual times, the present marked, ahead dashed with the earliest times. */
export function RouteLine({ visits, forecast }: Props) {
  const { tokens } = useTheme();
  const { clock } = useSession();
  const behind = visits.filter((v) => v.leftMs !== null);
  const steps = [
    ...behind.map((v) => ({
      key: `${v.operationId}/${v.pass}`,
      name: v.pass > 1 ? `${v.operationName}, pass ${v.pass}` : v.operationName,
      time: v.leftMs,
      when: 'behind' as const,
      merge: false,
    })),
    ...forecast.map((f, i) => ({
      key: `${f.operationId}/${i}`,
      name: f.operationName,
      time: f.leaveMs,
      when: i === 0 ? ('now' as const) : ('ahead' as const),
      merge: f.kind === 'fit' || f.kind === 'join' || f.kind === 'refit',
    })),
  ];
  return (
    <Box sx={{ overflowX: 'auto', pb: 1 }} tabIndex={0} role="region" aria-label="Route">
      <Box component="ol" sx={{ display: 'flex', listStyle: 'none', m: 0, p: 0, width: 'max-content' }}>
        {steps.map((step, i) => (
          <Box
            component="li"
            key={step.key}
            aria-current={step.when === 'now' ? 'step' : undefined}
            sx={{ width: STEP_WIDTH, pr: 1 }}
            ref={
              step.when === 'now'
                ? (element: HTMLElement | null) => element?.scrollIntoView({ block: 'nearest', inline: 'center' })
                : undefined
            }
          >
            <svg width={STEP_WIDTH} height={24} aria-hidden>
              {i < steps.length - 1 && (
                <line
                  x1={10}
                  x2={STEP_WIDTH + 10}
                  y1={12}
                  y2={12}
                  stroke={step.when === 'behind' ? tokens.ink : tokens.waiting}
                  strokeWidth={2}
                  strokeDasharray={step.when === 'behind' ? undefined : '4 4'}
                />
              )}
              {step.merge && <path d="M0 0L10 12" stroke={tokens.neck} strokeWidth={2} />}
              {step.when === 'now' ? (
                <path d="M10 3l9 9-9 9-9-9z" fill={tokens.neck} />
              ) : (
                <circle
                  cx={10}
                  cy={12}
                  r={6}
                  fill={step.when === 'behind' ? tokens.ink : tokens.raised}
                  stroke={step.when === 'behind' ? tokens.ink : tokens.waiting}
                  strokeWidth={2}
                />
              )}
            </svg>
            <Typography sx={{ fontSize: 13, lineHeight: 1.25, fontWeight: step.when === 'now' ? 700 : 400 }}>{step.name}</Typography>
            <Typography sx={{ fontSize: 12, fontFamily: MONO, color: 'text.secondary' }}>
              {step.time === null ? '' : step.when === 'behind' ? clock(step.time) : `≥ ${clock(step.time)}`}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
