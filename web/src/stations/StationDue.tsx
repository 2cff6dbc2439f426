import { formatWork, maySendBack } from '@ample-crane/core';
import { Box, Button, Link, Paper, Stack, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import { problemOf, type View } from '../ground/api.ts';
import { useCard } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Figure, Id } from '../parts/Answer.tsx';
import { Caution } from '../parts/Caution.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { StreamGlyph } from '../parts/StreamGlyph.tsx';
import { carriersOf, pieces } from '../parts/words.ts';
import { AcceptAct } from '../batches/AcceptAct.tsx';
import { CoatForm } from '../batches/CoatForm.tsx';
import { FinishForm } from '../batches/FinishForm.tsx';
import { HandOverAct, SendBack } from '../batches/HandOverAct.tsx';
import { MeasuresForm } from '../batches/MeasuresForm.tsx';
import { cardAsSeen, heldQuery, useSeen } from '../batches/seen.ts';
import { ByOutbox, useBatchCommand } from '../batches/useBatchCommand.ts';
import { RigActs } from '../batches/RigActs.tsx';
import { SheetPanel } from '../batches/SheetPanel.tsx';
import { isClosedWindow, ScuffAct } from '../batches/ScuffAct.tsx';
import { WorkerAct } from '../batches/WorkerAct.tsx';

type Card = View<'CardView'>;
/** A finger with glue on it hits this. */
const BIG = { minHeight: 56, fontSize: 18, px: 3 } as const;

interface Props {
  batchId: string;
  /** whether it is at the station that shows it, not scanned at another or gone on */
  isHere: boolean;
}

/** One batch at a station: what it is meant to become, and the one act that is due. */
export function StationDue({ batchId, isHere }: Props) {
  const query = useCard(batchId);
  // What is shown here can be worked on when the network is gone, wherever the card came from.
  useQuery(heldQuery(batchId));
  // Said at the first failure: it goes on trying.
  const trouble = query.error ?? query.failureReason;
  return (
    <Paper component="section" aria-label={`Batch ${batchId}`} sx={{ p: 2, minHeight: 200 }}>
      {query.data ? (
        <ByOutbox value>
          <Due card={query.data} isHere={isHere} />
        </ByOutbox>
      ) : trouble ? (
        <NotHere batchId={batchId} error={trouble} onRetry={() => void query.refetch()} />
      ) : (
        <Typography color="text.secondary">
          Looking for the card of <Id>{batchId}</Id>…
        </Typography>
      )}
    </Paper>
  );
}

/** A card that this device was never told of: without network it has nothing to go by. */
function NotHere({ batchId, error, onRetry }: { batchId: string; error: Error; onRetry: () => void }) {
  if (problemOf(error).status !== 0) return <ErrorNote error={error} onRetry={onRetry} />;
  return (
    <>
      <Typography>
        This device has no copy of the card of <Id>{batchId}</Id>, and the server cannot be reached.
      </Typography>
      <Button size="large" onClick={onRetry} sx={{ mt: 1, minHeight: 56 }}>
        Try again
      </Button>
    </>
  );
}

function Due({ card, isHere }: { card: Card; isHere: boolean }) {
  const { may, session, nowMs } = useSession();
  const seen = useSeen([card.batch])(card.batch.id);
  const shown = cardAsSeen(card, seen, nowMs);
  const { batch } = shown;
  return (
    <Stack
      spacing={2}
      sx={{ '& .MuiButton-sizeLarge': BIG, '& .MuiCheckbox-root': { p: 1.5 }, '& .MuiToggleButton-root': { minHeight: 48, px: 2 } }}
    >
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
        <StreamGlyph of={batch.component} size={44} />
        <Box sx={{ flex: 1 }}>
          <Typography variant="h2" sx={{ fontSize: '1.35rem' }}>
            {batch.operationName}
            {batch.pass > 1 && `, pass ${batch.pass}`}
            {batch.redo && ', pieces that came back'}
          </Typography>
          <Typography>
            <Link component={RouterLink} to={`/batches/${batch.id}`}>
              <Id>{batch.id}</Id>
            </Link>{' '}
            · {pieces(shown.inPass.length, batch.component)} of {batch.modelName}
            {batch.placements.length > 0 && ` · ${carriersOf(batch)}`} · for {card.customer}
          </Typography>
          <Typography color="text.secondary">{whatItNeeds(card)}</Typography>
          {!isHere && <Typography sx={{ fontWeight: 500 }}>It is at {batch.stationName} now.</Typography>}
        </Box>
      </Stack>
      {seen.waiting > 0 && (
        <Typography role="status" color="text.secondary">
          <Figure>{seen.waiting}</Figure> of your entries {seen.waiting === 1 ? 'waits' : 'wait'} to be sent.
          {seen.objection !== null &&
            ` As far as this device knows, ${seen.waiting === 1 ? 'it' : 'one of them'} will be refused: ${seen.objection}.`}
        </Typography>
      )}
      {seen.gone ? (
        <Typography>Finished here. It goes on when the entry is sent.</Typography>
      ) : may('operator') ? (
        <Acts card={shown} />
      ) : (
        <Typography color="text.secondary">
          {session.station === null ? 'An operator or above can log work here.' : 'Say above who you are; then work can be logged here.'}
        </Typography>
      )}
      {shown.sheet && <SheetPanel sheet={shown.sheet} step={batch.operationName} />}
      <Caution kinds={card.cautions} />
    </Stack>
  );
}

/** "Clear finish, gold hardware · lot L137 in Bay 3 · about 48 min of work": what whoever begins it looks for first; wood, where it is cut. */
function whatItNeeds({ batch, options, lotPlace }: Card): string {
  const lot =
    batch.lotId === null || batch.stage !== 'roughMill' ? null : `lot ${batch.lotId}${lotPlace === null ? '' : ` in ${lotPlace}`}`;
  const time = batch.touchMinutes > 0 ? `about ${formatWork(batch.touchMinutes)} of work` : null;
  return [...options, lot, time].filter((said) => said !== null).join(' · ');
}

function Acts({ card }: { card: Card }): ReactNode {
  const { batch } = card;
  switch (batch.status) {
    case 'queued':
      if (batch.operationKind !== 'work') return <ToCard batch={batch} />;
      return (
        <>
          {batch.missing.length > 0 && <FindingList findings={batch.missing} />}
          {(!batch.handOver || batch.accepted || batch.redo) && <WorkerAct key={card.kitShortage?.enoughFor} card={card} act="start" />}
          <HandOverAct card={card} />
        </>
      );
    case 'running':
      return (
        <>
          {card.coatPlan && <CoatForm card={card} plan={card.coatPlan} />}
          {card.characteristics.length > 0 && <MeasuresForm card={card} />}
          <RigActs card={card} />
          <FinishForm key={`${batch.operationId}/${batch.pass}`} card={card} act="finish" folded />
          <PauseByCause card={card} />
          {maySendBack(batch) && <SendBack card={card} />}
        </>
      );
    case 'paused':
      return (
        <>
          <WorkerAct card={card} act="resume" />
          {maySendBack(batch) && <SendBack card={card} />}
        </>
      );
    case 'dwelling':
    case 'finished':
      return (
        <>
          <RigActs card={card} />
          <MoveOn card={card} />
          {maySendBack(batch) && <SendBack card={card} />}
        </>
      );
    default:
      return (
        <>
          <FindingList findings={batch.findings} />
          <ToCard batch={batch} />
        </>
      );
  }
}

const ToCard = ({ batch }: { batch: View<'BatchView'> }) => (
  <Button component={RouterLink} to={`/batches/${batch.id}`} variant="outlined" size="large" sx={{ alignSelf: 'start' }}>
    To its card
  </Button>
);

/** One button for each cause: what stops the work is part of the record. */
function PauseByCause({ card }: { card: Card }) {
  const { pauseCauses } = useSession().session;
  const [open, setOpen] = useState(false);
  const pause = useBatchCommand('pause', card.batch, 'Pause', () => setOpen(false));
  if (!open)
    return (
      <Button variant="outlined" size="large" onClick={() => setOpen(true)} sx={{ alignSelf: 'start' }}>
        Pause…
      </Button>
    );
  return (
    <Box role="group" aria-label="Why it is paused">
      <Stack direction="row" useFlexGap spacing={1} sx={{ flexWrap: 'wrap' }}>
        {pauseCauses.map(({ key, text }) => (
          <Button key={key} variant="outlined" size="large" onClick={() => pause.mutate({ cause: key })}>
            {text}
          </Button>
        ))}
        <Button size="large" color="inherit" onClick={() => setOpen(false)}>
          Go on working
        </Button>
      </Stack>
    </Box>
  );
}

/** What waits shows until when; what is free moves on, and a loop asks its question. */
function MoveOn({ card }: { card: Card }) {
  const { batch } = card;
  const on = `Move to ${batch.nextOperationName ?? 'the next step'}`;
  const move = useBatchCommand('move', batch, on);
  return (
    <>
      <FindingList findings={batch.findings} />
      {batch.findings.some(isClosedWindow) && <ScuffAct card={card} />}
      {batch.question !== null && <Typography>{batch.question}</Typography>}
      {batch.verdict === 'pass' && (
        <Stack direction="row" useFlexGap spacing={1} sx={{ flexWrap: 'wrap' }}>
          <Button variant="contained" size="large" onClick={() => move.mutate(batch.question === null ? {} : { accepted: true })}>
            {batch.question === null ? on : `Accepted: ${on.toLowerCase()}`}
          </Button>
          {batch.question !== null && (
            <Button variant="outlined" size="large" onClick={() => move.mutate({ accepted: false })}>
              Round again
            </Button>
          )}
        </Stack>
      )}
      {batch.acceptFor !== null && <AcceptAct card={card} skill={batch.acceptFor} />}
    </>
  );
}
