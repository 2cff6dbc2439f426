import { kilnDaysLeft, kilnStages, stepEmcPct } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { Finding } from '../parts/Finding.tsx';

type Schedule = View<'KilnScheduleDto'>;
type Air = Pick<Schedule['steps'][number], 'tempC' | 'relativeHumidity'>;

interface Props {
  schedule: Schedule;
  meanPct: number;
  /** what the kiln's air has tended to lately */
  airPct: number;
  /** the rate in the room's air; heat quickens it. Null where nobody knows how fast this wood dries */
  roomRatePerDay: number | null;
}

/** A sensor and a controller may differ by this much. */
const AIR_OFF_PCT = 0.7;

/** The steps of a kiln's schedule, which the wood has come to, and how long each still takes. */
export function KilnProgress({ schedule, meanPct, airPct, roomRatePerDay }: Props) {
  const { steps, targetPct, conditioning } = schedule;
  const stages = kilnStages(schedule, meanPct, roomRatePerDay ?? 1);
  const dry = meanPct <= targetPct;
  const present = dry ? (conditioning ? steps.length : null) : stages[0]?.index;
  const stageWords = (index: number) => {
    const stage = stages.find((s) => s.index === index);
    if (!stage) return ' · done';
    if (roomRatePerDay === null) return index === present ? ' · now' : '';
    const takes = stage.days === null ? 'never ends in this air' : `about ${daysInWords(stage.days)}`;
    return ` · ${index === present ? 'now, ' : ''}${takes}`;
  };
  const left = kilnDaysLeft(stages);
  const asked = present === null ? undefined : (steps[present ?? -1] ?? conditioning);
  const apart = asked ? airPct - stepEmcPct(asked) : 0;
  return (
    <Box sx={{ mt: 1.5 }} component="section" aria-label="Schedule">
      <Typography variant="h3">{schedule.name}</Typography>
      {steps.map((step, i) => (
        <Line key={step.fromPct} present={i === present}>
          from {step.fromPct} %: {airInWords(step)}
          {stageWords(i)}
        </Line>
      ))}
      <Line present={dry}>
        {conditioning ? (
          <>
            at {targetPct} % conditioned: {airInWords(conditioning)}
            {stageWords(steps.length)}
          </>
        ) : (
          `dry at ${targetPct} %`
        )}
      </Line>
      {asked && Math.abs(apart) > AIR_OFF_PCT && (
        <Finding
          severity="attention"
          sentence={`Its air tends to ${airPct.toFixed(1)} %, the step asks for ${stepEmcPct(asked).toFixed(1)} %`}
          remedy={
            apart > 0 ? 'It dries slower than planned: set it warmer or drier' : 'It dries harder than planned and may check: set it damper'
          }
        />
      )}
      <Typography variant="body2" color="text.secondary">
        {roomRatePerDay === null
          ? 'How long it still takes cannot be told: how fast this wood dries is not on record (Setup, Species).'
          : `${left === null ? 'It does not come to an end in this air' : `${daysInWords(left)} to go`}, by the rate usual for its species and thickness.`}
      </Typography>
    </Box>
  );
}

function Line({ present, children }: { present: boolean; children: React.ReactNode }) {
  return (
    <Typography variant="body2" sx={{ fontWeight: present ? 700 : 400 }}>
      {present ? '▸ ' : ''}
      {children}
    </Typography>
  );
}

const airInWords = (air: Air) =>
  `${air.tempC} °C, ${Math.round(air.relativeHumidity * 100)} %, which tends to ${stepEmcPct(air).toFixed(1)} %`;

const daysInWords = (days: number) => (days < 2 ? `${Math.round(days * 24)} h` : `${days.toFixed(days < 10 ? 1 : 0)} days`);
