import { PAUSE_CAUSES, type PauseCause } from '@ample-crane/core';
import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../app/api.ts';
import { useCommand } from '../app/queries.ts';
import { useSession } from '../app/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { GateAct } from '../parts/GateAct.tsx';
import { CoatForm } from './CoatForm.tsx';
import { FinishForm } from './FinishForm.tsx';
import { MeasuresForm } from './MeasuresForm.tsx';

type Card = View<'CardView'>;

/** The act that is due on a batch, and the few others that are possible. */
export function BatchAct({ card }: { card: Card }) {
  const { may } = useSession();
  const { batch } = card;
  if (batch.status === 'done') return null;
  if (!may('operator')) return <Typography color="text.secondary">An operator or above can log work here.</Typography>;
  return (
    <Stack spacing={2} sx={{ mt: 1 }}>
      {batch.status === 'queued' && batch.operationKind === 'work' && <WorkerAct card={card} act="start" />}
      {batch.status === 'queued' && batch.operationKind === 'fit' && (
        <Button component={RouterLink} to="/fitting" variant="contained" sx={{ alignSelf: 'start' }}>
          To the fitting bench
        </Button>
      )}
      {batch.status === 'queued' && batch.operationKind === 'dispatch' && (
        <Button component={RouterLink} to="/dispatch" variant="contained" sx={{ alignSelf: 'start' }}>
          To the ledger
        </Button>
      )}
      {batch.status === 'running' && (
        <>
          {card.coatPlan && <CoatForm card={card} plan={card.coatPlan} />}
          {card.characteristics.length > 0 && <MeasuresForm card={card} />}
          <FinishForm key={`${batch.operationId}/${batch.pass}`} card={card} />
          <PauseAct card={card} />
        </>
      )}
      {batch.status === 'paused' && <WorkerAct card={card} act="resume" />}
      {(batch.status === 'finished' || batch.status === 'dwelling') && (
        <Box>
          <GateAct
            subject="batch"
            id={batch.id}
            version={batch.version}
            label={`Move to ${batch.nextOperationName ?? 'the next step'}`}
            variant="contained"
          />
        </Box>
      )}
      {may('lead') && <HoldAct card={card} />}
    </Stack>
  );
}

function WorkerAct({ card, act }: { card: Card; act: 'start' | 'resume' }) {
  const { session } = useSession();
  const { batch, workers } = card;
  const own = workers.find((w) => w.id === session.personId);
  const [personId, setPersonId] = useState(own?.id ?? workers[0]?.id ?? '');
  const command = useCommand((body: View<'WorkDto'>, headers) => {
    const params = { path: { id: batch.id } };
    return act === 'start'
      ? ask(client.POST('/api/batches/{id}/start', { params, body, headers }))
      : ask(client.POST('/api/batches/{id}/resume', { params, body, headers }));
  });
  if (workers.length === 0) return <Typography color="error">Nobody is signed off for {batch.skill}. Add the skill in Setup.</Typography>;
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
        <TextField
          select
          label={batch.skill === null ? 'Who' : `Who (${batch.skill})`}
          value={personId}
          onChange={(event) => setPersonId(event.target.value)}
          sx={{ minWidth: 220 }}
        >
          {workers.map((w) => (
            <MenuItem key={w.id} value={w.id}>
              {w.name}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant="contained"
          size="large"
          loading={command.isPending}
          onClick={() => command.mutate({ version: batch.version, personId })}
        >
          {act === 'start' ? 'Start' : 'Resume'}
        </Button>
      </Stack>
      {command.error && <ErrorNote error={command.error} />}
    </Stack>
  );
}

function PauseAct({ card }: { card: Card }) {
  const [cause, setCause] = useState<PauseCause>('break');
  const { batch } = card;
  const pause = useCommand((body: View<'PauseDto'>, headers) =>
    ask(client.POST('/api/batches/{id}/pause', { params: { path: { id: batch.id } }, body, headers })),
  );
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" spacing={1.5}>
        <TextField
          select
          label="Pause because of"
          value={cause}
          onChange={(event) => setCause(event.target.value as PauseCause)}
          sx={{ minWidth: 160 }}
        >
          {PAUSE_CAUSES.map((c) => (
            <MenuItem key={c} value={c}>
              {c}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="outlined" loading={pause.isPending} onClick={() => pause.mutate({ version: batch.version, cause })}>
          Pause
        </Button>
      </Stack>
      {pause.error && <ErrorNote error={pause.error} />}
    </Stack>
  );
}

function HoldAct({ card }: { card: Card }) {
  const { batch } = card;
  const [reason, setReason] = useState<string | null>(null);
  const params = { path: { id: batch.id } };
  const hold = useCommand(
    (body: View<'HoldDto'>, headers) => ask(client.POST('/api/batches/{id}/hold', { params, body, headers })),
    () => setReason(null),
  );
  const release = useCommand((body: View<'VersionDto'>, headers) =>
    ask(client.POST('/api/batches/{id}/release', { params, body, headers })),
  );
  if (batch.status === 'running') return null;
  if (batch.status === 'held')
    return (
      <Box>
        <Typography sx={{ mb: 1 }}>Held: {batch.holdReason}</Typography>
        <Button variant="contained" loading={release.isPending} onClick={() => release.mutate({ version: batch.version })}>
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
            onClick={() => hold.mutate({ version: batch.version, reason })}
          >
            Hold
          </Button>
        </Stack>
      )}
      {hold.error && <ErrorNote error={hold.error} />}
    </Box>
  );
}
