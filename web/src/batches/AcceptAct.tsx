import { Button, Stack } from '@mui/material';
import type { View } from '../app/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';
import { useWho, WhoField } from './WhoField.tsx';

/** Somebody with the skill that the gate asks for accepts the work. */
export function AcceptAct({ card, skill }: { card: View<'CardView'>; skill: string }) {
  const { batch, accepters } = card;
  const [personId, setPersonId] = useWho(accepters);
  const accept = useBatchCommand('sign-off', batch, `Accept ${batch.operationName.toLowerCase()} for ${skill}`);
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" spacing={1.5}>
        <WhoField label={`Who accepts (${skill})`} people={accepters} value={personId} onChange={setPersonId} />
        <Button
          variant="contained"
          size="large"
          disabled={personId === ''}
          loading={accept.isPending}
          onClick={() => accept.mutate({ personId, skill })}
        >
          Accept
        </Button>
      </Stack>
      {accept.error && <ErrorNote error={accept.error} />}
    </Stack>
  );
}
