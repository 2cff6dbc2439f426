import { formatDuration, type Finding as FindingData } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { useSession, useTell } from '../ground/session.tsx';

export type Severity = 'ready' | 'waiting' | 'attention' | 'stop';

export const severityOf = (finding: Pick<FindingData, 'verdict'>): Severity =>
  finding.verdict === 'pass' ? 'ready' : finding.verdict === 'wait' ? 'waiting' : 'stop';

const WORDS: Record<Severity, string> = { ready: 'ready', waiting: 'wait', attention: 'look', stop: 'stop' };

/** A state's own shape, so that it needs no colour: tick, hourglass, diamond, octagon. */
export function SeverityMark({ severity, size = 20 }: { severity: Severity; size?: number }) {
  const { tokens } = useTheme();
  const fill = tokens[severity];
  const line = { stroke: tokens.raised, strokeWidth: 2, fill: 'none' };
  return (
    <svg width={size} height={size} viewBox="0 0 20 20" role="img" aria-label={WORDS[severity]} style={{ flexShrink: 0 }}>
      {severity === 'ready' && (
        <>
          <circle cx="10" cy="10" r="8.500" fill={fill} />
          <path d="M6 10.200l2.800 2.800 5.200-5.600" {...line} />
        </>
      )}
      {severity === 'waiting' && (
        <>
          <path d="M4 2h12v2.500L11.500 10l4.500 5.500V18H4v-2.500L8.500 10 4 4.500z" fill={fill} />
        </>
      )}
      {severity === 'attention' && (
        <>
          <path d="M10 1l9 9-9 9-9-9z" fill={fill} />
          <path d="M10 5.500v5.500m0 2v2" {...line} />
        </>
      )}
      {severity === 'stop' && (
        <>
          <path d="M6.500 1.500h7l5 5v7l-5 5h-7l-5-5v-7z" fill={fill} />
          <path d="M5.500 10h9" {...line} strokeWidth={2.6} />
        </>
      )}
    </svg>
  );
}

interface Props {
  severity: Severity;
  sentence: ReactNode;
  /** earliest time it can pass */
  untilMs?: number | undefined;
  forecast?: boolean;
  remedy?: string | undefined;
  action?: ReactNode;
}

/** Shape, sentence, what to do, and the act beside it. */
export function Finding({ severity, sentence, untilMs, forecast = false, remedy, action }: Props) {
  const { nowMs, clock } = useSession();
  const tell = useTell();
  return (
    <Box sx={{ display: 'flex', alignItems: 'flex-start', gap: 1.25, py: 0.75 }}>
      <Box sx={{ pt: 0.1 }}>
        <SeverityMark severity={severity} />
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography component="div">
          {typeof sentence === 'string' ? tell(sentence) : sentence}
          {untilMs !== undefined && untilMs > nowMs && (
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {' '}
              · {forecast ? 'expected free' : 'free'} {clock(untilMs)} · {formatDuration(untilMs - nowMs)}
            </Box>
          )}
        </Typography>
        {remedy && (
          <Typography variant="body2" color="text.secondary">
            {tell(remedy)}
          </Typography>
        )}
      </Box>
      {action}
    </Box>
  );
}

/** The findings of a gate, worst first. */
export function FindingList({ findings }: { findings: readonly FindingData[] }) {
  const order = { stop: 0, wait: 1, pass: 2 };
  return (
    <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {[...findings]
        .sort((a, b) => order[a.verdict] - order[b.verdict])
        .map((finding, i) => (
          <li key={i}>
            <Finding
              severity={severityOf(finding)}
              sentence={finding.sentence}
              untilMs={finding.untilMs}
              forecast={finding.sure === 'forecast'}
              remedy={finding.remedy}
            />
          </li>
        ))}
    </Box>
  );
}
