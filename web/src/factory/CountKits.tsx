import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { FigureIn, figureIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

interface Props {
  kit: View<'PrerequisiteView'>;
  /** sets that lie ready; null where nobody counts them */
  sets: number | null;
  onClose: () => void;
}

/** How many sets of a kit lie ready. */
export function CountKits({ kit: { what, modelId }, sets, onClose }: Props) {
  const { control, handleSubmit } = useForm({ defaultValues: { sets: sets === null ? '' : String(sets), note: '' } });
  const count = useCommand((body: View<'CountKitsDto'>, headers) => ask(client.POST('/api/kits/count', { body, headers })), onClose);
  const submit = handleSubmit(({ sets: typed, note }) =>
    count.mutate({ what, modelId, before: sets, sets: typed.trim() === '' ? null : figureIn(typed), note: note.trim() }),
  );
  return (
    <FormDialog
      title={`Count: ${what}`}
      submit="Save the count"
      pending={count.isPending}
      error={count.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <FigureIn
        control={control}
        name="sets"
        label="Sets that lie ready"
        helperText="Work that needs it takes a set a piece; left empty they are not counted"
        whole
        optional
        min={0}
        max={100_000}
        autoFocus
      />
      <TextIn control={control} name="note" label="Note" helperText="What came, what was missing…" />
    </FormDialog>
  );
}
