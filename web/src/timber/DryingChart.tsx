import { DAY_MS } from '@ample-crane/core';
import { Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  ErrorBar,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';

interface Props {
  card: View<'LotCardView'>;
  /** where it would go in other air */
  other?: View<'OutlookView'> | undefined;
  /** of the kiln schedule it is on */
  steps?: readonly View<'KilnStepDto'>[];
}

const PAST_OF_EMC = 1.4;

/** Sessions with their spread, the fitted curve and where it goes, the band, and what the air has asked for. */
export default function DryingChart({ card, other, steps = [] }: Props) {
  const { tokens } = useTheme();
  const { nowMs, day, date } = useSession();
  const { lot, sessions, drying } = card;
  if (!drying) return <Typography color="text.secondary">The curve begins with the first session.</Typography>;
  const fan = lot.state === 'drying' ? (other ?? drying.outlook).fan : [];
  const measured = sessions.map((s) => ({
    atMs: s.atMs,
    [drying.oddSessions.includes(s.id) ? 'oddPct' : 'meanPct']: s.meanPct,
    half: s.spreadPct / 2,
  }));
  const spread = fan.map((p) => ({ atMs: p.atMs, range: [p.lowPct, p.highPct], forecastPct: p.meanPct }));
  const shown = [
    ...sessions.flatMap((s) => [s.meanPct + s.spreadPct / 2, s.meanPct - s.spreadPct / 2]),
    ...fan.flatMap((p) => [p.lowPct, p.highPct]),
    ...drying.curve.map((p) => p.pct),
    lot.band.low,
    lot.band.high,
  ];
  const edges = { low: Math.min(...shown), high: Math.max(...shown) };
  // The air swings further than the wood: what lies far outside is cut off rather than squeezing the rest.
  const domain: [number, number] = [Math.floor(edges.low - 0.5), Math.ceil(edges.high + 0.5)];
  const ticks = Array.from({ length: domain[1] - domain[0] + 1 }, (_, i) => domain[0] + i).filter(
    (_, i) => i % Math.ceil((domain[1] - domain[0]) / 9) === 0,
  );
  const begins = Math.min(...sessions.map((s) => s.atMs));
  const ends = fan.at(-1)?.atMs ?? sessions.at(-1)?.atMs ?? nowMs;
  return (
    <figure
      style={{ margin: 0 }}
      aria-label={`Drying of lot ${lot.id}: ${sessions.length} sessions, the curve stands at ${drying.outlook.nowPct.toFixed(1)} %, the air tends to ${drying.outlook.emcPct.toFixed(1)} %`}
    >
      <ResponsiveContainer width="100%" height={290}>
        <ComposedChart margin={{ top: 8, right: 12, bottom: 4, left: -8 }}>
          <CartesianGrid stroke={tokens.rule} vertical={false} />
          <XAxis
            dataKey="atMs"
            type="number"
            domain={[begins - DAY_MS, ends]}
            allowDataOverflow
            tickFormatter={day}
            stroke={tokens.quiet}
            fontSize={12}
          />
          <YAxis domain={domain} allowDataOverflow unit=" %" stroke={tokens.quiet} fontSize={12} ticks={ticks} />
          <Tooltip
            labelFormatter={(ms) => date(Number(ms))}
            formatter={(value) =>
              Array.isArray(value) ? value.map((v) => `${Number(v).toFixed(1)} %`).join(' – ') : `${Number(value).toFixed(1)} %`
            }
            contentStyle={{ background: tokens.raised, border: `1px solid ${tokens.rule}` }}
            cursor={{ stroke: tokens.quiet }}
          />
          <ReferenceArea y1={lot.band.low} y2={lot.band.high} fill={tokens.ready} fillOpacity={0.14} />
          <Line
            data={drying.emc}
            dataKey="pct"
            name="what the air asked for"
            stroke={tokens.neck}
            strokeWidth={PAST_OF_EMC}
            strokeDasharray="5 3"
            dot={false}
            isAnimationActive={false}
          />
          <Area
            data={spread}
            dataKey="range"
            name="80 % of cases"
            stroke="none"
            fill={tokens.waiting}
            fillOpacity={0.18}
            isAnimationActive={false}
          />
          <Line
            data={spread}
            dataKey="forecastPct"
            name={other ? 'in that air' : 'likely'}
            stroke={tokens.waiting}
            strokeWidth={2}
            strokeDasharray="4 4"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            data={drying.curve}
            dataKey="pct"
            name="fitted"
            stroke={tokens.body}
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          {steps.map((step) => (
            <ReferenceLine
              key={step.fromPct}
              y={step.fromPct}
              stroke={tokens.attention}
              strokeDasharray="2 3"
              label={{
                value: `${step.tempC} °C, ${Math.round(step.relativeHumidity * 100)} %`,
                position: 'insideTopRight',
                fill: tokens.quiet,
                fontSize: 12,
              }}
            />
          ))}
          {lot.state === 'drying' && (
            <ReferenceLine
              x={nowMs}
              stroke={tokens.quiet}
              label={{ value: 'now', position: 'insideTop', fill: tokens.quiet, fontSize: 12 }}
            />
          )}
          <Scatter data={measured} dataKey="meanPct" name="session mean" fill={tokens.ink} isAnimationActive={false}>
            <ErrorBar dataKey="half" width={5} stroke={tokens.ink} direction="y" />
          </Scatter>
          <Scatter
            data={measured}
            dataKey="oddPct"
            name="does not fit the others"
            shape="cross"
            fill={tokens.stop}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
      <Typography variant="caption" color="text.secondary">
        Dots: sessions with their spread. Solid: fitted through the air it lay in. Dashes: that air’s equilibrium. Grey: where it goes, with
        the middle 80 % of cases. Shaded: the band.
      </Typography>
    </figure>
  );
}
