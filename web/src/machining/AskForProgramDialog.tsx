import { choiceKey } from '@ample-crane/core';
import { Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup } from '../ground/queries.ts';
import { ChoiceIn, SeveralIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

/** Puts a program on the list of those to be written. */
export function AskForProgramDialog({ begun, onClose }: { begun: { modelId: string; what: string }; onClose: () => void }) {
  const setup = useSetup().data;
  const { control, handleSubmit } = useForm({
    defaultValues: { ...begun, side: '', serves: [] as string[], ownerId: '', note: '' },
  });
  const { modelId } = useTyped(control);
  const options = setup?.models.find((m) => m.id === modelId)?.options ?? [];
  const askFor = useCommand((body: View<'AskForProgramDto'>, headers) => ask(client.POST('/api/programs', { body, headers })), onClose);
  const submit = handleSubmit(({ modelId: id, ownerId, what, ...said }) =>
    askFor.mutate({ ...said, what: what.trim(), modelId: id === '' ? null : id, ownerId: ownerId === '' ? null : ownerId }),
  );
  const choices = options.flatMap((o) => o.values.map((v) => [choiceKey(o.id, v.id), `${o.name}: ${v.name}`] as const));
  return (
    <FormDialog
      title="Ask for a program"
      submit="Ask for it"
      width="sm"
      pending={askFor.isPending}
      error={askFor.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes="Steps that ask for it by this name can be begun at their machine once a revision of it is released."
    >
      <TextIn
        control={control}
        name="what"
        label="Which, as the route calls it"
        rules={{ required: 'Type what the route calls it' }}
        autoFocus
      />
      <ChoiceIn
        control={control}
        name="modelId"
        label="For"
        choices={[['', 'every model'], ...(setup?.models ?? []).filter((m) => m.active).map((m) => [m.id, m.name] as const)]}
      />
      {choices.length > 0 && (
        <>
          <SeveralIn control={control} name="serves" label="Only for these choices" choices={choices} />
          <Typography variant="body2" color="text.secondary">
            None chosen: it serves every order of the model.
          </Typography>
        </>
      )}
      <TextIn control={control} name="side" label="Side (may be empty)" />
      <ChoiceIn
        control={control}
        name="ownerId"
        label="Who writes it"
        choices={[['', 'nobody yet'], ...(setup?.people ?? []).filter((p) => p.active).map((p) => [p.id, p.name] as const)]}
      />
      <TextIn control={control} name="note" label="Why, or what to look out for" multiline minRows={2} />
    </FormDialog>
  );
}
