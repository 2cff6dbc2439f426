import { equilibriumMoisturePct, formatDuration, priorDryingRatePerDay, SPECIES, speciesIn } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { lazy, Suspense, useState } from 'react';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useOutlook, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { FigureIn, figureIn, useTyped } from '../parts/fields.tsx';
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
      {!drying && card.sessions.length > 0 && lot.state === 'drying' && (
        <Finding
          severity="waiting"
          sentence={`How fast ${lot.species} dries is not on record, so when it is ready cannot be told yet`}
          remedy="Its own third session tells; or give its rate, with a source, in Setup, Species"
        />
      )}
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
              roomRatePerDay={priorDryingRatePerDay(speciesIn(setup.data?.species ?? SPECIES, lot.species), lot.thicknessMm)}
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
  const { control, handleSubmit } = useForm({ defaultValues: { temp: '21', humidity: '40' } });
  const typed = useTyped(control);
  const { temp, humidity } = typed;
  const tempC = figureIn(temp);
  const share = figureIn(humidity) / 100;
  const fits = tempC >= -10 && tempC <= 100 && share >= 0.01 && share <= 0.99;
  return (
    <Stack
      component="form"
      noValidate
      direction="row"
      spacing={1}
      useFlexGap
      sx={{ mt: 1.5, mb: 1, flexWrap: 'wrap', alignItems: 'center' }}
      onSubmit={(event) => void handleSubmit(() => onAsk({ tempC, relativeHumidity: share }))(event)}
    >
      <Typography>What if its air were</Typography>
      <FigureIn control={control} name="temp" label="°C" min={-10} max={100} sx={{ width: 80 }} />
      <FigureIn
        control={control}
        name="humidity"
        label="% humidity"
        min={1}
        max={99}
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
