import {
  boothObjections,
  celsiusToFahrenheit,
  dewPointC,
  formatDuration,
  formatTemperature,
  formatTemperatureDifference,
} from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { useFloor, useSetup, useZones } from '../ground/queries.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { Answer, Figure } from '../parts/Answer.tsx';
import { BandStrip } from '../parts/BandStrip.tsx';
import { BatchTable } from '../parts/BatchTable.tsx';
import { Caution } from '../parts/Caution.tsx';
import { comingOut, DwellShelf } from '../parts/DwellShelf.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';

/** The cure wall: what may be touched, in order of coming out; and whether the booth may spray. */
export default function FinishingScreen() {
  const query = useFloor();
  return (
    <Screen title="Finishing" query={query}>
      {(floor) => {
        const here = floor.batches.filter((b) => b.stage === 'finishing');
        const curing = here.filter((b) => b.status === 'dwelling').sort((a, b) => comingOut(a) - comingOut(b));
        const open = curing.filter((b) => b.verdict === 'pass').length;
        const next = curing.find((b) => b.verdict === 'wait' && b.untilMs !== null);
        const limiting = floor.stations.find((s) => s.code === floor.limit.stationCode && s.stage === 'finishing');
        return (
          <>
            <CureAnswer curing={curing.length} open={open} next={next} limit={limiting ? floor.limit.sentence : undefined} />
            <Section title="The cure wall">
              {curing.length === 0 ? <Empty>Nothing is curing.</Empty> : <DwellShelf batches={curing} ring={56} width={250} />}
            </Section>
            <Section title="Booth air">
              <BoothAir />
            </Section>
            <BatchTable
              heading="All batches here"
              label="Batches in Finishing"
              batches={here}
              height={Math.min(440, 190 + here.length * 36)}
            />
            <Caution kinds={['spraying', 'rags', 'buffing', 'dust']} />
          </>
        );
      }}
    </Screen>
  );
}

function CureAnswer({
  curing,
  open,
  next,
  limit,
}: {
  curing: number;
  open: number;
  next: View<'BatchView'> | undefined;
  limit: string | undefined;
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
      . {limit}
    </Answer>
  );
}

function BoothAir() {
  const zones = useZones();
  const { units, nowMs } = useSession();
  const tell = useTell();
  const limits = useSetup().data?.spray;
  const booth = zones.data?.find((z) => z.id === limits?.zoneId);
  if (!booth || !limits) return <Empty>No sensor reports from the booth.</Empty>;
  const objections = boothObjections(booth, nowMs, limits).map(tell);
  const inF = units.temperature === 'F';
  const degrees = (tempC: number) => (inF ? celsiusToFahrenheit(tempC) : tempC);
  const margin = booth.tempC - dewPointC(booth.tempC, booth.relativeHumidity);
  const rows = [
    {
      label: 'Temperature',
      shown: formatTemperature(booth.tempC, units),
      value: degrees(booth.tempC),
      low: degrees(limits.minTempC),
      high: degrees(limits.maxTempC),
      unit: inF ? '°F' : '°C',
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
            ? `Fit to spray: ${formatTemperatureDifference(margin, units)} above dew point, ${formatTemperatureDifference(limits.dewMarginC, units)} needed`
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
