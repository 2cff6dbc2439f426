import { useForm } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { ActForm } from '../parts/ActForm.tsx';
import { FigureIn, figureIn, useTyped } from '../parts/fields.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** A coat lies there, and the window for the next one is over. */
export const isClosedWindow = ({ rule, verdict, remedy }: View<'FindingView'>): boolean =>
  rule === 'window' && verdict === 'stop' && remedy !== 'Coat it first';

/** A film whose window has closed is scuffed, and takes the next coat again. */
export function ScuffAct({ card }: { card: View<'CardView'> }) {
  const { control, handleSubmit } = useForm({ defaultValues: { grit: '320' } });
  const { grit } = useTyped(control);
  const scuff = useBatchCommand('scuff', card.batch, `Scuffed with ${grit}`);
  return (
    <ActForm
      submit="Scuffed"
      variant="outlined"
      size="medium"
      pending={scuff.isPending}
      error={scuff.error}
      onSubmit={handleSubmit((fields) => scuff.mutate({ grit: figureIn(fields.grit) }))}
    >
      <FigureIn control={control} name="grit" label="Grit" whole min={120} max={1500} sx={{ width: 110 }} />
    </ActForm>
  );
}
