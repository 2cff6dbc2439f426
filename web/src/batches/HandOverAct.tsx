import { DEFECTS, DISPOSITIONS, type DefectKind, type Disposition } from '@ample-crane/core';
import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Fold, FoldButtons } from './Fold.tsx';
import { PieceChoice } from './PieceActs.tsx';
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

const DISPOSITION_WORDS: Record<Disposition, string> = {
  'use as is': 'use as it is, on record',
  rework: 'goes back for rework',
  scrap: 'scrap',
  hold: 'hold apart',
};

function RefuseForm({ card, onClose }: { card: Card; onClose: () => void }) {
  const { batch, inPass, originChoices, visits } = card;
  const [chosen, setChosen] = useState<string[]>([]);
  const [defect, setDefect] = useState<DefectKind | ''>('');
  const [origin, setOrigin] = useState(originChoices[0]?.id ?? batch.operationId);
  const [disposition, setDisposition] = useState<Disposition>('rework');
  const [note, setNote] = useState('');
  const done = originChoices.filter((o) => visits.some((v) => v.operationId === o.id && v.finishedMs !== null));
  const [backTo, setBackTo] = useState(done.at(-1)?.id ?? '');
  const refuse = useBatchCommand('refuse', batch, `Refuse ${chosen.length} at ${batch.operationName.toLowerCase()}`, onClose);
  const submit = () =>
    defect !== '' &&
    refuse.mutate({
      pieces: chosen.map((pieceId) => ({
        pieceId,
        defect,
        originOperationId: origin,
        note,
        disposition,
        toOperationId: disposition === 'rework' ? backTo : null,
      })),
    });
  return (
    <>
      <PieceChoice label="Pieces to refuse" ids={inPass} chosen={chosen} onChange={setChosen} />
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
        <Choice
          label="What is wrong"
          value={defect}
          onChange={(v) => setDefect(DEFECTS.find((d) => d === v) ?? '')}
          choices={DEFECTS.map((d) => [d, d])}
        />
        <Choice label="Comes from" value={origin} onChange={setOrigin} choices={originChoices.map((o) => [o.id, o.name])} />
        <Choice
          label="What becomes of it"
          value={disposition}
          onChange={(v) => setDisposition(DISPOSITIONS.find((d) => d === v) ?? 'rework')}
          choices={DISPOSITIONS.map((d) => [d, DISPOSITION_WORDS[d]])}
        />
        {disposition === 'rework' && (
          <Choice label="Back to" value={backTo} onChange={setBackTo} choices={done.map((o) => [o.id, o.name])} />
        )}
        <TextField label="Note" value={note} onChange={(event) => setNote(event.target.value)} />
      </Stack>
      {refuse.error && <ErrorNote error={refuse.error} />}
      <FoldButtons onClose={onClose}>
        <Button
          color="error"
          variant="outlined"
          disabled={chosen.length === 0 || defect === ''}
          loading={refuse.isPending}
          onClick={submit}
        >
          Refuse {chosen.length > 0 ? chosen.length : ''}
        </Button>
      </FoldButtons>
    </>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  choices: readonly (readonly [string, string])[];
}

function Choice({ label, value, onChange, choices }: ChoiceProps) {
  return (
    <TextField select label={label} value={value} onChange={(event) => onChange(event.target.value)} sx={{ minWidth: 170 }}>
      {choices.map(([id, name]) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}
