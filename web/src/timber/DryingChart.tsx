import { approach, DAY_MS } from '@ample-crane/core';
import { Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import dayjs from 'dayjs';
import {
  CartesianGrid,
  ErrorBar,
  Line,
  ComposedChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { View } from '../app/api.ts';
import { useSession } from '../app/session.tsx';

const AHEAD_DAYS = 60;
const STEP_DAYS = 3;

/** Session means with their spread, the band, the room's EMC, and where the prior says it goes. */
export default function DryingChart({ card }: { card: View<'LotCardView'> }) {
  const { tokens } = useTheme();
  const { nowMs } = useSession();
  const { lot, sessions, roomEmcPct, ratePerDay } = card;
  if (sessions.length === 0) return <Typography color="text.secondary">The curve begins with the first session.</Typography>;
  const measured = sessions.map((s) => ({ atMs: s.atMs, meanPct: s.meanPct, half: s.spreadPct / 2 }));
  const last = sessions.at(-1);
  const forecast =
    lot.state === 'drying' && last
      ? Array.from({ length: AHEAD_DAYS / STEP_DAYS + 1 }, (_, i) => ({
          atMs: last.atMs + i * STEP_DAYS * DAY_MS,
          forecastPct: approach(last.meanPct, roomEmcPct, ratePerDay, i * STEP_DAYS),
        }))
      : [];
  const values = [
    ...measured.map((m) => m.meanPct + m.half),
    ...measured.map((m) => m.meanPct - m.half),
    lot.band.low,
    lot.band.high,
    roomEmcPct,
  ];
  const domain: [number, number] = [Math.floor(Math.min(...values) - 0.5), Math.ceil(Math.max(...values) + 0.5)];
  return (
    <figure
      style={{ margin: 0 }}
      aria-label={`Drying of lot ${lot.id}: ${sessions.length} sessions, latest mean ${last?.meanPct.toFixed(1)} %, room EMC ${roomEmcPct.toFixed(1)} %`}
    >
      <ResponsiveContainer width="100%" height={270}>
        <ComposedChart margin={{ top: 8, right: 12, bottom: 4, left: -8 }}>
          <CartesianGrid stroke={tokens.rule} vertical={false} />
          <XAxis
            dataKey="atMs"
            type="number"
            domain={['dataMin', 'dataMax']}
            tickFormatter={(ms: number) => dayjs(ms).format('D MMM')}
            stroke={tokens.quiet}
            fontSize={12}
          />
          <YAxis
            domain={domain}
            unit=" %"
            stroke={tokens.quiet}
            fontSize={12}
            ticks={Array.from({ length: domain[1] - domain[0] + 1 }, (_, i) => domain[0] + i)}
          />
          <Tooltip
            labelFormatter={(ms) => dayjs(Number(ms)).format('D MMM YYYY')}
            formatter={(value) => `${Number(value).toFixed(1)} %`}
            contentStyle={{ background: tokens.raised, border: `1px solid ${tokens.rule}` }}
          />
          <ReferenceArea y1={lot.band.low} y2={lot.band.high} fill={tokens.ready} fillOpacity={0.14} />
          <ReferenceLine
            y={roomEmcPct}
            stroke={tokens.neck}
            strokeDasharray="6 3"
            label={{
              value: `room EMC ${roomEmcPct.toFixed(1)} %`,
              position: 'insideBottomRight',
              fill: tokens.neck,
              fontSize: 12,
            }}
          />
          {lot.state === 'drying' && (
            <ReferenceLine
              x={nowMs}
              stroke={tokens.quiet}
              label={{ value: 'now', position: 'insideTop', fill: tokens.quiet, fontSize: 12 }}
            />
          )}
          <Line
            data={forecast}
            dataKey="forecastPct"
            name="by the prior"
            stroke={tokens.waiting}
            strokeDasharray="4 4"
            dot={false}
            isAnimationActive={false}
          />
          <Scatter data={measured} dataKey="meanPct" name="mean" fill={tokens.ink} line={{ stroke: tokens.ink }} isAnimationActive={false}>
            <ErrorBar dataKey="half" width={5} stroke={tokens.ink} direction="y" />
          </Scatter>
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  );
}
