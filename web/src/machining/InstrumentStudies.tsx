import { Button, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { useInstrumentStudies } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Finding, type Severity } from '../parts/Finding.tsx';
import { Empty, Section } from '../parts/Screen.tsx';
import { StudyDialog } from './StudyDialog.tsx';

type Study = View<'InstrumentStudyView'>;
const MARKS: Record<Study['verdict'], Severity> = { fit: 'ready', 'may do': 'attention', 'not fit': 'stop' };

/** What each instrument was found to be worth, and the way to study one. */
export function InstrumentStudies({ about }: { about: View<'DimensionView'> | null }) {
  const { data: studies } = useInstrumentStudies();
  const { may } = useSession();
  const [studying, setStudying] = useState(false);
  return (
    <Section
      title="Instruments"
      aside={
        may('lead') && (
          <Button variant="outlined" onClick={() => setStudying(true)}>
            Study an instrument
          </Button>
        )
      }
    >
      {studies?.length === 0 && <Empty>None has been studied: nobody can say how much of what is measured is the instrument’s own.</Empty>}
      {studies?.map((study) => (
        <StudyLine key={study.id} study={study} />
      ))}
      {studying && <StudyDialog about={about} onClose={() => setStudying(false)} />}
    </Section>
  );
}

function StudyLine({ study }: { study: Study }) {
  const { date } = useSession();
  const { verdict, sentence, people, parts, repeats, atMs, byVariance, byRange } = study;
  const kinds = byVariance.categories === null ? 'any number of kinds' : `${byVariance.categories} kinds`;
  const other = byRange ? `; by ranges ${(byRange.ofTolerancePct ?? byRange.ofTotalPct).toFixed(0)} %` : '';
  return (
    <Finding
      severity={MARKS[verdict]}
      sentence={
        <>
          {sentence}.
          <Typography component="div" variant="body2" color="text.secondary">
            {date(atMs)}: {parts} parts, {repeats} times each by {people.join(', ')}. It tells {kinds} of part apart{other}.
          </Typography>
        </>
      }
    />
  );
}
