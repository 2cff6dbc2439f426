import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, Typography } from '@mui/material';
import { useIsMutating } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, client, problemOf } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from './ErrorNote.tsx';
import { TextIn, useTyped } from './fields.tsx';
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
  const [overriding, setOverriding] = useState(false);
  const { control, handleSubmit, reset } = useForm({ defaultValues: { reason: '' } });
  const typed = useTyped(control);
  const leave = () => {
    setOverriding(false);
    reset();
  };
  // Until what another command changed has been read anew, this would stand on what was there before.
  const settling = useIsMutating() > 0;
  const pass = useCommand(({ overrideReason }: { overrideReason?: string }, headers) => {
    const body = { version, ...(overrideReason === undefined ? {} : { overrideReason }) };
    const params = { path: { id } };
    const answer = accepted === undefined ? {} : { accepted };
    return subject === 'batch'
      ? ask(client.POST('/api/batches/{id}/move', { params, body: { ...body, ...answer }, headers }))
      : ask(client.POST('/api/lots/{id}/release', { params, body, headers }));
  }, leave);
  const close = () => {
    pass.reset();
    leave();
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
            {problem?.findings && mayOverride && overriding && (
              <TextIn
                control={control}
                name="reason"
                label="Reason for the override"
                helperText="Stays on the card and in every instrument’s record."
                multiline
                autoFocus
              />
            )}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={close}>{overriding ? 'Keep waiting' : 'Close'}</Button>
          {problem?.findings && mayOverride && !overriding && (
            <Button color="error" onClick={() => setOverriding(true)}>
              Override…
            </Button>
          )}
          {overriding && (
            <Button
              color="error"
              variant="contained"
              disabled={typed.reason.trim().length < 5}
              loading={pass.isPending}
              onClick={() => void handleSubmit(({ reason }) => pass.mutate({ overrideReason: reason }))()}
            >
              Override
            </Button>
          )}
        </DialogActions>
      </Dialog>
    </>
  );
}
