import { useTheme } from '@mui/material/styles';
import { Area, CartesianGrid, ComposedChart, Line, ReferenceArea, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';

/** What a room's air asked of wood over time: its mean and swings, the band, and where it was out. */
export default function AirChart({ air }: { air: View<'AirView'> }) {
  const { tokens } = useTheme();
  const { day, dateTime } = useSession();
  const course = air.course.map((p) => ({ ...p, range: [p.lowPct, p.highPct] }));
  const values = air.course.flatMap((p) => [p.lowPct, p.highPct]).concat(air.band.low, air.band.high);
  const domain: [number, number] = [Math.floor(Math.min(...values)), Math.ceil(Math.max(...values))];
  return (
    <figure
      style={{ margin: 0 }}
      aria-label={`Equilibrium moisture of ${air.zoneName}: now ${air.emcNowPct.toFixed(1)} %, ${air.excursions.length} excursions`}
    >
      <ResponsiveContainer width="100%" height={260}>
        <ComposedChart data={course} margin={{ top: 8, right: 12, bottom: 4, left: -8 }}>
          <CartesianGrid stroke={tokens.rule} vertical={false} />
          <XAxis dataKey="atMs" type="number" domain={['dataMin', 'dataMax']} tickFormatter={day} stroke={tokens.quiet} fontSize={12} />
          <YAxis domain={domain} unit=" %" stroke={tokens.quiet} fontSize={12} allowDecimals={false} />
          <Tooltip
            labelFormatter={(ms) => dateTime(Number(ms))}
            formatter={(value) =>
              Array.isArray(value) ? value.map((v) => `${Number(v).toFixed(1)} %`).join(' – ') : `${Number(value).toFixed(1)} %`
            }
            contentStyle={{ background: tokens.raised, border: `1px solid ${tokens.rule}` }}
          />
          <ReferenceArea y1={air.band.low} y2={air.band.high} fill={tokens.ready} fillOpacity={0.14} />
          {air.excursions.map((e) => (
            <ReferenceArea key={e.fromMs} x1={e.fromMs} x2={e.toMs} fill={tokens.attention} fillOpacity={0.2} />
          ))}
          <Area dataKey="range" name="swings" stroke="none" fill={tokens.neck} fillOpacity={0.18} isAnimationActive={false} />
          <Line dataKey="meanPct" name="EMC" stroke={tokens.neck} strokeWidth={2} dot={false} isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  );
}
