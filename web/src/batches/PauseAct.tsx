import { PAUSE_CAUSES, PAUSE_WORDS, type PauseCause } from '@ample-crane/core';
import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { ChoiceIn, useTyped } from '../parts/fields.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** Stops the work for now, and says what it waits for. */
export function PauseAct({ card }: { card: View<'CardView'> }) {
  const { control, handleSubmit } = useForm<{ cause: PauseCause }>({ defaultValues: { cause: 'break' } });
  const typed = useTyped(control);
  const pause = useBatchCommand('pause', card.batch, `Pause: ${PAUSE_WORDS[typed.cause]}`);
  return (
    <ActForm
      submit="Pause"
      variant="outlined"
      size="medium"
      pending={pause.isPending}
      error={pause.error}
      onSubmit={handleSubmit((fields) => pause.mutate(fields))}
    >
      <ChoiceIn
        control={control}
        name="cause"
        label="Pause because of"
        choices={PAUSE_CAUSES.map((c) => [c, PAUSE_WORDS[c]])}
        sx={{ minWidth: 200 }}
      />
    </ActForm>
  );
}
