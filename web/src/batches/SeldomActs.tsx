import { Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Fold, FoldButtons } from './Fold.tsx';
import { PlaceForm } from './PlaceForm.tsx';
import { FinishSomeForm, PieceChoice, ScrapForm } from './PieceActs.tsx';
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
      {still && may('lead') && <Fold label="Scrap pieces…">{(close) => <ScrapForm card={card} onClose={close} />}</Fold>}
      {undo && <Fold label="Take the last entry back…">{(close) => <UndoForm card={card} undo={undo} onClose={close} />}</Fold>}
    </Stack>
  );
}

function SplitForm({ card, onClose }: { card: Card; onClose: () => void }) {
  const { batch, pieces } = card;
  const live = pieces.filter((p) => p.state === 'good' || p.state === 'rework');
  const [chosen, setChosen] = useState<string[]>([]);
  const split = useBatchCommand('split', batch, `Split ${chosen.length} off`, onClose);
  return (
    <>
      <PieceChoice label="Pieces that go their own way" ids={live.map((p) => p.id)} chosen={chosen} onChange={setChosen} />
      {split.error && <ErrorNote error={split.error} />}
      <FoldButtons onClose={onClose}>
        <Button
          variant="outlined"
          disabled={chosen.length === 0 || chosen.length === live.length}
          loading={split.isPending}
          onClick={() => split.mutate({ pieceIds: chosen })}
        >
          Split {chosen.length > 0 ? `${chosen.length} off` : ''}
        </Button>
      </FoldButtons>
    </>
  );
}

function MergeForm({ card, onClose }: { card: Card; onClose: () => void }) {
  const { batch, besides } = card;
  const alike = besides.filter((b) => b.component === batch.component);
  const [fromBatchId, setFromBatchId] = useState(alike[0]?.id ?? '');
  const merge = useBatchCommand('merge', batch, `Take ${fromBatchId} in`, onClose);
  return (
    <>
      <TextField
        select
        label="Batch at the same step"
        value={fromBatchId}
        onChange={(event) => setFromBatchId(event.target.value)}
        sx={{ minWidth: 220 }}
      >
        {alike.map((b) => (
          <MenuItem key={b.id} value={b.id}>
            {b.id}, {b.quantity} pieces
          </MenuItem>
        ))}
      </TextField>
      {merge.error && <ErrorNote error={merge.error} />}
      <FoldButtons onClose={onClose}>
        <Button variant="outlined" loading={merge.isPending} onClick={() => merge.mutate({ fromBatchId })}>
          Take it in
        </Button>
      </FoldButtons>
    </>
  );
}

function UndoForm({ card, undo, onClose }: { card: Card; undo: View<'UndoView'>; onClose: () => void }) {
  const { batch } = card;
  const [reason, setReason] = useState('');
  const takeBack = useBatchCommand('undo', batch, `Take back: ${undo.sentence}`, onClose);
  return (
    <>
      <Typography variant="body2">{undo.sentence}. The entry stays in the log; a new one takes it back.</Typography>
      <TextField label="Why it is taken back" value={reason} onChange={(event) => setReason(event.target.value)} autoFocus />
      {takeBack.error && <ErrorNote error={takeBack.error} />}
      <FoldButtons onClose={onClose}>
        <Button
          variant="outlined"
          disabled={reason.trim() === ''}
          loading={takeBack.isPending}
          onClick={() => takeBack.mutate({ entryId: undo.entryId, reason })}
        >
          Take it back
        </Button>
      </FoldButtons>
    </>
  );
}
