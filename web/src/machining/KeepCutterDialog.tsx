import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { FigureIn, figureIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

/** Puts a cutter on record. */
export function KeepCutterDialog({ kinds, onClose }: { kinds: readonly string[]; onClose: () => void }) {
  const { control, handleSubmit } = useForm({ defaultValues: { id: '', kind: '', life: '', note: '' } });
  const keep = useCommand((body: View<'KeepCutterDto'>, headers) => ask(client.POST('/api/cutters', { body, headers })), onClose);
  const submit = handleSubmit(({ id, kind, life, note }) =>
    keep.mutate({ id: id.trim(), kind: kind.trim(), lifeMinutes: figureIn(life), note: note.trim() }),
  );
  return (
    <FormDialog
      title="Put a cutter on record"
      submit="Save"
      pending={keep.isPending}
      error={keep.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes="Once cutters are kept at a station, a start is refused there while one that the program names is not on the machine."
    >
      <TextIn control={control} name="id" label="How it is marked" rules={{ required: 'Needed' }} autoFocus />
      <TextIn control={control} name="kind" label="Kind, as programs call it" known={kinds} rules={{ required: 'Needed' }} />
      <FigureIn
        control={control}
        name="life"
        label="Cuts well for, min"
        helperText="From its maker’s sheet, or as you have found"
        positive
      />
      <TextIn control={control} name="note" label="Note (may be empty)" />
    </FormDialog>
  );
}
