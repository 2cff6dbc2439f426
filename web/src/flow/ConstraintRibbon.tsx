import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';

const SHOWN = 5;
const ROW = 22;
const WIDTH = 900;

/** Why the ribbon and the answer may name two stations. */
const OTHER_QUESTION =
  'Two questions, two answers: here, which station worked longest without a pause; above, where the work that came in and what waits are most against the hours there are.';

/** The shifting constraint: one row a station, drawn where it had the longest unbroken active period of all. */
export function ConstraintRibbon({ flow }: { flow: View<'FlowView'> }) {
  const { tokens } = useTheme();
  const { date } = useSession();
  const held = new Map<string, number>();
  for (const s of flow.spans) held.set(s.stationName, (held.get(s.stationName) ?? 0) + s.toMs - s.fromMs);
  const total = [...held.values()].reduce((a, b) => a + b, 0);
  const rows = [...held].sort((a, b) => b[1] - a[1]).slice(0, SHOWN);
  if (rows.length === 0)
    return <Typography color="text.secondary">No station was at full work for as long as half an hour in this window.</Typography>;
  const x = (ms: number) => ((ms - flow.fromMs) / (flow.toMs - flow.fromMs)) * WIDTH;
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'auto minmax(0, 1fr)', columnGap: 2, alignItems: 'center' }}>
      {rows.map(([name, ms]) => (
        <Box key={name} sx={{ display: 'contents' }}>
          <Typography variant="body2" noWrap>
            {name} <Figure>{Math.round((ms / total) * 100)} %</Figure>
          </Typography>
          <svg
            viewBox={`0 0 ${WIDTH} ${ROW}`}
            width="100%"
            height={ROW}
            preserveAspectRatio="none"
            role="img"
            aria-label={`${name} was the constraint ${Math.round((ms / total) * 100)} % of the time`}
          >
            <line x1={0} x2={WIDTH} y1={ROW / 2} y2={ROW / 2} stroke={tokens.rule} />
            {flow.spans
              .filter((s) => s.stationName === name)
              .map((s) => (
                <rect
                  key={s.fromMs}
                  x={x(s.fromMs)}
                  width={Math.max(1, x(s.toMs) - x(s.fromMs))}
                  y={4}
                  height={ROW - 8}
                  fill={name === flow.limit.stationName ? tokens.attention : tokens.waiting}
                />
              ))}
          </svg>
        </Box>
      ))}
      <span />
      <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <Typography variant="caption" color="text.secondary">
          {date(flow.fromMs)}
        </Typography>
        <Typography variant="caption" color="text.secondary">
          {date(flow.toMs)}
        </Typography>
      </Box>
      {rows[0]?.[0] !== flow.limit.stationName && (
        <Typography variant="body2" color="text.secondary" sx={{ gridColumn: '1 / -1', mt: 1 }}>
          {OTHER_QUESTION}
        </Typography>
      )}
    </Box>
  );
}
