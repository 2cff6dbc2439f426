import { Box, Button, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** Stops a batch with a reason, and lets it go again. */
export function HoldAct({ card }: { card: View<'CardView'> }) {
  const { batch } = card;
  const [reason, setReason] = useState<string | null>(null);
  const hold = useBatchCommand('hold', batch, 'Hold', () => setReason(null));
  const release = useBatchCommand('release', batch, 'Release the hold');
  if (batch.status === 'running') return null;
  if (batch.status === 'held')
    return (
      <Box>
        <Typography sx={{ mb: 1 }}>Held: {batch.holdReason}</Typography>
        <Button variant="contained" loading={release.isPending} onClick={() => release.mutate({})}>
          Release the hold
        </Button>
        {release.error && <ErrorNote error={release.error} />}
      </Box>
    );
  return (
    <Box>
      {reason === null ? (
        <Button color="inherit" onClick={() => setReason('')}>
          Hold this batch…
        </Button>
      ) : (
        <Stack direction="row" spacing={1.5}>
          <TextField label="Why it is held" value={reason} onChange={(event) => setReason(event.target.value)} autoFocus fullWidth />
          <Button
            color="error"
            variant="outlined"
            disabled={reason.trim() === ''}
            loading={hold.isPending}
            onClick={() => hold.mutate({ reason })}
          >
            Hold
          </Button>
        </Stack>
      )}
      {hold.error && <ErrorNote error={hold.error} />}
    </Box>
  );
}
