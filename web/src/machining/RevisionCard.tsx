import { BATCHES_FOR_A_PLAN, plannedLoadMinutes, type RevisionState } from '@ample-crane/core';
import { Box, Button, Paper, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { SeverityMark, type Severity } from '../parts/Finding.tsx';
import { MoveRevisionDialog } from './MoveRevisionDialog.tsx';
import { PlanRevisionDialog } from './PlanRevisionDialog.tsx';
import { ProveRevisionDialog } from './ProveRevisionDialog.tsx';
import { stateWords } from './programWords.ts';
import { truthInWords } from './truthInWords.ts';

type Revision = View<'RevisionView'>;

const MARKS: Readonly<Record<RevisionState, Severity>> = {
  drawn: 'waiting',
  checked: 'waiting',
  proven: 'attention',
  released: 'ready',
  withdrawn: 'waiting',
};
/** What comes next, as one would say it on a button. */
const NEXT: Readonly<Record<RevisionState, string | null>> = {
  drawn: 'Checked on the screen',
  checked: 'First piece measured',
  proven: 'Release for work',
  released: null,
  withdrawn: null,
};

/** One revision: how far it has come, what it needs, and what its loads take against what was planned. */
export function RevisionCard({ program, revision }: { program: View<'ProgramView'>; revision: Revision }) {
  const { may, dateTime } = useSession();
  const [open, setOpen] = useState<'next' | 'withdraw' | 'plan' | null>(null);
  const { name, state, why, steps, proof } = revision;
  const next = NEXT[state];
  const close = () => setOpen(null);
  const { line } = program;
  return (
    <Paper variant="outlined" component="article" aria-label={`Revision ${name}`} sx={{ p: 1.5, mb: 1.5 }}>
      <Stack direction="row" useFlexGap spacing={1} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
        <SeverityMark severity={MARKS[state]} />
        <Typography component="h3" sx={{ fontWeight: 600, flex: '1 1 auto' }}>
          Revision {name}, {stateWords(state)}
        </Typography>
        {may('lead') && next !== null && (
          <Button variant="contained" onClick={() => setOpen('next')}>
            {next}
          </Button>
        )}
        {may('lead') && state !== 'withdrawn' && (
          <>
            <Button onClick={() => setOpen('plan')}>Plan other minutes</Button>
            <Button color="error" onClick={() => setOpen('withdraw')}>
              Withdraw
            </Button>
          </>
        )}
      </Stack>
      <Typography sx={{ mt: 0.5 }}>{why}</Typography>
      <Typography variant="body2" color="text.secondary">
        {whatItNeeds(revision)}
      </Typography>
      <TimeTruths revision={revision} />
      {proof && <Proof proof={proof} />}
      <Box component="ol" sx={{ m: 0, mt: 1, pl: 2.5, color: 'text.secondary', fontSize: 14 }}>
        {steps.map((step) => (
          <li key={`${step.state}${step.atMs}`}>
            {stateWords(step.state)}, {dateTime(step.atMs)}, {step.by}
            {step.note !== '' && step.note !== why && `: ${step.note}`}
          </li>
        ))}
      </Box>
      {open === 'next' && state === 'checked' && <ProveRevisionDialog program={program} revision={revision} onClose={close} />}
      {open === 'next' && state !== 'checked' && (
        <MoveRevisionDialog line={line} revision={revision} to={state === 'drawn' ? 'checked' : 'released'} onClose={close} />
      )}
      {open === 'withdraw' && <MoveRevisionDialog line={line} revision={revision} to="withdrawn" onClose={close} />}
      {open === 'plan' && <PlanRevisionDialog line={line} revision={revision} onClose={close} />}
    </Paper>
  );
}

const whatItNeeds = ({ file, fixture, piecesALoad, cutters }: Revision): string =>
  [
    ...(file === '' ? [] : [`file ${file}`]),
    ...(fixture === '' ? [] : [`fixture ${fixture}`]),
    `${piecesALoad} a load`,
    ...cutters.map((c) => `${c.cutter} ${c.minutes} min`),
  ].join(' · ');

/** Planned minutes, and what was observed where it was run. */
function TimeTruths({ revision: { planned, truths } }: { revision: Revision }) {
  const total = plannedLoadMinutes(planned);
  return (
    <Box sx={{ mt: 1 }}>
      <Typography>
        Planned: {total} min a load ({planned.load} on, {planned.run} running, {planned.unload} off), {planned.setUp} min to set up.
      </Typography>
      {truths.length === 0 && (
        <Typography variant="body2" color="text.secondary">
          No load of it has been timed yet.
        </Typography>
      )}
      {truths.map((truth) => (
        <Typography key={truth.stationCode}>
          {truth.stationName}: {truthInWords(truth, total)}
          {truth.load !== null && truth.load.count < BATCHES_FOR_A_PLAN && ' Too few to plan by.'}
        </Typography>
      ))}
    </Box>
  );
}

function Proof({ proof }: { proof: View<'ProofView'> }) {
  const { dateTime } = useSession();
  const tell = useTell();
  return (
    <Typography variant="body2" sx={{ mt: 1 }}>
      First piece {proof.piece}, {proof.by}, {dateTime(proof.atMs)}
      {proof.measures.map((m) => `; ${m.name.toLowerCase()} ${tell(`${m.value} ${m.unit}`)} (${m.low} to ${m.high})`)}
      {proof.note !== '' && `; ${proof.note}`}
    </Typography>
  );
}
