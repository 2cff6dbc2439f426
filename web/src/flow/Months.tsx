import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { GridColDef } from '@mui/x-data-grid';
import { Bar, BarChart, CartesianGrid, Cell, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Answer } from '../parts/Answer.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { Section } from '../parts/Screen.tsx';

type Month = View<'MonthView'>;

/** Months side by side: what each came to, and what was otherwise than in the one before. */
export default function Months({ months, sinceMs }: View<'MonthsView'>) {
  const { date, nowMs } = useSession();
  if (sinceMs === null)
    return <Typography color="text.secondary">Nothing has been begun yet: the first month begins with the first body.</Typography>;
  const latestFirst = [...months].reverse();
  const told = latestFirst.flatMap((m) => (m.why === null ? [] : [{ ...m, why: m.why }]));
  const parts = months.filter((m) => !m.whole);
  return (
    <>
      <Answer>{told[0]?.why ?? 'There are no two whole months on record to compare yet.'}</Answer>
      <Section title="Instruments sent off, by working day">
        <PerDay months={months} />
        {parts.length > 0 && (
          <Typography variant="body2" color="text.secondary">
            Hatched:{' '}
            {parts.map((m) => `${nameOf(m)}, ${m.fromMs < sinceMs ? `from ${date(sinceMs)} on` : `until ${date(nowMs)}`}`).join('; ')}.
          </Typography>
        )}
      </Section>
      <Figures months={latestFirst} />
      {told.length > 1 && (
        <Section title="What was otherwise than in the month before">
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {told.slice(1).map((m) => (
              <Typography component="li" key={m.id} sx={{ mb: 0.5 }}>
                {m.why}
              </Typography>
            ))}
          </Box>
        </Section>
      )}
    </>
  );
}

const FORMAT = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });
/** "Mar 2026": a month of the calendar is the same in every zone. */
const nameOf = ({ id }: Pick<Month, 'id'>) => FORMAT.format(new Date(`${id}-15T12:00:00Z`));

function PerDay({ months }: { months: readonly Month[] }) {
  const { tokens } = useTheme();
  const axis = { stroke: tokens.quiet, fontSize: 12 };
  const data = months.map((m) => ({ name: nameOf(m), perDay: Number(m.shippedPerDay.toFixed(2)), whole: m.whole }));
  return (
    <figure
      style={{ margin: 0 }}
      aria-label={`Instruments sent off by working day: ${data.map((d) => `${d.name} ${d.perDay}`).join(', ')}`}
    >
      <ResponsiveContainer width="100%" height={200}>
        <BarChart data={data} margin={{ left: -22, top: 6 }}>
          <defs>
            <pattern id="month-part" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="2.5" height="6" fill={tokens.instrument} />
            </pattern>
          </defs>
          <CartesianGrid stroke={tokens.rule} vertical={false} />
          <XAxis dataKey="name" {...axis} />
          <YAxis {...axis} />
          <Tooltip
            contentStyle={{ background: tokens.raised, border: `1px solid ${tokens.rule}` }}
            cursor={{ fill: tokens.rule, opacity: 0.4 }}
          />
          <Bar dataKey="perDay" name="a working day" isAnimationActive={false}>
            {data.map((d) => (
              <Cell key={d.name} fill={d.whole ? tokens.instrument : 'url(#month-part)'} stroke={tokens.instrument} />
            ))}
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </figure>
  );
}

function Figures({ months }: { months: readonly Month[] }) {
  const percent = (value: number | null) => (value === null ? '' : `${(value * 100).toFixed(1)} %`);
  const columns: GridColDef<Month>[] = [
    { field: 'id', headerName: 'Month', width: 100, valueFormatter: (_, month) => nameOf(month) },
    { field: 'shipped', headerName: 'Sent off', type: 'number', width: 88 },
    { field: 'shippedPerDay', headerName: 'A day', type: 'number', width: 76, valueFormatter: (value: number) => value.toFixed(1) },
    { field: 'begun', headerName: 'Bodies begun', type: 'number', width: 114 },
    { field: 'workDays', headerName: 'Working days', type: 'number', width: 112 },
    { field: 'peopleHours', headerName: 'People, h', type: 'number', width: 96, valueFormatter: (value: number) => value.toFixed(0) },
    {
      field: 'meanLeadDays',
      headerName: 'Lead, days',
      type: 'number',
      width: 100,
      valueFormatter: (value: number | null) => value?.toFixed(0) ?? '',
    },
    {
      field: 'returnedShare',
      headerName: 'Came back',
      type: 'number',
      width: 100,
      valueFormatter: (value: number | null) => percent(value),
    },
    {
      field: 'busiest',
      headerName: 'Busiest station',
      flex: 1,
      minWidth: 190,
      valueFormatter: (value: string | null, { busiestShare }) =>
        value === null ? '' : `${value}, ${((busiestShare ?? 0) * 100).toFixed(0)} % of its hours`,
    },
  ];
  return <DataTable label="Months" heading="Months" rows={months} columns={columns} getRowId={(m) => m.id} height={480} />;
}
