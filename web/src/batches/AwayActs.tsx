import dayjs from 'dayjs';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { DayIn } from '../parts/DayIn.tsx';
import { useSession } from '../ground/session.tsx';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

const USUAL_DAYS = 5;

/** A batch goes to another house or building, and is due back. */
export function SendAct({ card }: { card: View<'CardView'> }) {
  const { batch } = card;
  const { nowMs, session } = useSession();
  const { control, handleSubmit } = useForm({
    defaultValues: { to: '', due: dayjs(nowMs).tz(session.timeZone).add(USUAL_DAYS, 'day').format('YYYY-MM-DD') },
  });
  const typed = useTyped(control);
  const { to, due } = typed;
  const send = useBatchCommand('send', batch, `Send to ${to}`);
  const dueBackMs = dayjs.tz(`${due}T15:00`, session.timeZone).valueOf();
  return (
    <ActForm
      submit="Send"
      size="medium"
      disabled={to.trim() === '' || Number.isNaN(dueBackMs)}
      pending={send.isPending}
      error={send.error}
      onSubmit={handleSubmit(() => send.mutate({ to, dueBackMs }))}
    >
      <TextIn control={control} name="to" label="Where it goes" />
      <DayIn control={control} name="due" label="Due back" />
    </ActForm>
  );
}
