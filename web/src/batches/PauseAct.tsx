import { PAUSE_CAUSES, type PauseCause } from '@ample-crane/core';
import { Button, MenuItem, Stack, TextField } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

export const CAUSE_WORDS: Readonly<Record<PauseCause, string>> = {
  material: 'waiting for material',
  person: 'waiting for a person',
  machine: 'waiting for a machine',
  instruction: 'waiting for an instruction',
  break: 'break',
  'shift end': 'end of the shift',
};

/** Stops the work for now, and says what it waits for. */
export function PauseAct({ card }: { card: View<'CardView'> }) {
  const [cause, setCause] = useState<PauseCause>('break');
  const pause = useBatchCommand('pause', card.batch, `Pause: ${CAUSE_WORDS[cause]}`);
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" spacing={1.5}>
        <TextField
          select
          label="Pause because of"
          value={cause}
          onChange={(event) => setCause(event.target.value as PauseCause)}
          sx={{ minWidth: 200 }}
        >
          {PAUSE_CAUSES.map((c) => (
            <MenuItem key={c} value={c}>
              {CAUSE_WORDS[c]}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="outlined" loading={pause.isPending} onClick={() => pause.mutate({ cause })}>
          Pause
        </Button>
      </Stack>
      {pause.error && <ErrorNote error={pause.error} />}
    </Stack>
  );
}
