import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, TextField, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';

/** One's own sign-in: the password, and where one is signed in. */
export function AccountDialog({ onClose }: { onClose: () => void }) {
  const { session } = useSession();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="account-title">
      <DialogTitle id="account-title">{session.name}: sign-in</DialogTitle>
      <DialogContent>
        <Stack spacing={3} sx={{ pt: 1 }}>
          <OpenSessions />
          <ChangePin />
          <ChangePassword />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function OpenSessions() {
  const sessions = useQuery({ queryKey: ['session', 'open'], queryFn: () => ask(client.GET('/api/sessions')) });
  const end = useCommand((id: string) => ask(client.DELETE('/api/sessions/{id}', { params: { path: { id } } })));
  const endOthers = useCommand(() => ask(client.DELETE('/api/sessions')));
  const others = (sessions.data ?? []).filter((s) => !s.own);
  return (
    <section aria-labelledby="open-sessions">
      <Typography variant="h3" id="open-sessions" sx={{ mb: 1 }}>
        {others.length === 0
          ? 'You are signed in here only'
          : `You are signed in here and in ${others.length} other ${others.length === 1 ? 'place' : 'places'}`}
      </Typography>
      <Stack component="ul" spacing={1} sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {(sessions.data ?? []).map((open) => (
          <Session key={open.id} open={open} pending={end.isPending} onEnd={() => end.mutate(open.id)} />
        ))}
      </Stack>
      {others.length > 1 && (
        <Button onClick={() => endOthers.mutate(undefined)} loading={endOthers.isPending} sx={{ mt: 1 }}>
          Sign out everywhere else
        </Button>
      )}
      {(sessions.error ?? end.error ?? endOthers.error) && <ErrorNote error={sessions.error ?? end.error ?? endOthers.error} />}
    </section>
  );
}

function Session({ open, pending, onEnd }: { open: View<'OpenSessionView'>; pending: boolean; onEnd: () => void }) {
  const { dateTime } = useSession();
  const seen = dateTime(open.seenMs);
  return (
    <Stack component="li" direction="row" spacing={2} sx={{ alignItems: 'center', borderBottom: 1, borderColor: 'divider', minHeight: 44 }}>
      <Typography sx={{ flex: 1 }}>
        {open.device}, {open.address}
        <Typography component="span" color="text.secondary" sx={{ display: 'block', fontSize: 14 }}>
          {open.own ? 'This one' : `Last seen ${seen}`}
        </Typography>
      </Typography>
      {!open.own && (
        <Button onClick={onEnd} disabled={pending} aria-label={`Sign out ${open.device}, ${open.address}`}>
          Sign out
        </Button>
      )}
    </Stack>
  );
}

interface Fields {
  password: string;
  next: string;
}

function ChangePassword() {
  const { register, handleSubmit, formState, reset } = useForm<Fields>({ defaultValues: { password: '', next: '' } });
  const change = useCommand(
    (body: Fields) => ask(client.POST('/api/session/password', { body })),
    () => reset(),
  );
  const { errors } = formState;
  return (
    <section aria-labelledby="new-password">
      <Typography variant="h3" id="new-password" sx={{ mb: 1 }}>
        Change the password
      </Typography>
      <form onSubmit={(event) => void handleSubmit((fields) => change.mutate(fields))(event)} noValidate>
        <Stack spacing={2} sx={{ alignItems: 'flex-start' }}>
          <TextField
            fullWidth
            label="Password as it is now"
            type="password"
            autoComplete="current-password"
            {...register('password', { required: 'Type your password as it is now' })}
            error={!!errors.password}
            helperText={errors.password?.message}
          />
          <TextField
            fullWidth
            label="New password"
            type="password"
            autoComplete="new-password"
            {...register('next', { required: 'Type a new password', minLength: { value: 10, message: 'At least 10 characters' } })}
            error={!!errors.next}
            helperText={errors.next?.message ?? 'A few unrelated words, 10 characters at least. You are signed out everywhere else.'}
          />
          {change.error && <ErrorNote error={change.error} />}
          {change.isSuccess && <Typography role="status">The password is changed.</Typography>}
          <Button type="submit" variant="outlined" loading={change.isPending}>
            Change it
          </Button>
        </Stack>
      </form>
    </section>
  );
}

function ChangePin() {
  const { register, handleSubmit, formState, reset } = useForm({ defaultValues: { pin: '' } });
  const change = useCommand(
    (body: { pin: string }) => ask(client.POST('/api/session/pin', { body })),
    () => reset(),
  );
  const { errors } = formState;
  return (
    <section aria-labelledby="bench-pin">
      <Typography variant="h3" id="bench-pin" sx={{ mb: 1 }}>
        PIN at the benches
      </Typography>
      <form onSubmit={(event) => void handleSubmit((fields) => change.mutate(fields))(event)} noValidate>
        <Stack direction="row" useFlexGap spacing={2} sx={{ alignItems: 'flex-start', flexWrap: 'wrap' }}>
          <TextField
            label="New PIN"
            type="password"
            autoComplete="off"
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            {...register('pin', { pattern: { value: /^\d{4,8}$/, message: '4 to 8 digits' }, required: '4 to 8 digits' })}
            error={!!errors.pin}
            helperText={errors.pin?.message ?? 'Says who you are at a tablet that a whole bench uses'}
          />
          <Button type="submit" variant="outlined" loading={change.isPending}>
            Set it
          </Button>
        </Stack>
        {change.error && <ErrorNote error={change.error} />}
        {change.isSuccess && <Typography role="status">The PIN is set.</Typography>}
      </form>
    </section>
  );
}
