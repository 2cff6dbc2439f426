import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, TextField, Typography } from '@mui/material';
import { useIsMutating } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, client, problemOf } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from './ErrorNote.tsx';
import { FindingList } from './Finding.tsx';

interface Props {
  subject: 'batch' | 'lot';
  id: string;
  version: number;
  label: string;
  variant?: 'contained' | 'outlined';
  /** the answer to a loop that runs until somebody accepts */
  accepted?: boolean;
}

/**
 * Passing a gate: moves a batch or releases a lot. A refusal shows its findings; whoever may override it can, with a
 * reason that stays on the record.
 */
export function GateAct({ subject, id, version, label, variant = 'outlined', accepted }: Props) {
  const { may } = useSession();
  const [reason, setReason] = useState<string | null>(null);
  // Until what another command changed has been read anew, this would stand on what was there before.
  const settling = useIsMutating() > 0;
  const pass = useCommand(
    ({ overrideReason }: { overrideReason?: string }, headers) => {
      const body = { version, ...(overrideReason === undefined ? {} : { overrideReason }) };
      const params = { path: { id } };
      const answer = accepted === undefined ? {} : { accepted };
      return subject === 'batch'
        ? ask(client.POST('/api/batches/{id}/move', { params, body: { ...body, ...answer }, headers }))
        : ask(client.POST('/api/lots/{id}/release', { params, body, headers }));
    },
    () => setReason(null),
  );
  const close = () => {
    pass.reset();
    setReason(null);
  };
  const problem = pass.error ? problemOf(pass.error) : undefined;
  const mayOverride = may(subject === 'batch' ? 'lead' : 'manager');
  return (
    <>
      <Button variant={variant} loading={pass.isPending} disabled={settling} onClick={() => pass.mutate({})} sx={{ flexShrink: 0 }}>
        {label}
      </Button>
      <Dialog open={problem !== undefined} onClose={close} fullWidth maxWidth="sm" aria-labelledby={`gate-${id}`}>
        <DialogTitle id={`gate-${id}`}>{label}: not now</DialogTitle>
        <DialogContent>
          <Stack spacing={2}>
            {problem?.findings ? <FindingList findings={problem.findings} /> : <ErrorNote error={pass.error} />}
            {problem?.findings && !mayOverride && (
              <Typography color="text.secondary">A {subject === 'batch' ? 'lead' : 'manager'} may override this with a reason.</Typography>
            )}
            {problem?.findings && mayOverride && reason !== null && (
              <TextField
                label="Reason for the override"
                value={reason}
                onChange={(event) => setReason(event.target.value)}
                helperText="Stays on the card and in every instrument’s record."
                multiline
                autoFocus
              />
            )}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={close}>{reason === null ? 'Close' : 'Keep waiting'}</Button>
          {problem?.findings && mayOverride && reason === null && (
            <Button color="error" onClick={() => setReason('')}>
              Override…
            </Button>
          )}
          {reason !== null && (
            <Button
              color="error"
              variant="contained"
              disabled={reason.trim().length < 5}
              loading={pass.isPending}
              onClick={() => pass.mutate({ overrideReason: reason })}
            >
              Override
            </Button>
          )}
        </DialogActions>
      </Dialog>
    </>
  );
}
