import { formatWork, WORK_CLASS_NAMES, type Stage } from '@ample-crane/core';
import { Link, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useClasses } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Figure, Id } from './Answer.tsx';
import { Section } from './Screen.tsx';

type Classes = View<'ClassesView'>;

const WORDS = { order: 'orders', special: 'special', trial: 'trial', tooling: 'tooling' } as const;

/** What is made here that is not for orders and stock, and what hours it took; nothing where there is none. */
export function ClassedWork({ stage }: { stage?: Stage }) {
  const { data } = useClasses();
  if (!data) return null;
  const here = <Each extends { stage: Stage }>(all: readonly Each[]) => all.filter((each) => stage === undefined || each.stage === stage);
  const [stations, open, unjudged] = [here(data.stations), here(data.open), here(data.unjudged)];
  if (stations.length + open.length + unjudged.length === 0) return null;
  return (
    <Section title="Specials, trials and tooling">
      {stations.length > 0 && <Hours days={data.days} stations={stations} />}
      <Batches of={open} />
      <Batches of={unjudged} ended />
    </Section>
  );
}

/** The hours of machines and benches that orders did not have, by what had them. */
function Hours({ days, stations }: { days: number; stations: Classes['stations'] }) {
  const sum = (of: (station: Classes['stations'][number]) => number) => stations.reduce((total, s) => total + of(s), 0);
  const parts = [
    ['special', sum((s) => s.specialMinutes)],
    ['trial', sum((s) => s.trialMinutes)],
    ['tooling', sum((s) => s.toolingMinutes)],
  ] as const;
  const all = parts.reduce((total, [, minutes]) => total + minutes, 0);
  const busy = sum((s) => s.busyMinutes);
  const told = parts.flatMap(([of, minutes]) => (minutes > 0 ? [`${WORK_CLASS_NAMES[of]} ${formatWork(minutes)}`] : []));
  const most = stations[0];
  return (
    <Typography sx={{ mb: 1 }}>
      In {days} days <Figure>{formatWork(all)}</Figure> of the {formatWork(busy)} worked at these stations: {told.join(', ')}.
      {most && stations.length > 1 && ` Most of it at ${most.stationName}.`}
    </Typography>
  );
}

function Batches({ of, ended = false }: { of: Classes['open']; ended?: boolean }) {
  const { clock } = useSession();
  return of.map((b) => (
    <Typography key={b.batchId} variant="body2">
      <Link component={RouterLink} to={`/batches/${b.batchId}`}>
        <Id>{b.batchId}</Id>
      </Link>{' '}
      {WORDS[b.workClass]}, {b.what}:{' '}
      {ended
        ? `ended ${clock(b.sinceMs)}, and nobody has said what it showed`
        : `${b.operationName.toLowerCase()} at ${b.stationName}, ${b.status} since ${clock(b.sinceMs)}`}
    </Typography>
  ));
}
