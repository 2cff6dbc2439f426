import { fatesIn, type Disposition } from '@ample-crane/core';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, idChoices, TextIn, TicksIn, useTyped } from '../parts/fields.tsx';
import { Fold, FoldForm } from './Fold.tsx';
import { DefectIn, OriginIn } from './PieceActs.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Card = View<'CardView'>;

/** Every station checks the step before it: takes the batch over, or says what is wrong and where it goes. */
export function HandOverAct({ card }: { card: Card }) {
  const { batch } = card;
  const accept = useBatchCommand('accept', batch, `Take over at ${batch.operationName.toLowerCase()}`);
  const asked = batch.handOver && !batch.accepted && !batch.redo;
  return (
    <Stack spacing={1.5}>
      {asked && (
        <Box>
          <Typography sx={{ mb: 1 }}>Check the step before this one, then take it over.</Typography>
          <Button variant="contained" size="large" loading={accept.isPending} onClick={() => accept.mutate({})}>
            Take it over
          </Button>
        </Box>
      )}
      {accept.error && <ErrorNote error={accept.error} />}
      <Fold label="Refuse pieces…">{(close) => <RefuseForm card={card} onClose={close} />}</Fold>
    </Stack>
  );
}

/** Found in the middle of work, or after it: what is wrong goes back at once, the rest goes on. */
export const SendBack = ({ card }: { card: Card }) => (
  <Fold label="Send pieces back…">{(close) => <RefuseForm card={card} onClose={close} />}</Fold>
);

const DISPOSITION_WORDS: Record<Disposition, string> = {
  'use as is': 'use as it is, on record',
  rework: 'goes back for rework',
  scrap: 'scrap',
  hold: 'hold apart',
};

interface RefusalFields {
  chosen: string[];
  defect: string;
  originOperationId: string;
  disposition: Disposition;
  note: string;
  backTo: string;
}

function RefuseForm({ card, onClose }: { card: Card; onClose: () => void }) {
  const { batch, inPass, originChoices, visits } = card;
  const done = originChoices.filter(
    (o) => o.id !== batch.operationId && visits.some((v) => v.operationId === o.id && v.finishedMs !== null),
  );
  const { control, handleSubmit } = useForm<RefusalFields>({
    defaultValues: {
      chosen: [],
      defect: '',
      originOperationId: originChoices[0]?.id ?? batch.operationId,
      disposition: 'rework',
      note: '',
      backTo: done.at(-1)?.id ?? '',
    },
  });
  const typed = useTyped(control);
  const { chosen, defect, disposition } = typed;
  const atHandOver = batch.status === 'queued';
  const verb = atHandOver ? 'Refuse' : 'Send back';
  const refuse = useBatchCommand('refuse', batch, `${verb} ${chosen.length} at ${batch.operationName.toLowerCase()}`, onClose);
  const submit = ({ chosen: ids, backTo, ...fault }: RefusalFields) => {
    const toOperationId = fault.disposition === 'rework' ? backTo : null;
    refuse.mutate({ pieces: ids.map((pieceId) => ({ pieceId, ...fault, toOperationId })) });
  };
  return (
    <FoldForm
      submit={`${verb} ${chosen.length > 0 ? chosen.length : ''}`}
      color="error"
      disabled={chosen.length === 0 || defect === ''}
      pending={refuse.isPending}
      error={refuse.error}
      onSubmit={handleSubmit(submit)}
      onClose={onClose}
    >
      <TicksIn
        control={control}
        name="chosen"
        label={atHandOver ? 'Pieces to refuse' : 'Pieces with something wrong'}
        choices={idChoices(inPass)}
      />
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
        <DefectIn card={card} control={control} name="defect" />
        <OriginIn card={card} control={control} name="originOperationId" />
        <ChoiceIn
          control={control}
          name="disposition"
          label="What becomes of it"
          choices={fatesIn(batch.status).map((d) => [d, DISPOSITION_WORDS[d]])}
          sx={{ minWidth: 170 }}
        />
        {disposition === 'rework' && (
          <ChoiceIn control={control} name="backTo" label="Back to" choices={done.map((o) => [o.id, o.name])} sx={{ minWidth: 170 }} />
        )}
        <TextIn control={control} name="note" label="Note" />
      </Stack>
    </FoldForm>
  );
}
