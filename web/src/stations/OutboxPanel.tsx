import { Box, Button, Paper, Stack, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { ask, client } from '../ground/api.ts';
import { useOutbox, useOutboxTrouble, type OutboxEntry } from '../ground/outbox.ts';
import { saveText } from '../ground/saveText.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { stationOutbox } from '../ground/stationOutbox.ts';
import { Id } from '../parts/Answer.tsx';
import { SeverityMark } from '../parts/Finding.tsx';
import { counted } from '../parts/words.ts';

/** What was entered on this device and is not with the server yet; a refusal asks what to do with it. */
export function OutboxPanel() {
  const entries = useOutbox(stationOutbox);
  const trouble = useOutboxTrouble(stationOutbox);
  const { session } = useSession();
  if (entries.length === 0 && trouble.unreadable === null) return null;
  const waiting = entries.filter((e) => e.state === 'waiting');
  const others = waiting.filter((e) => e.personId !== session.personId).length;
  const conflicts = entries.filter((e) => e.state === 'conflict');
  const aside = entries.filter((e) => e.state === 'aside');
  return (
    <Paper component="section" aria-label="Entries on this device" sx={{ p: 1.5, mb: 2, '& button': { minHeight: 48 } }}>
      {trouble.unreadable !== null && <Unreadable text={trouble.unreadable} />}
      {trouble.full && waiting.length > 0 && (
        <Stack role="alert" direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
          <SeverityMark severity="attention" />
          <Typography>This device has no room left to keep entries. Leave this page open until they are sent.</Typography>
        </Stack>
      )}
      {waiting.length > 0 && (
        <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
          <SeverityMark severity="waiting" />
          <Typography role="status">
            {counted(waiting.length, 'entry waits', 'entries wait')} on this device to be sent; each is sent once, when the connection is
            back.
            {others > 0 &&
              ` ${counted(others, 'is', 'are')} somebody else’s and ${others === 1 ? 'waits' : 'wait'} until they sign in here.`}
          </Typography>
        </Stack>
      )}
      {waiting.length > 0 && (
        <Box component="ol" sx={{ m: 0, mt: 0.5, pl: 5 }}>
          {waiting.map((e) => (
            <li key={e.key}>
              <Line entry={e} />
            </li>
          ))}
        </Box>
      )}
      {conflicts.map((e) => (
        <Conflict key={e.key} entry={e} />
      ))}
      {aside.map((e) => (
        <Stack key={e.key} direction="row" useFlexGap spacing={1} sx={{ alignItems: 'center', mt: 1, flexWrap: 'wrap' }}>
          <Typography sx={{ flex: 1, minWidth: 200 }} color="text.secondary">
            Set aside, not sent: <Line entry={e} />
          </Typography>
          <SendOnPresent entry={e} label="Send it after all" />
          <Button color="error" onClick={() => stationOutbox.forget(e.key)}>
            Remove it from this device
          </Button>
        </Stack>
      ))}
    </Paper>
  );
}

/** What waited here and got damaged: it may hold work that the server was never told of. */
function Unreadable({ text }: { text: string }) {
  return (
    <Box role="alert" sx={{ mb: 1 }}>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
        <SeverityMark severity="attention" />
        <Typography sx={{ flex: 1 }}>
          Entries kept on this device cannot be read any more and were not sent. Look at the cards of the batches here and log what is
          missing; the damaged text can be saved to find out what it was.
        </Typography>
      </Stack>
      <Stack direction="row" useFlexGap spacing={1} sx={{ mt: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" size="large" onClick={() => saveText('entries.txt', text)}>
          Save it as a file
        </Button>
        <Button color="error" size="large" onClick={() => stationOutbox.forgetUnreadable()}>
          Remove it from this device
        </Button>
      </Stack>
    </Box>
  );
}

function Line({ entry }: { entry: OutboxEntry }) {
  const { clock } = useSession();
  return (
    <>
      <Id>{clock(entry.atMs)}</Id> <Id>{entry.batchId}</Id> {entry.sentence}
    </>
  );
}

/** The server said no: what it said, and the choices. */
function Conflict({ entry }: { entry: OutboxEntry }) {
  const { problem } = entry;
  const tell = useTell();
  const why = tell(
    problem?.findings?.map((f) => f.sentence).join('; ') ?? problem?.fields?.map((f) => f.message).join('; ') ?? problem?.detail ?? '',
  );
  return (
    <Box role="alert" sx={{ mt: 1.5, pt: 1, borderTop: 1, borderColor: 'divider' }}>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
        <SeverityMark severity="attention" />
        <Box sx={{ flex: 1 }}>
          <Typography>
            Not taken: <Line entry={entry} />
          </Typography>
          <Typography color="text.secondary">{why}</Typography>
        </Box>
      </Stack>
      <Stack direction="row" useFlexGap spacing={1} sx={{ mt: 1, flexWrap: 'wrap' }}>
        <SendOnPresent entry={entry} label="Send it on the batch as it is now" />
        <Button variant="outlined" size="large" onClick={() => setAside(entry)}>
          Set it aside
        </Button>
      </Stack>
    </Box>
  );
}

function setAside(entry: OutboxEntry): void {
  stationOutbox.setAside(entry.key);
  void stationOutbox.flush(entry.personId);
}

/** Looks at the batch as it is now, and sends the entry on that. */
function SendOnPresent({ entry, label }: { entry: OutboxEntry; label: string }) {
  const queries = useQueryClient();
  // Somebody has changed the batch since, or the device's clock was out: only the present can be agreed on.
  const isAboutTime = entry.problem?.fields?.some((f) => f.field === 'atMs') ?? false;
  const send = async () => {
    const card = await queries.fetchQuery({
      queryKey: ['batches', 'card', entry.batchId],
      queryFn: () => ask(client.GET('/api/batches/{id}', { params: { path: { id: entry.batchId } } })),
      staleTime: 0,
    });
    stationOutbox.retry(entry.key, card.batch.version, isAboutTime);
    await stationOutbox.flush(entry.personId);
  };
  return (
    <Button variant="contained" size="large" onClick={() => void send()}>
      {isAboutTime ? 'Send it as of now' : label}
    </Button>
  );
}
