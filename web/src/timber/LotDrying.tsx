import { equilibriumMoisturePct, formatDuration, priorDryingRatePerDay } from '@ample-crane/core';
import { Box, Button, Stack, TextField, Typography } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import type { View } from '../ground/api.ts';
import { useOutlook, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Finding } from '../parts/Finding.tsx';
import { KilnProgress } from './KilnProgress.tsx';
import { readyWords } from './ready.ts';

const DryingChart = lazy(() => import('./DryingChart.tsx'));

/** How a lot has dried, where it goes, what the room did to it, and what other air would do. */
export function LotDrying({ card }: { card: View<'LotCardView'> }) {
  const { nowMs, date, dateTime } = useSession();
  const [air, setAir] = useState<{ tempC: number; relativeHumidity: number } | null>(null);
  const other = useOutlook(card.lot.id, air);
  const { drying, lot } = card;
  const setup = useSetup();
  const schedule = setup.data?.kilns.find((k) => k.id === lot.scheduleId);
  const outlook = drying?.outlook;
  // In a kiln the air is meant to lie beside the band.
  const outsideAKiln = lot.scheduleId === null ? (drying?.excursions ?? []).slice(-3) : [];
  return (
    <>
      <Suspense fallback={<Box sx={{ height: 290 }} />}>
        <DryingChart card={card} other={air ? other.data : undefined} steps={schedule?.steps ?? []} />
      </Suspense>
      {drying && outlook && (
        <>
          <Typography variant="body2" sx={{ mt: 1 }}>
            Rate <Figure>{outlook.ratePerDay.toFixed(3)}</Figure> a day ({drying.rateLowPerDay.toFixed(3)}–
            {drying.rateHighPerDay.toFixed(3)}, {outlook.basis}); the air tends to <Figure>{outlook.emcPct.toFixed(1)} %</Figure>, give or
            take {drying.driftPct.toFixed(1)}.
            {lot.state === 'drying' &&
              outlook.piecesMs !== null &&
              outlook.kind !== 'in band' &&
              ` Nine pieces in ten by ${date(outlook.piecesMs)}.`}
          </Typography>
          {lot.state === 'drying' && outlook.pastBandMs !== null && (
            <Finding
              severity="attention"
              sentence={`This room goes on past the band: out of it again about ${date(outlook.pastBandMs)}`}
              remedy="Release it before, or move it"
            />
          )}
          {drying.oddSessions.length > 0 && (
            <Finding
              severity="attention"
              sentence={`${drying.oddSessions.length === 1 ? 'One session does' : `${drying.oddSessions.length} sessions do`} not fit the others`}
              remedy="Marked with a cross; believed less, not dropped"
            />
          )}
          {drying.scatter > 1.5 && (
            <Finding
              severity="attention"
              sentence={`Its sessions scatter ${drying.scatter.toFixed(1)} times as much as their readings promise`}
              remedy="The interval is widened by that. Read at marked places, and check the wood’s temperature"
            />
          )}
          {outsideAKiln.map((e) => (
            <Finding
              key={e.fromMs}
              severity="waiting"
              sentence={`The room was ${e.kind === 'too wet' ? 'too damp' : 'too dry'} for ${formatDuration(e.toMs - e.fromMs)} from ${dateTime(e.fromMs)}: up to ${e.worstPct.toFixed(1)} %`}
            />
          ))}
          {schedule && (
            <KilnProgress
              schedule={schedule}
              meanPct={outlook.nowPct}
              airPct={outlook.emcPct}
              roomRatePerDay={priorDryingRatePerDay(lot.species, lot.thicknessMm)}
            />
          )}
          {lot.state === 'drying' && <OtherAir onAsk={setAir} asked={air !== null} />}
          {air && other.data && (
            <Typography role="status">
              In that air, which tends to <Figure>{other.data.emcPct.toFixed(1)} %</Figure>: {readyWords(other.data, nowMs)}.
            </Typography>
          )}
          {air && other.error && <ErrorNote error={other.error} />}
        </>
      )}
    </>
  );
}

function OtherAir({ onAsk, asked }: { onAsk: (air: { tempC: number; relativeHumidity: number } | null) => void; asked: boolean }) {
  const [temp, setTemp] = useState('21');
  const [humidity, setHumidity] = useState('40');
  const tempC = Number(temp.replace(',', '.'));
  const share = Number(humidity.replace(',', '.')) / 100;
  const fits = tempC >= -10 && tempC <= 100 && share >= 0.01 && share <= 0.99;
  return (
    <Stack
      component="form"
      direction="row"
      spacing={1}
      useFlexGap
      sx={{ mt: 1.5, mb: 1, flexWrap: 'wrap', alignItems: 'center' }}
      onSubmit={(event) => {
        event.preventDefault();
        if (fits) onAsk({ tempC, relativeHumidity: share });
      }}
    >
      <Typography>What if its air were</Typography>
      <TextField label="°C" value={temp} onChange={(event) => setTemp(event.target.value)} sx={{ width: 80 }} />
      <TextField
        label="% humidity"
        value={humidity}
        onChange={(event) => setHumidity(event.target.value)}
        error={!fits}
        helperText={fits ? `tends to ${equilibriumMoisturePct(tempC, share).toFixed(1)} %` : undefined}
        sx={{ width: 120 }}
      />
      <Button type="submit" variant="outlined" disabled={!fits}>
        Show
      </Button>
      {asked && <Button onClick={() => onAsk(null)}>Back to its own air</Button>}
    </Stack>
  );
}
