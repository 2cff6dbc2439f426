import { Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { useBatchCommand } from './useBatchCommand.ts';
import { useWho, WhoField } from './WhoField.tsx';

/** Begins the step, or goes on with it: by somebody who can, in one of its ways. */
export function WorkerAct({ card, act }: { card: View<'CardView'>; act: 'start' | 'resume' }) {
  const { batch, workers, ways } = card;
  const [personId, setPersonId] = useWho(workers);
  const [wayId, setWayId] = useState(ways[0]?.id ?? '');
  const choosesWay = act === 'start' && ways.length > 1;
  const who = workers.find((w) => w.id === personId)?.name ?? personId;
  const start = useBatchCommand('start', batch, `Start ${batch.operationName.toLowerCase()}, by ${who}`);
  const resume = useBatchCommand('resume', batch, `Go on with ${batch.operationName.toLowerCase()}, by ${who}`);
  const command = act === 'start' ? start : resume;
  const submit = () => (act === 'start' ? start.mutate({ personId, ...(choosesWay ? { wayId } : {}) }) : resume.mutate({ personId }));
  if (workers.length === 0) return <Typography color="error">Nobody is signed off for {batch.skill}. Add the skill in Setup.</Typography>;
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
        <WhoField label={batch.skill === null ? 'Who' : `Who (${batch.skill})`} people={workers} value={personId} onChange={setPersonId} />
        {choosesWay && (
          <TextField select label="How" value={wayId} onChange={(event) => setWayId(event.target.value)} sx={{ minWidth: 200 }}>
            {ways.map((w) => (
              <MenuItem key={w.id} value={w.id}>
                {w.name}, {w.minutesPerPiece} min a piece
              </MenuItem>
            ))}
          </TextField>
        )}
        <Button variant="contained" size="large" disabled={personId === ''} loading={command.isPending} onClick={submit}>
          {act === 'start' ? 'Start' : 'Resume'}
        </Button>
      </Stack>
      {command.error && <ErrorNote error={command.error} />}
    </Stack>
  );
}
