import { digitsFor, fitScale } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';

type Chart = View<'ChartView'>;
type Dimension = View<'DimensionView'>;

const SPREADS: Record<Chart['kind'], string> = {
  individuals: 'Difference from the one before',
  range: 'Range of each batch',
  deviation: 'Deviation of each batch',
};

/** Values with their limits and tolerance, and below them how far they lie apart; what a rule fires on has its own shape. */
export default function DimensionChart({ dimension, chart }: { dimension: Dimension; chart: Chart }) {
  const { units, dateTime } = useSession();
  const fine = dimension.unit === 'mm' ? fitScale(units) : { unit: dimension.unit, of: (value: number) => value };
  const digits = digitsFor({ low: fine.of(dimension.low), high: fine.of(dimension.high) });
  const shown = (value: number) => value.toFixed(digits);
  const fired = new Set(chart.signals.flatMap((s) => s.at));
  const data = chart.points.map((p, i) => ({
    at: i,
    value: fine.of(p.value),
    spread: p.spread === null ? null : fine.of(p.spread),
    when: dateTime(p.atMs),
    what: p.pieceIds.length === 1 ? p.pieceIds[0] : `${p.batchId}, ${p.pieceIds.length} pieces`,
    fired: fired.has(i),
  }));
  const scaled = ({ centre, lower, upper }: View<'LimitsView'>) => ({
    centre: fine.of(centre),
    lower: fine.of(lower),
    upper: fine.of(upper),
  });
  const limits = scaled(chart.values);
  const spread = scaled(chart.spread);
  const band = { low: fine.of(dimension.low), high: fine.of(dimension.high) };
  const words = `${data.length} ${chart.size === 1 ? 'values' : 'means'} of ${dimension.name} of ${dimension.modelName}, limits ${shown(limits.lower)} to ${shown(limits.upper)} ${fine.unit}; ${
    fired.size === 0 ? 'no rule fires' : `${fired.size} of them make a rule fire`
  }`;
  return (
    <figure style={{ margin: 0 }} aria-label={words}>
      <Plot data={data} of="value" height={250} shown={shown} limits={limits} band={chart.size === 1 ? band : null} />
      <Typography variant="body2" color="text.secondary" sx={{ mt: 1 }}>
        {SPREADS[chart.kind]}, {fine.unit}
      </Typography>
      <Plot data={data} of="spread" height={110} shown={shown} limits={spread} band={null} />
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 0.5, display: 'flex', gap: 2, flexWrap: 'wrap', fontSize: 13 }}>
        <Key dashed="6 3" label={`limits ${shown(limits.lower)} to ${shown(limits.upper)} ${fine.unit}`} />
        {chart.size === 1 && <Key dashed="none" label={`tolerance ${shown(band.low)} to ${shown(band.high)} ${fine.unit}`} heavy />}
        {fired.size > 0 && (
          <Box component="li">
            <Box component="span" aria-hidden sx={{ color: 'error.main' }}>
              ◆
            </Box>{' '}
            makes a rule fire
          </Box>
        )}
      </Box>
    </figure>
  );
}

function Key({ dashed, label, heavy = false }: { dashed: string; label: string; heavy?: boolean }) {
  const { tokens } = useTheme();
  return (
    <Box component="li" sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
      <svg width={26} height={8} aria-hidden>
        <path d="M0 4h26" stroke={heavy ? tokens.stop : tokens.quiet} strokeWidth={heavy ? 2 : 1.5} strokeDasharray={dashed} />
      </svg>
      {label}
    </Box>
  );
}

/** What is told of a point that is drawn. */
interface Dotted {
  cx?: number | undefined;
  cy?: number | null | undefined;
  index: number;
  key?: React.Key | null | undefined;
}

interface PlotProps {
  data: readonly { at: number; fired: boolean; when: string }[];
  of: 'value' | 'spread';
  height: number;
  shown: (value: number) => string;
  limits: View<'LimitsView'>;
  band: { low: number; high: number } | null;
}

function Plot({ data, of, height, shown, limits, band }: PlotProps) {
  const { tokens } = useTheme();
  const values = (data as unknown as Record<string, number | null>[]).flatMap((p) => p[of] ?? []);
  const edges = [...values, limits.lower, limits.upper, ...(band ? [band.low, band.high] : [])];
  const [least, most] = [Math.min(...edges), Math.max(...edges)];
  const room = (most - least || 1) * 0.06;
  const ticks = of === 'value' ? [limits.lower, limits.centre, limits.upper] : [limits.centre, limits.upper];
  const dot = ({ cx, cy, index, key }: Dotted) =>
    cx === undefined || cy === undefined || cy === null ? (
      <g key={key} />
    ) : data[index]?.fired === true && of === 'value' ? (
      <path key={key} d={`M${cx} ${cy - 6}l6 6l-6 6l-6 -6z`} fill={tokens.stop} />
    ) : (
      <circle key={key} cx={cx} cy={cy} r={2.5} fill={tokens.ink} />
    );
  return (
    <ResponsiveContainer width="100%" height={height}>
      <LineChart data={[...data]} margin={{ top: 8, right: 12, bottom: 0, left: 0 }}>
        <CartesianGrid stroke={tokens.rule} vertical={false} />
        <XAxis dataKey="at" tick={false} height={6} stroke={tokens.quiet} />
        <YAxis domain={[least - room, most + room]} ticks={ticks} tickFormatter={shown} stroke={tokens.quiet} fontSize={12} width={62} />
        <Tooltip
          labelFormatter={(_, payload) => {
            const point = payload[0]?.payload as { when: string; what: string } | undefined;
            return point ? `${point.what}, ${point.when}` : '';
          }}
          formatter={(value) => shown(Number(value))}
          contentStyle={{ background: tokens.raised, border: `1px solid ${tokens.rule}` }}
        />
        {band && <ReferenceLine y={band.low} stroke={tokens.stop} strokeWidth={2} />}
        {band && <ReferenceLine y={band.high} stroke={tokens.stop} strokeWidth={2} />}
        <ReferenceLine y={limits.centre} stroke={tokens.quiet} />
        <ReferenceLine y={limits.lower} stroke={tokens.quiet} strokeDasharray="6 3" />
        <ReferenceLine y={limits.upper} stroke={tokens.quiet} strokeDasharray="6 3" />
        <Line
          dataKey={of}
          name={of === 'value' ? 'value' : 'apart'}
          stroke={tokens.neck}
          strokeWidth={1.5}
          dot={dot}
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
}
