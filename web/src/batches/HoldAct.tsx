import { Box, Button } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** Stops a batch with a reason, and lets it go again. */
export function HoldAct({ card }: { card: View<'CardView'> }) {
  const { batch } = card;
  const [asked, setAsked] = useState(false);
  const { control, handleSubmit, reset } = useForm({ defaultValues: { reason: '' } });
  const typed = useTyped(control);
  const hold = useBatchCommand('hold', batch, 'Hold', () => {
    setAsked(false);
    reset();
  });
  const release = useBatchCommand('release', batch, 'Release the hold');
  if (batch.status === 'running') return null;
  if (batch.status === 'held')
    return (
      <Box>
        <Button variant="contained" loading={release.isPending} onClick={() => release.mutate({})}>
          Release the hold
        </Button>
        {release.error && <ErrorNote error={release.error} />}
      </Box>
    );
  if (!asked)
    return (
      <Button color="inherit" onClick={() => setAsked(true)} sx={{ alignSelf: 'start' }}>
        Hold this batch…
      </Button>
    );
  return (
    <ActForm
      submit="Hold"
      color="error"
      variant="outlined"
      size="medium"
      disabled={typed.reason.trim() === ''}
      pending={hold.isPending}
      error={hold.error}
      onSubmit={handleSubmit((fields) => hold.mutate(fields))}
    >
      <TextIn control={control} name="reason" label="Why it is held" autoFocus sx={{ flex: 1, minWidth: 200 }} />
    </ActForm>
  );
}
