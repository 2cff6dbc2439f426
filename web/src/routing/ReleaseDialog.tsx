import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, TextField, Typography } from '@mui/material';
import dayjs from 'dayjs';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';

interface Fields {
  reason: string;
  from: string;
}

/** Lets a version be built by, from a date on, and writes down why. */
export function ReleaseDialog({ version, onClose }: { version: View<'RouteVersionView'>; onClose: () => void }) {
  const { nowMs, session } = useSession();
  const today = dayjs(nowMs).tz(session.timeZone).format('YYYY-MM-DD');
  const { register, handleSubmit, formState } = useForm<Fields>({ defaultValues: { reason: '', from: today } });
  const { errors } = formState;
  const release = useCommand(
    (body: View<'ReleaseRouteDto'>, headers) =>
      ask(client.POST('/api/routes/{id}/release', { params: { path: { id: version.id } }, body, headers })),
    onClose,
  );
  const submit = ({ reason, from }: Fields) =>
    release.mutate({
      revision: version.revision,
      reason,
      ...(from === today ? {} : { effectiveMs: dayjs.tz(`${from}T00:00`, session.timeZone).valueOf() }),
    });
  return (
    <Dialog open onClose={onClose} aria-labelledby="release-title" fullWidth maxWidth="xs">
      <form onSubmit={(event) => void handleSubmit(submit)(event)} noValidate>
        <DialogTitle id="release-title">
          Release {version.modelName}, version {version.version}
        </DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            <Typography variant="body2">
              New work is started on it from the date on. What is in work stays on its version until somebody moves it.
            </Typography>
            <TextField
              label="Why it is changed"
              multiline
              minRows={2}
              {...register('reason', { validate: (v) => v.trim().length >= 5 || 'Say it so that others understand it later' })}
              error={!!errors.reason}
              helperText={errors.reason?.message}
              autoFocus
            />
            <TextField
              label="In force from"
              type="date"
              {...register('from', { validate: (v) => v >= today || 'Today or later' })}
              error={!!errors.from}
              helperText={errors.from?.message}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            {release.error && <ErrorNote error={release.error} />}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={release.isPending}>
            Release
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
