import { formatDuration } from '@ample-crane/core';
import { Stack, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { problemOf, type View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';
import { FigureIn, figureIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { isClosedWindow, ScuffAct } from './ScuffAct.tsx';
import { useBatchCommand } from './useBatchCommand.ts';
import { microns } from '../parts/words.ts';

/** Logs one coat; the window since the last and the booth's air are judged first. */
export function CoatForm({ card, plan }: { card: View<'CardView'>; plan: View<'CoatPlanView'> }) {
  const { batch } = card;
  const { may, nowMs, clock } = useSession();
  const { control, handleSubmit, setValue } = useForm({ defaultValues: { wet: String(plan.wetUm), reason: '' } });
  const typed = useTyped(control);
  const wet = typed.wet;
  const log = useBatchCommand('coats', batch, `Coat of ${plan.materialName}, ${wet} µm wet`, () => setValue('reason', ''));
  const wetUm = figureIn(wet);
  const closed = card.coatFindings.find((f) => f.rule === 'window' && f.verdict === 'wait' && (f.untilMs ?? 0) > nowMs);
  const refused = log.error ? problemOf(log.error).findings !== undefined : false;
  return (
    <Stack spacing={1} component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, m: 0 }}>
      <Typography component="legend" variant="h3" sx={{ px: 0.5 }}>
        Coats of {plan.materialName}
      </Typography>
      <Typography>
        {batch.redo ? (
          <>
            Came back: <Figure>{card.coatsThisVisit}</Figure> {card.coatsThisVisit === 1 ? 'coat' : 'coats'} logged since, one at least
          </>
        ) : (
          <>
            <Figure>{card.coatsThisVisit}</Figure> of <Figure>{plan.coats}</Figure> coats logged
          </>
        )}
        {card.build && (
          <>
            ; dry build <Figure>{microns(card.build)}</Figure> µm, window {card.build.lowUm}–{card.build.highUm} µm: {card.build.verdict}
          </>
        )}
      </Typography>
      <FindingList findings={card.coatFindings} />
      {card.coatFindings.some(isClosedWindow) && <ScuffAct card={card} />}
      {batch.redo && card.build && card.coatsThisVisit === 0 && <ScuffAct card={card} toBare />}
      <ActForm
        submit={closed?.untilMs == null ? 'Log coat' : `Log coat from ${clock(closed.untilMs)} · ${formatDuration(closed.untilMs - nowMs)}`}
        variant={card.coatsThisVisit < (batch.redo ? 1 : plan.coats) ? 'contained' : 'outlined'}
        size="large"
        disabled={!(wetUm > 0) || (closed !== undefined && !may('lead'))}
        pending={log.isPending}
        error={log.error}
        onSubmit={handleSubmit(({ reason }) => log.mutate({ wetUm, ...(reason.trim() === '' ? {} : { overrideReason: reason }) }))}
      >
        <FigureIn control={control} name="wet" label="Wet film, µm" min={1} max={1000} sx={{ width: 130 }} />
        {refused && may('lead') && (
          <TextIn control={control} name="reason" label="Reason to spray all the same" sx={{ flex: 1, minWidth: 220 }} />
        )}
      </ActForm>
    </Stack>
  );
}
