import { dewPointC, formatDuration, formatTemperature, sprayObjections } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../app/api.ts';
import { useFloor, useSetup, useZones } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { BandStrip } from '../parts/BandStrip.tsx';
import { BatchTable } from '../parts/BatchTable.tsx';
import { Caution } from '../parts/Caution.tsx';
import { DwellRing } from '../parts/DwellRing.tsx';
import { Finding } from '../parts/Finding.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';

/** The cure wall: what may be touched, in order of coming out; and whether the booth may spray. */
export default function FinishingScreen() {
  const query = useFloor();
  return (
    <Screen title="Finishing" query={query}>
      {(floor) => {
        const here = floor.batches.filter((b) => b.stage === 'finishing');
        const curing = here.filter((b) => b.status === 'dwelling').sort((a, b) => order(a) - order(b));
        const open = curing.filter((b) => b.verdict === 'pass').length;
        const next = curing.find((b) => b.verdict === 'wait' && b.untilMs !== null);
        const limiting = floor.stations.find((s) => s.code === floor.constraint?.stationCode && s.stage === 'finishing');
        return (
          <>
            <CureAnswer curing={curing.length} open={open} next={next} constraint={limiting ? floor.constraint?.sentence : undefined} />
            <Section title="The cure wall">
              {curing.length === 0 ? <Empty>Nothing is curing.</Empty> : <CureWall batches={curing} />}
            </Section>
            <Section title="Booth air">
              <BoothAir />
            </Section>
            <Section title="All batches here">
              <BatchTable label="Batches in Finishing" batches={here} height={Math.min(440, 190 + here.length * 36)} />
            </Section>
            <Caution kinds={['spraying', 'rags', 'buffing', 'dust']} />
          </>
        );
      }}
    </Screen>
  );
}

const order = (b: View<'BatchView'>) => (b.verdict === 'pass' ? 0 : (b.untilMs ?? Infinity));

function CureAnswer({
  curing,
  open,
  next,
  constraint,
}: {
  curing: number;
  open: number;
  next: View<'BatchView'> | undefined;
  constraint: string | undefined;
}) {
  const { clock, nowMs } = useSession();
  return (
    <Answer>
      <Figure>{open}</Figure> of <Figure>{curing}</Figure> curing batches may be touched now
      {next && next.untilMs !== null && (
        <>
          ; next is <Figure>{next.id}</Figure>, expected <Figure>{clock(next.untilMs)}</Figure> · {formatDuration(next.untilMs - nowMs)}
        </>
      )}
      . {constraint}
    </Answer>
  );
}

function CureWall({ batches }: { batches: readonly View<'BatchView'>[] }) {
  const { clock, nowMs, may } = useSession();
  return (
    <Box
      component="ul"
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(min(250px, 100%), 1fr))',
        gap: 0,
      }}
    >
      {batches.map((b) => (
        <Box
          component="li"
          key={b.id}
          sx={{
            display: 'flex',
            gap: 1.5,
            alignItems: 'center',
            p: 1.25,
            borderBottom: 3,
            borderColor: 'divider',
          }}
        >
          <DwellRing of={b} size={56} />
          <Box sx={{ minWidth: 0, flex: 1 }}>
            <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
              <StreamGlyph of={b.component} size={20} />
              <Box component={RouterLink} to={`/batches/${b.id}`} sx={{ color: 'inherit' }}>
                <Id>{b.id}</Id>
              </Box>
              <span>
                {b.quantity} × {b.modelName}
              </span>
            </Box>
            <Typography variant="body2" color="text.secondary">
              {b.verdict === 'pass'
                ? 'may be touched'
                : b.untilMs === null
                  ? b.findings[0]?.sentence
                  : `${clock(b.untilMs)} · ${formatDuration(b.untilMs - nowMs)}`}
            </Typography>
            <Typography variant="caption" color="text.secondary">
              {b.findings[0]?.sentence}
            </Typography>
            {b.verdict === 'pass' && may('operator') && (
              <Box sx={{ mt: 0.5 }}>
                <GateAct subject="batch" id={b.id} version={b.version} label={`Move ${b.id}`} />
              </Box>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

function BoothAir() {
  const zones = useZones();
  const { units } = useSession();
  const limits = useSetup().data?.spray;
  const booth = zones.data?.find((z) => z.id === limits?.zoneId);
  if (!booth || !limits) return <Empty>No sensor reports from the booth.</Empty>;
  const objections = sprayObjections(booth.tempC, booth.relativeHumidity, limits);
  const margin = booth.tempC - dewPointC(booth.tempC, booth.relativeHumidity);
  const rows = [
    {
      label: 'Temperature',
      shown: formatTemperature(booth.tempC, units),
      value: booth.tempC,
      low: limits.minTempC,
      high: limits.maxTempC,
      unit: '°C',
    },
    {
      label: 'Humidity',
      shown: `${(booth.relativeHumidity * 100).toFixed(0)} %`,
      value: booth.relativeHumidity * 100,
      low: limits.minHumidity * 100,
      high: limits.maxHumidity * 100,
      unit: '%',
    },
  ];
  return (
    <>
      <Finding
        severity={objections.length === 0 ? 'ready' : 'stop'}
        sentence={
          objections.length === 0
            ? `Fit to spray: ${margin.toFixed(1)} °C above dew point, ${limits.dewMarginC} °C needed`
            : objections.join('. ')
        }
        remedy="The coating’s data sheet decides."
      />
      <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap' }}>
        {rows.map((row) => (
          <Box key={row.label} sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
            <Typography>
              {row.label} <Figure>{row.shown}</Figure>
            </Typography>
            <BandStrip label={row.label} unit={row.unit} low={row.low} high={row.high} values={[row.value]} />
          </Box>
        ))}
      </Box>
    </>
  );
}
