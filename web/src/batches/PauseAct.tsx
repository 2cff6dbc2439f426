import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { ChoiceIn, useTyped } from '../parts/fields.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** Stops the work for now, and says what it waits for. */
export function PauseAct({ card }: { card: View<'CardView'> }) {
  const { pauseCauses } = useSession().session;
  const { control, handleSubmit } = useForm({ defaultValues: { cause: pauseCauses[0]?.key ?? '' } });
  const typed = useTyped(control);
  const said = pauseCauses.find((c) => c.key === typed.cause)?.text ?? typed.cause;
  const pause = useBatchCommand('pause', card.batch, `Pause: ${said}`);
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
        choices={pauseCauses.map((c) => [c.key, c.text])}
        sx={{ minWidth: 200 }}
      />
    </ActForm>
  );
}
