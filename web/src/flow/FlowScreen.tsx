import { Box, MenuItem, Tab, Tabs, TextField, Typography } from '@mui/material';
import type { GridColDef } from '@mui/x-data-grid';
import { lazy, Suspense, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { View } from '../ground/api.ts';
import { useFlow, useMonths, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { ClassedWork } from '../parts/ClassedWork.tsx';
import { DataTable } from '../parts/DataTable.tsx';
import { Screen, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { ConstraintRibbon } from './ConstraintRibbon.tsx';

const FlowCharts = lazy(() => import('./FlowCharts.tsx'));
const Policies = lazy(() => import('./Policies.tsx'));
const Months = lazy(() => import('./Months.tsx'));
const WINDOWS = [14, 28, 60, 120] as const;

/** How work flows: over the last days, and month by month. */
export default function FlowScreen() {
  const [search] = useSearchParams();
  const by = search.get('by');
  return by === 'months' ? <ByMonth /> : by === 'policy' ? <ByPolicy /> : <LastDays />;
}

/** The price of a policy. */
function ByPolicy() {
  const setup = useSetup();
  return (
    <Screen title="Flow" query={setup}>
      {() => (
        <>
          <FlowTabs now="policy" />
          <Suspense fallback={<Box sx={{ height: 260 }} />}>
            <Policies />
          </Suspense>
        </>
      )}
    </Screen>
  );
}

function FlowTabs({ now }: { now: 'days' | 'months' | 'policy' }) {
  return (
    <Tabs value={now} aria-label="Flow" sx={{ mb: 1.5, minHeight: 40 }}>
      <Tab value="days" label="Last days" component={Link} to="/flow" sx={{ minHeight: 40 }} />
      <Tab value="months" label="Months" component={Link} to="/flow?by=months" sx={{ minHeight: 40 }} />
      <Tab value="policy" label="Price of a policy" component={Link} to="/flow?by=policy" sx={{ minHeight: 40 }} />
    </Tabs>
  );
}

function ByMonth() {
  const query = useMonths();
  return (
    <Screen title="Flow" query={query}>
      {(view) => (
        <>
          <FlowTabs now="months" />
          <Suspense fallback={<Box sx={{ height: 260 }} />}>
            <Months {...view} />
          </Suspense>
        </>
      )}
    </Screen>
  );
}

/** Throughput, work in progress, lead time, and the constraint by two views. */
function LastDays() {
  const [search, setSearch] = useSearchParams();
  const days = WINDOWS.find((d) => String(d) === search.get('days')) ?? 28;
  const query = useFlow(days);
  const [chosen, setChosen] = useState<string | null>(null);
  return (
    <Screen
      title="Flow"
      query={query}
      actions={
        <TextField select label="Window" value={days} onChange={(event) => setSearch({ days: event.target.value })} sx={{ width: 160 }}>
          {WINDOWS.map((d) => (
            <MenuItem key={d} value={d}>
              last {d} days
            </MenuItem>
          ))}
        </TextField>
      }
    >
      {(flow) => {
        const station = flow.stations.find((s) => s.code === (chosen ?? flow.limit.stationCode)) ?? flow.stations[0];
        return (
          <>
            <FlowTabs now="days" />
            <Answer>
              {flow.limit.sentence} <Figure>{flow.shipped}</Figure> instruments shipped, <Figure>{flow.throughputPerDay.toFixed(1)}</Figure>{' '}
              a day;
              {flow.leadP50Days === null ? (
                ' none has a lead time yet.'
              ) : (
                <>
                  {' '}
                  half took under <Figure>{flow.leadP50Days.toFixed(0)}</Figure> days, 85 % under{' '}
                  <Figure>{flow.leadP85Days?.toFixed(0)}</Figure>.
                </>
              )}
            </Answer>
            <Section title="Which station was the constraint, when">
              <ConstraintRibbon flow={flow} />
              <PlacesChanges changes={flow.placesChanges} />
            </Section>
            <Suspense fallback={<Box sx={{ height: 260 }} />}>{station && <FlowCharts flow={flow} station={station} />}</Suspense>
            <Typography variant="body2" color="text.secondary" sx={{ mb: 2 }}>
              {little(flow)}
            </Typography>
            <ClassedWork />
            <Stations flow={flow} onChoose={setChosen} />
          </>
        );
      }}
    </Screen>
  );
}

/** What may have moved the constraint: stations that were given more places, or lost some. */
function PlacesChanges({ changes }: { changes: View<'PlacesChangeView'>[] }) {
  const { date } = useSession();
  return changes.map(({ station, stationName, atMs, before, after }) => (
    <Typography key={`${station}@${atMs}`} variant="body2" color="text.secondary" sx={{ mb: 1 }}>
      {stationName}: {counted(after, 'place', 'places')} instead of {before} since {date(atMs)}. Its hours are reckoned with what it had at
      the time.
    </Typography>
  ));
}

/** What Little's law says of the records. */
function little(flow: View<'FlowView'>): string {
  if (flow.littleResidual === null || flow.shipped === 0) return 'Little’s law needs shipped instruments in the window.';
  const product = flow.throughputPerDay * flow.meanLeadDays;
  const percent = Math.round(Math.abs(flow.littleResidual) * 100);
  return `Little’s law: ${flow.throughputPerDay.toFixed(2)} a day × ${flow.meanLeadDays.toFixed(1)} days = ${product.toFixed(0)}; mean work in progress was ${flow.meanWip.toFixed(0)} instruments, ${percent} % ${flow.littleResidual >= 0 ? 'above' : 'below'}. ${
    percent <= 10
      ? 'The records hang together.'
      : 'Work in progress grew or shrank in this window; over a longer one the two come together, or records are missing.'
  }`;
}

function Stations({ flow, onChoose }: { flow: View<'FlowView'>; onChoose: (code: string) => void }) {
  const percent = (value: number | null) => (value === null ? '' : `${(value * 100).toFixed(0)} %`);
  const columns: GridColDef<View<'StationFlowView'>>[] = [
    { field: 'code', headerName: 'Code', width: 70 },
    { field: 'name', headerName: 'Station', flex: 1, minWidth: 170 },
    {
      field: 'loadRatio',
      headerName: 'Load ÷ hours',
      type: 'number',
      width: 110,
      valueFormatter: (value: number) => percent(value),
    },
    {
      field: 'meanActiveHours',
      headerName: 'Active period, h',
      type: 'number',
      width: 120,
      valueFormatter: (value: number) => value.toFixed(1),
    },
    {
      field: 'queuedHours',
      headerName: 'Queued, h',
      type: 'number',
      width: 95,
      valueFormatter: (value: number) => value.toFixed(1),
    },
    {
      field: 'weeklyHours',
      headerName: 'Hours a week',
      type: 'number',
      width: 105,
      valueFormatter: (value: number) => value.toFixed(0),
    },
    { field: 'good', headerName: 'Good', type: 'number', width: 70 },
    { field: 'rework', headerName: 'Rework', type: 'number', width: 75 },
    { field: 'scrap', headerName: 'Scrap', type: 'number', width: 65 },
    {
      field: 'firstPassYield',
      headerName: 'Good share',
      type: 'number',
      width: 95,
      valueFormatter: (value: number | null) => percent(value),
    },
  ];
  return (
    <DataTable
      label="Stations in the window"
      heading="Stations"
      rows={flow.stations}
      columns={columns}
      getRowId={(s) => s.code}
      onOpen={(s) => onChoose(s.code)}
      height={420}
    />
  );
}
