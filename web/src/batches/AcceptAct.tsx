import { Button, Stack, TextField, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/**
 * Whoever is signed in accepts the work, with the skill that the gate asks for; nobody does so for another. At a tablet
 * that is signed in as a station it takes their PIN at that moment.
 */
export function AcceptAct({ card, skill }: { card: View<'CardView'>; skill: string }) {
  const { batch, accepters } = card;
  const { session } = useSession();
  const { register, handleSubmit, reset } = useForm({ defaultValues: { pin: '' } });
  const accept = useBatchCommand('sign-off', batch, `Accept ${batch.operationName.toLowerCase()} for ${skill}`);
  const atStation = session.station !== null;
  if (!accepters.some((p) => p.id === session.personId))
    return (
      <Typography>
        Waits for somebody with {skill} to accept, {atStation ? 'by their own PIN' : 'signed in themselves'}:{' '}
        {accepters.map((p) => p.name).join(', ') || 'nobody holds it yet'}.
      </Typography>
    );
  const submit = ({ pin }: { pin: string }) => {
    accept.mutate(atStation ? { skill, pin } : { skill });
    reset();
  };
  return (
    <form onSubmit={(event) => void handleSubmit(submit)(event)} noValidate>
      <Stack spacing={1.5} sx={{ alignItems: 'flex-start' }}>
        {atStation && (
          <TextField
            label={`PIN of ${session.name}`}
            type="password"
            autoComplete="off"
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            {...register('pin')}
          />
        )}
        <Button type="submit" variant="contained" size="large" loading={accept.isPending}>
          Accept as {session.name}
        </Button>
        {accept.error && <ErrorNote error={accept.error} />}
      </Stack>
    </form>
  );
}
