import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

type To = View<'MoveRevisionDto'>['to'];

const WORDS: Readonly<Record<To, { submit: string; changes: string }>> = {
  checked: { submit: 'It is checked', changes: 'A trial may run it from now on, to make the first piece.' },
  released: {
    submit: 'Release it',
    changes: 'Work that is begun from now on runs it. The revision before it is withdrawn; what runs goes on.',
  },
  withdrawn: {
    submit: 'Withdraw it',
    changes: 'Nothing runs it any more. Where it was the released one, its steps wait or go another way.',
  },
};

/** Checks, releases or withdraws a revision. */
export function MoveRevisionDialog({
  line,
  revision,
  to,
  onClose,
}: {
  line: View<'ProgramLineView'>;
  revision: View<'RevisionView'>;
  to: To;
  onClose: () => void;
}) {
  const { control, handleSubmit } = useForm({ defaultValues: { note: '' } });
  const move = useCommand((body: View<'MoveRevisionDto'>, headers) => ask(client.POST('/api/programs/move', { body, headers })), onClose);
  const submit = handleSubmit(({ note }) =>
    move.mutate({ programId: line.id, version: line.version, revision: revision.name, to, note: note.trim() }),
  );
  const { submit: does, changes } = WORDS[to];
  return (
    <FormDialog
      title={`${line.what}, revision ${revision.name}`}
      submit={does}
      pending={move.isPending}
      error={move.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes={changes}
    >
      <TextIn
        control={control}
        name="note"
        label={to === 'withdrawn' ? 'Why' : 'Note (may be empty)'}
        {...(to === 'withdrawn' ? { rules: { required: 'Needed' } } : {})}
        autoFocus
      />
    </FormDialog>
  );
}
