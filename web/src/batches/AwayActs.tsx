import { Button, Stack, TextField } from '@mui/material';
import dayjs from 'dayjs';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

const USUAL_DAYS = 5;

/** A batch goes to another house or building, and is due back. */
export function SendAct({ card }: { card: View<'CardView'> }) {
  const { batch } = card;
  const { nowMs, session } = useSession();
  const [to, setTo] = useState('');
  const [due, setDue] = useState(dayjs(nowMs).tz(session.timeZone).add(USUAL_DAYS, 'day').format('YYYY-MM-DD'));
  const send = useBatchCommand('send', batch, `Send to ${to}`);
  const dueBackMs = dayjs.tz(`${due}T15:00`, session.timeZone).valueOf();
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" spacing={1.5}>
        <TextField label="Where it goes" value={to} onChange={(event) => setTo(event.target.value)} />
        <TextField
          label="Due back"
          type="date"
          value={due}
          onChange={(event) => setDue(event.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button
          variant="contained"
          disabled={to.trim() === '' || Number.isNaN(dueBackMs)}
          loading={send.isPending}
          onClick={() => send.mutate({ to, dueBackMs })}
        >
          Send
        </Button>
      </Stack>
      {send.error && <ErrorNote error={send.error} />}
    </Stack>
  );
}
