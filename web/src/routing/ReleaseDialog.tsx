import { Typography } from '@mui/material';
import dayjs from 'dayjs';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { DayIn } from '../parts/DayIn.tsx';
import { useSession } from '../ground/session.tsx';
import { TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

interface Fields {
  reason: string;
  from: string;
}

/** Lets a version be built by, from a date on, and writes down why. */
export function ReleaseDialog({ version, onClose }: { version: View<'RouteVersionView'>; onClose: () => void }) {
  const { nowMs, session } = useSession();
  const today = dayjs(nowMs).tz(session.timeZone).format('YYYY-MM-DD');
  const { control, handleSubmit } = useForm<Fields>({ defaultValues: { reason: '', from: today } });
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
    <FormDialog
      title={`Release ${version.modelName}, version ${version.version}`}
      submit="Release"
      pending={release.isPending}
      error={release.error}
      onSubmit={() => void handleSubmit(submit)()}
      onClose={onClose}
    >
      <Typography variant="body2">
        New work is started on it from the date on. What is in work stays on its version until somebody moves it.
      </Typography>
      <TextIn
        control={control}
        name="reason"
        label="Why it is changed"
        rules={{ validate: (v) => v.trim().length >= 5 || 'Say it so that others understand it later' }}
        multiline
        minRows={2}
        autoFocus
      />
      <DayIn control={control} name="from" label="In force from" rules={{ validate: (v) => v >= today || 'Today or later' }} />
    </FormDialog>
  );
}
