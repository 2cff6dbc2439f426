import { maySendBack } from '@ample-crane/core';
import { Stack, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { ChoiceIn, idChoices, TextIn, TicksIn, useTyped } from '../parts/fields.tsx';
import { Fold, FoldForm } from './Fold.tsx';
import { SendBack } from './HandOverAct.tsx';
import { PlaceForm } from './PlaceForm.tsx';
import { FinishSomeForm, ScrapForm } from './PieceActs.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Card = View<'CardView'>;

/** What is not due but possible: another carrier, splitting, bringing together, taking the last entry back. */
export function SeldomActs({ card }: { card: Card }) {
  const { batch, besides, undo } = card;
  const { may } = useSession();
  const still = batch.status === 'queued' || batch.status === 'finished' || batch.status === 'dwelling' || batch.status === 'stocked';
  const alike = besides.filter((b) => b.component === batch.component);
  return (
    <Stack direction="row" useFlexGap spacing={1} sx={{ flexWrap: 'wrap' }}>
      <Fold label="Put on another carrier…">{(close) => <PlaceForm card={card} onClose={close} />}</Fold>
      {still && batch.quantity > 1 && <Fold label="Split…">{(close) => <SplitForm card={card} onClose={close} />}</Fold>}
      {still && alike.length > 0 && <Fold label="Take another batch in…">{(close) => <MergeForm card={card} onClose={close} />}</Fold>}
      {batch.status === 'running' && card.inPass.length > 1 && !batch.redo && (
        <Fold label="Some are ready…">{(close) => <FinishSomeForm card={card} onClose={close} />}</Fold>
      )}
      {batch.status !== 'queued' && maySendBack(batch) && <SendBack card={card} />}
      {still && may('lead') && <Fold label="Scrap pieces…">{(close) => <ScrapForm card={card} onClose={close} />}</Fold>}
      {undo && <Fold label="Take the last entry back…">{(close) => <UndoForm card={card} undo={undo} onClose={close} />}</Fold>}
    </Stack>
  );
}

function SplitForm({ card, onClose }: { card: Card; onClose: () => void }) {
  const { batch, pieces } = card;
  const live = pieces.filter((p) => p.state === 'good' || p.state === 'rework');
  const { control, handleSubmit } = useForm<{ pieceIds: string[] }>({ defaultValues: { pieceIds: [] } });
  const typed = useTyped(control);
  const { length } = typed.pieceIds;
  const split = useBatchCommand('split', batch, `Split ${length} off`, onClose);
  return (
    <FoldForm
      submit={`Split ${length > 0 ? `${length} off` : ''}`}
      disabled={length === 0 || length === live.length}
      pending={split.isPending}
      error={split.error}
      onSubmit={handleSubmit((fields) => split.mutate(fields))}
      onClose={onClose}
    >
      <TicksIn control={control} name="pieceIds" label="Pieces that go their own way" choices={idChoices(live.map((p) => p.id))} />
    </FoldForm>
  );
}

function MergeForm({ card, onClose }: { card: Card; onClose: () => void }) {
  const { batch, besides } = card;
  const alike = besides.filter((b) => b.component === batch.component);
  const { control, handleSubmit } = useForm({ defaultValues: { fromBatchId: alike[0]?.id ?? '' } });
  const typed = useTyped(control);
  const merge = useBatchCommand('merge', batch, `Take ${typed.fromBatchId} in`, onClose);
  return (
    <FoldForm
      submit="Take it in"
      pending={merge.isPending}
      error={merge.error}
      onSubmit={handleSubmit((fields) => merge.mutate(fields))}
      onClose={onClose}
    >
      <ChoiceIn
        control={control}
        name="fromBatchId"
        label="Batch at the same step"
        choices={alike.map((b) => [b.id, `${b.id}, ${b.quantity} pieces`])}
        sx={{ minWidth: 220 }}
      />
    </FoldForm>
  );
}

function UndoForm({ card, undo, onClose }: { card: Card; undo: View<'UndoView'>; onClose: () => void }) {
  const tell = useTell();
  const { control, handleSubmit } = useForm({ defaultValues: { reason: '' } });
  const typed = useTyped(control);
  const takeBack = useBatchCommand('undo', card.batch, `Take back: ${undo.sentence}`, onClose);
  return (
    <FoldForm
      submit="Take it back"
      disabled={typed.reason.trim() === ''}
      pending={takeBack.isPending}
      error={takeBack.error}
      onSubmit={handleSubmit(({ reason }) => takeBack.mutate({ entryId: undo.entryId, reason }))}
      onClose={onClose}
    >
      <Typography variant="body2">{tell(undo.sentence)}. The entry stays in the log; a new one takes it back.</Typography>
      <TextIn control={control} name="reason" label="Why it is taken back" autoFocus />
    </FoldForm>
  );
}
