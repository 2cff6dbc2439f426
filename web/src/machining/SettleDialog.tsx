import { Checkbox, FormControlLabel, Typography } from '@mui/material';
import { Controller, useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

/** What was behind a rule that fired, or why a chart begins anew. */
export function SettleDialog({ dimension, onClose }: { dimension: View<'DimensionView'>; onClose: () => void }) {
  const { id, name, modelName, signal } = dimension;
  const { control, handleSubmit } = useForm({ defaultValues: { note: '', anew: signal === null } });
  const settle = useCommand(
    (body: View<'SettleSignalDto'>, headers) => ask(client.POST('/api/dimensions/settle', { body, headers })),
    onClose,
  );
  const submit = handleSubmit(({ note, anew }) => settle.mutate({ dimensionId: id, note: note.trim(), anew: anew || signal === null }));
  return (
    <FormDialog
      title={`${name}, ${modelName}`}
      submit={signal ? 'Save what was found' : 'Begin the chart anew'}
      width="sm"
      pending={settle.isPending}
      error={settle.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes={
        signal
          ? 'Values up to now make no run any more. A batch that was held for it stays held until it is released on its card.'
          : 'Its limits are made of the next 20 values; what was measured stays on record.'
      }
    >
      {signal && <Typography>The chart said: {signal.sentence}.</Typography>}
      <TextIn
        control={control}
        name="note"
        label={signal ? 'What was found and done' : 'Why'}
        helperText="Cutter changed, chip under the fixture, caliper set to zero…"
        rules={{ required: 'Needed' }}
        autoFocus
      />
      {signal && (
        <Controller
          control={control}
          name="anew"
          render={({ field: { value, ...field } }) => (
            <FormControlLabel
              control={<Checkbox {...field} checked={value} />}
              label="Something that lasts was changed: make its limits of the next 20 values"
            />
          )}
        />
      )}
    </FormDialog>
  );
}
