import { Button, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { problemOf, type View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** Logs one coat; the window since the last and the booth's air are judged first. */
export function CoatForm({ card, plan }: { card: View<'CardView'>; plan: View<'CoatPlanView'> }) {
  const { batch } = card;
  const { may } = useSession();
  const [wet, setWet] = useState(String(plan.wetUm));
  const [reason, setReason] = useState('');
  const log = useBatchCommand('coats', batch, `Coat of ${plan.materialName}, ${wet} µm wet`, () => setReason(''));
  const wetUm = Number(wet.replace(',', '.'));
  const refused = log.error ? problemOf(log.error).findings !== undefined : false;
  return (
    <Stack spacing={1} component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, m: 0 }}>
      <Typography component="legend" variant="h3" sx={{ px: 0.5 }}>
        Coats of {plan.materialName}
      </Typography>
      <Typography>
        <Figure>{card.coatsThisVisit}</Figure> of <Figure>{plan.coats}</Figure> coats logged
        {card.build && (
          <>
            ; dry build <Figure>{card.build.dryUm.toFixed(0)}</Figure> µm, window {card.build.lowUm}–{card.build.highUm} µm:{' '}
            {card.build.verdict}
          </>
        )}
      </Typography>
      <FindingList findings={card.coatFindings} />
      <Stack direction="row" spacing={1.5}>
        <TextField
          label="Wet film, µm"
          value={wet}
          onChange={(event) => setWet(event.target.value)}
          error={!(wetUm > 0)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ width: 130 }}
        />
        {refused && may('lead') && (
          <TextField label="Reason to spray all the same" value={reason} onChange={(event) => setReason(event.target.value)} fullWidth />
        )}
        <Button
          variant="outlined"
          disabled={!(wetUm > 0)}
          loading={log.isPending}
          onClick={() => log.mutate({ wetUm, ...(reason.trim() === '' ? {} : { overrideReason: reason }) })}
        >
          Log coat
        </Button>
      </Stack>
      {log.error && <ErrorNote error={log.error} />}
    </Stack>
  );
}
