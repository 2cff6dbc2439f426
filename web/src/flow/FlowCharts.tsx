import { DAY_MS } from '@ample-crane/core';
import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { ReactElement } from 'react';
import { Bar, BarChart, CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Section } from '../parts/Screen.tsx';

/** Throughput of one station a shift, lead times, work in progress by day. */
export default function FlowCharts({ flow, station }: { flow: View<'FlowView'>; station: View<'StationFlowView'> }) {
  const { tokens } = useTheme();
  const { day } = useSession();
  const axis = { stroke: tokens.quiet, fontSize: 12 };
  const tip = {
    contentStyle: { background: tokens.raised, border: `1px solid ${tokens.rule}` },
    cursor: { fill: tokens.rule, opacity: 0.4 },
  };
  const shifts = station.goodByShift.map((good, i) => ({ at: day(flow.shiftsMs[i] ?? flow.fromMs), good }));
  const wip = flow.wipByDay.map((count, i) => ({ at: day(flow.fromMs + (i + 1) * DAY_MS), count }));
  const chart = (label: string, drawn: ReactElement) => (
    <Section title={label}>
      <figure style={{ margin: 0 }} aria-label={label}>
        <ResponsiveContainer width="100%" height={190}>
          {drawn}
        </ResponsiveContainer>
      </figure>
    </Section>
  );
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(300px, 1fr))', gap: 3 }}>
      {chart(
        `${station.name}: good pieces a shift`,
        <BarChart data={shifts} margin={{ left: -22, top: 6 }}>
          <CartesianGrid stroke={tokens.rule} vertical={false} />
          <XAxis dataKey="at" {...axis} minTickGap={24} />
          <YAxis {...axis} allowDecimals={false} />
          <Tooltip {...tip} />
          <Bar dataKey="good" name="good pieces" fill={tokens.neck} isAnimationActive={false} />
        </BarChart>,
      )}
      {chart(
        'Lead time of shipped instruments, days',
        <BarChart data={flow.leadHistogram} margin={{ left: -22, top: 6 }}>
          <CartesianGrid stroke={tokens.rule} vertical={false} />
          <XAxis dataKey="days" {...axis} />
          <YAxis {...axis} allowDecimals={false} />
          <Tooltip {...tip} labelFormatter={(days) => `${Number(days)} to ${Number(days) + 2} days`} />
          <Bar dataKey="count" name="instruments" fill={tokens.instrument} isAnimationActive={false} />
        </BarChart>,
      )}
      {chart(
        'Work in progress, instruments',
        <LineChart data={wip} margin={{ left: -22, top: 6 }}>
          <CartesianGrid stroke={tokens.rule} vertical={false} />
          <XAxis dataKey="at" {...axis} minTickGap={24} />
          <YAxis {...axis} allowDecimals={false} domain={[0, 'auto']} />
          <Tooltip {...tip} />
          <Line dataKey="count" name="in progress" stroke={tokens.ink} strokeWidth={2} dot={false} isAnimationActive={false} />
        </LineChart>,
      )}
    </Box>
  );
}
