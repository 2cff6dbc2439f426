import { Button, Stack, Typography } from '@mui/material';
import type { View } from '../app/api.ts';
import { useSession } from '../app/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** Whoever is signed in accepts the work, with the skill that the gate asks for; nobody does so for another. */
export function AcceptAct({ card, skill }: { card: View<'CardView'>; skill: string }) {
  const { batch, accepters } = card;
  const { session } = useSession();
  const accept = useBatchCommand('sign-off', batch, `Accept ${batch.operationName.toLowerCase()} for ${skill}`);
  if (!accepters.some((p) => p.id === session.personId))
    return (
      <Typography>
        Waits for somebody with {skill} to accept, signed in themselves: {accepters.map((p) => p.name).join(', ') || 'nobody holds it yet'}.
      </Typography>
    );
  return (
    <Stack spacing={1.5} sx={{ alignItems: 'flex-start' }}>
      <Button variant="contained" size="large" loading={accept.isPending} onClick={() => accept.mutate({ skill })}>
        Accept as {session.name}
      </Button>
      {accept.error && <ErrorNote error={accept.error} />}
    </Stack>
  );
}
