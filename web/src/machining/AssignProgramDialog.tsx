import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup } from '../ground/queries.ts';
import { ChoiceIn, TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

/** Says who writes a program. */
export function AssignProgramDialog({ line, onClose }: { line: View<'ProgramLineView'>; onClose: () => void }) {
  const setup = useSetup().data;
  const { control, handleSubmit } = useForm({ defaultValues: { ownerId: line.ownerId ?? '', note: '' } });
  const assign = useCommand(
    (body: View<'AssignProgramDto'>, headers) => ask(client.POST('/api/programs/assign', { body, headers })),
    onClose,
  );
  const submit = handleSubmit(({ ownerId, note }) =>
    assign.mutate({ programId: line.id, version: line.version, ownerId: ownerId === '' ? null : ownerId, note: note.trim() }),
  );
  return (
    <FormDialog
      title={`Who writes ${line.what}`}
      submit="Save"
      pending={assign.isPending}
      error={assign.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <ChoiceIn
        control={control}
        name="ownerId"
        label="Who"
        choices={[['', 'nobody'], ...(setup?.people ?? []).filter((p) => p.active).map((p) => [p.id, p.name] as const)]}
      />
      <TextIn control={control} name="note" label="Why (may be empty)" />
    </FormDialog>
  );
}
