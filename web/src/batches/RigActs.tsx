import { TOGETHER } from '@ample-crane/core';
import { Button, Stack, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Caution } from '../parts/Caution.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { counted } from '../parts/words.ts';
import { Fold, FoldForm } from './Fold.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Card = View<'CardView'>;
type Choice = View<'RigChoiceView'>;

/** What may be done with a batch at the rigs it is pressed in: put in, closed, taken out. */
export function RigActs({ card }: { card: Card }) {
  const { rigs } = card;
  if (!rigs) return null;
  if (rigs.rigs.length === 0)
    return <Typography color="text.secondary">Nobody could say what is in the rigs for {rigs.stepName.toLowerCase()}.</Typography>;
  return (
    <Stack spacing={1.5} role="group" aria-label={`Rigs for ${rigs.stepName}`}>
      {rigs.wipe && <WipeAct card={card} wipe={rigs.wipe} />}
      {rigs.rigs.map((rig) => (
        <AtRig key={rig.rigId} card={card} rig={rig} outside={rigs.outside} />
      ))}
    </Stack>
  );
}

/** Faces that have to be wiped before they are glued, and how long a wipe still holds. */
function WipeAct({ card: { batch }, wipe }: { card: Card; wipe: View<'WipeStandingView'> }) {
  const { session, clock } = useSession();
  const { withWhat, minutes, due, untilMs } = wipe;
  const command = useBatchCommand('wipe', batch, `Wiped with ${withWhat}`);
  return (
    <Stack spacing={1}>
      <Typography>
        {due > 0 && `${counted(due, 'piece', 'pieces')} to be wiped with ${withWhat} before glue; a wipe holds ${minutes} min. `}
        {untilMs !== null && `${due > 0 ? 'The others are' : `Wiped with ${withWhat}:`} to be in by ${clock(untilMs)}.`}
      </Typography>
      <Caution kinds={['solvents']} />
      {due > 0 && (
        <Button
          size="large"
          variant="contained"
          loading={command.isPending}
          onClick={() => command.mutate({ personId: session.personId })}
          sx={{ alignSelf: 'start' }}
        >
          They are wiped
        </Button>
      )}
      {command.error && <ErrorNote error={command.error} />}
    </Stack>
  );
}

const own = ({ own: pieces, ownOver, isClosed, cycle }: Choice): string => {
  if (pieces === 0) return '';
  if (cycle === TOGETHER && !isClosed) return `${counted(pieces, 'piece', 'pieces')} of it in, still open`;
  return ownOver === pieces
    ? `all ${pieces} of it may come out`
    : ownOver > 0
      ? `${ownOver} of ${pieces} may come out`
      : `${pieces} of it in`;
};

function AtRig({ card, rig, outside }: { card: Card; rig: Choice; outside: number }) {
  const { batch } = card;
  const { session, clock, nowMs } = useSession();
  const { personId } = session;
  const { rigId, name, places, free, isClosed, ownOver, nextMs, closeByMs, cycle } = rig;
  const putIn = useBatchCommand('put-in', batch, `Put in ${name}`);
  const close = useBatchCommand('close-rig', batch, `Close ${name}`);
  const takeOut = useBatchCommand('take-out', batch, `Take out of ${name}`);
  const fits = Math.min(free, outside);
  const isOpen = cycle === TOGETHER && rig.own > 0 && !isClosed;
  const goesAhead = ownOver > 0 && outside > 0 && batch.status === 'dwelling';
  const state = [
    isClosed ? 'closed' : `${free} of ${places} places free`,
    own(rig),
    nextMs === null ? '' : `next ${clock(nextMs)}`,
    closeByMs === null ? '' : `close it by ${clock(closeByMs)}`,
    rig.others.length === 0 ? '' : `also ${rig.others.map((o) => `${o.batchId} (${o.pieces})`).join(', ')}`,
  ].filter((told) => told !== '');
  const error = putIn.error ?? close.error ?? takeOut.error;
  if (fits === 0 && rig.own === 0)
    return (
      <Typography color="text.secondary">
        {name}: {state.join(' · ')}
      </Typography>
    );
  return (
    <Stack spacing={1}>
      <Typography>
        <strong>{name}</strong>: {state.join(' · ')}
      </Typography>
      <Stack direction="row" useFlexGap spacing={1} sx={{ flexWrap: 'wrap' }}>
        {fits > 0 && (
          <Button
            size="large"
            variant={ownOver > 0 ? 'outlined' : 'contained'}
            loading={putIn.isPending}
            onClick={() => putIn.mutate({ personId, rigId })}
          >
            Put {fits} in {name}
          </Button>
        )}
        {isOpen && (
          <Button size="large" variant="contained" loading={close.isPending} onClick={() => close.mutate({ personId, rigId })}>
            Close {name}
          </Button>
        )}
        {ownOver > 0 && (
          <Button size="large" variant="contained" loading={takeOut.isPending} onClick={() => takeOut.mutate({ personId, rigId })}>
            Take {ownOver} out of {name}
          </Button>
        )}
        {goesAhead && (
          <Button size="large" variant="outlined" onClick={() => takeOut.mutate({ personId, rigId, ahead: true })}>
            Take out, and send ahead
          </Button>
        )}
        {isOpen && (
          <Button size="large" color="inherit" onClick={() => takeOut.mutate({ personId, rigId, back: true })}>
            Put back
          </Button>
        )}
        {isOpen && closeByMs !== null && closeByMs < nowMs && <LateClose card={card} rig={rig} />}
        {rig.own > ownOver && !isOpen && <EarlyOut card={card} rig={rig} />}
      </Stack>
      {error && <ErrorNote error={error} />}
    </Stack>
  );
}

/** Closed over glue that has lain open too long, by a lead with a reason. */
const LateClose = ({ card, rig }: { card: Card; rig: Choice }) => (
  <Fold label="Close it all the same…">{(close) => <LateCloseForm card={card} rig={rig} onClose={close} />}</Fold>
);

function LateCloseForm({ card, rig: { rigId, name }, onClose }: { card: Card; rig: Choice; onClose: () => void }) {
  const { session, may } = useSession();
  const { control, handleSubmit } = useForm({ defaultValues: { reason: '' } });
  const typed = useTyped(control);
  const close = useBatchCommand('close-rig', card.batch, `Close ${name} over old glue`, onClose);
  return (
    <FoldForm
      submit="Close it"
      disabled={!may('lead') || typed.reason.trim().length < 5}
      pending={close.isPending}
      error={close.error}
      onSubmit={handleSubmit(({ reason }) => close.mutate({ personId: session.personId, rigId, overrideReason: reason }))}
      onClose={onClose}
    >
      <Typography variant="body2">
        {may('lead')
          ? 'Glue that has skinned over holds less. The reason stays on the record.'
          : 'A lead may close it all the same, with a reason.'}
      </Typography>
      {may('lead') && <TextIn control={control} name="reason" label="Reason" />}
    </FoldForm>
  );
}

/** Out before its time: put in by mistake, or by a lead with a reason. */
const EarlyOut = ({ card, rig }: { card: Card; rig: Choice }) => (
  <Fold label="Out before its time…">{(close) => <EarlyOutForm card={card} rig={rig} onClose={close} />}</Fold>
);

function EarlyOutForm({ card, rig: { rigId, name, isClosed }, onClose }: { card: Card; rig: Choice; onClose: () => void }) {
  const { session, may } = useSession();
  const { personId } = session;
  const { control, handleSubmit } = useForm({ defaultValues: { reason: '' } });
  const typed = useTyped(control);
  const takeOut = useBatchCommand('take-out', card.batch, `Take out of ${name} early`, onClose);
  return (
    <FoldForm
      submit="Take out early"
      disabled={!may('lead') || typed.reason.trim().length < 5}
      pending={takeOut.isPending}
      error={takeOut.error}
      onSubmit={handleSubmit(({ reason }) => takeOut.mutate({ personId, rigId, overrideReason: reason }))}
      onClose={onClose}
      beside={
        !isClosed && (
          <Button color="inherit" onClick={() => takeOut.mutate({ personId, rigId, back: true })}>
            It goes in again
          </Button>
        )
      }
    >
      <Typography variant="body2">
        {may('lead')
          ? 'What is taken out early may creep. The reason stays on the record.'
          : 'A lead may take it out early, with a reason.'}
      </Typography>
      {may('lead') && <TextIn control={control} name="reason" label="Reason" />}
    </FoldForm>
  );
}
