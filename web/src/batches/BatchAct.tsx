import { Box, Button, Stack, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { AcceptAct } from './AcceptAct.tsx';
import { SendAct } from './AwayActs.tsx';
import { CallAct, JoinAct, PartAct, RefitAct } from './BenchActs.tsx';
import { CoatForm } from './CoatForm.tsx';
import { FinishForm } from './FinishForm.tsx';
import { HandOverAct } from './HandOverAct.tsx';
import { HoldAct } from './HoldAct.tsx';
import { MeasuresForm } from './MeasuresForm.tsx';
import { PauseAct } from './PauseAct.tsx';
import { RigActs } from './RigActs.tsx';
import { SeldomActs } from './SeldomActs.tsx';
import { WorkerAct } from './WorkerAct.tsx';

type Card = View<'CardView'>;

/** The act that is due on a batch, and the few others that are possible. */
export function BatchAct({ card }: { card: Card }) {
  const { may } = useSession();
  const { batch } = card;
  if (batch.status === 'done') return <Typography color="text.secondary">This batch is done.</Typography>;
  if (!may('operator')) return <Typography color="text.secondary">An operator or above can log work here.</Typography>;
  return (
    <Stack spacing={2} sx={{ mt: 1 }}>
      {batch.missing.length > 0 && <FindingList findings={batch.missing} />}
      <DueAct card={card} />
      <SeldomActs card={card} />
      {may('lead') && <HoldAct card={card} />}
    </Stack>
  );
}

/** What is due, by where the batch stands. */
function DueAct({ card }: { card: Card }) {
  const { batch } = card;
  switch (batch.status) {
    case 'queued':
      return <BeginAct card={card} />;
    case 'running':
      return (
        <>
          {card.coatPlan && <CoatForm card={card} plan={card.coatPlan} />}
          {card.characteristics.length > 0 && <MeasuresForm card={card} />}
          <RigActs card={card} />
          <FinishForm key={`${batch.operationId}/${batch.pass}`} card={card} act="finish" />
          <PauseAct card={card} />
        </>
      );
    case 'paused':
      return <WorkerAct card={card} act="resume" />;
    case 'away':
      return <FinishForm card={card} act="receive" />;
    case 'stocked':
      return <CallAct card={card} />;
    case 'finished':
    case 'dwelling':
      return (
        <>
          {card.characteristics.length > 0 && batch.status === 'dwelling' && <MeasuresForm card={card} />}
          {batch.acceptFor !== null && <AcceptAct key={batch.acceptFor} card={card} skill={batch.acceptFor} />}
          <RigActs card={card} />
          <MoveAct card={card} />
        </>
      );
    default:
      return null;
  }
}

/** A batch that waits to be taken up: by the kind of its step. */
function BeginAct({ card }: { card: Card }) {
  const { batch } = card;
  switch (batch.operationKind) {
    case 'work':
      return (
        <>
          {(!batch.handOver || batch.accepted || batch.redo) && <WorkerAct key={card.kitShortage?.enoughFor} card={card} act="start" />}
          <HandOverAct card={card} />
        </>
      );
    case 'outside':
    case 'transfer':
      return <SendAct card={card} />;
    case 'join':
      return <JoinAct card={card} />;
    case 'part':
      return <PartAct card={card} />;
    case 'refit':
      return <RefitAct card={card} />;
    case 'fit':
      return <ToBench to="/fitting">To the fitting bench</ToBench>;
    case 'dispatch':
      return <ToBench to="/dispatch">To the ledger</ToBench>;
    default:
      return null;
  }
}

const ToBench = ({ to, children }: { to: string; children: string }) => (
  <Button component={RouterLink} to={to} variant="contained" sx={{ alignSelf: 'start' }}>
    {children}
  </Button>
);

/** On through the gate; where a loop asks, accepted or round again. */
function MoveAct({ card }: { card: Card }) {
  const { may } = useSession();
  const { batch } = card;
  const { question } = batch;
  const gate = { subject: 'batch' as const, id: batch.id, version: batch.version };
  const on = `Move to ${batch.nextOperationName ?? 'the next step'}`;
  if (question === null)
    return (
      <Box>
        {batch.verdict === 'pass' ? (
          <GateAct {...gate} label={on} variant="contained" />
        ) : may('lead') ? (
          <GateAct {...gate} label="Move with a reason" />
        ) : (
          <Typography color="text.secondary">A lead may move it before that, with a reason.</Typography>
        )}
      </Box>
    );
  return (
    <Box>
      <Typography sx={{ mb: 1 }}>{question}</Typography>
      <Stack direction="row" spacing={1.5}>
        <GateAct {...gate} label={`Accepted: ${on.toLowerCase()}`} variant="contained" accepted />
        <GateAct {...gate} label="Round again" accepted={false} />
      </Stack>
    </Box>
  );
}
