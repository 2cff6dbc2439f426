import { TRIAL_VERDICTS, type TrialVerdict } from '@ample-crane/core';
import { Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { ChoiceIn, idChoices, TextIn, useTyped } from '../parts/fields.tsx';
import { Fold, FoldForm } from './Fold.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

type Card = View<'CardView'>;

/** What a trial has shown, and a lead's verdict on it. */
export function VerdictAct({ card }: { card: Card }) {
  const { batch } = card;
  const { may, clock } = useSession();
  if (batch.workClass !== 'trial') return null;
  const { judged } = batch;
  return (
    <>
      <Typography>
        {judged
          ? `Trial: ${judged.verdict}. ${judged.words} (${judged.by ?? 'nobody named'}, ${clock(judged.atMs)})`
          : 'A trial: nobody has said yet what it shows.'}
      </Typography>
      {may('lead') && (
        <Fold label={judged ? 'Judge it anew…' : 'Say what it shows…'}>{(close) => <VerdictForm card={card} onClose={close} />}</Fold>
      )}
    </>
  );
}

function VerdictForm({ card, onClose }: { card: Card; onClose: () => void }) {
  const { control, handleSubmit } = useForm<{ verdict: TrialVerdict; words: string }>({
    defaultValues: { verdict: 'drop it', words: '' },
  });
  const typed = useTyped(control);
  const judge = useBatchCommand('verdict', card.batch, 'Verdict on the trial', onClose);
  return (
    <FoldForm
      submit="Keep the verdict"
      disabled={typed.words.trim().length < 10}
      pending={judge.isPending}
      error={judge.error}
      onSubmit={handleSubmit((fields) => judge.mutate(fields))}
      onClose={onClose}
    >
      <ChoiceIn control={control} name="verdict" label="Verdict" choices={idChoices(TRIAL_VERDICTS)} sx={{ minWidth: 220 }} />
      <TextIn control={control} name="words" label="What was found" multiline minRows={2} />
    </FoldForm>
  );
}
