import type { View } from '../ground/api.ts';
import { useForm } from 'react-hook-form';
import { ActForm } from '../parts/ActForm.tsx';
import { FigureIn, figureIn, useTyped } from '../parts/fields.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** A coat lies there, and the window for the next one is over. */
export const isClosedWindow = ({ rule, verdict, remedy }: View<'FindingView'>): boolean =>
  rule === 'window' && verdict === 'stop' && remedy !== 'Coat it first';

interface Props {
  card: View<'CardView'>;
  /** the film is taken off to the wood, for a new one */
  toBare?: boolean;
}

/** A film whose window has closed is scuffed, and takes the next coat again; a spoilt one is taken off. */
export function ScuffAct({ card, toBare = false }: Props) {
  const { control, handleSubmit } = useForm({ defaultValues: { grit: toBare ? '120' : '320' } });
  const { grit } = useTyped(control);
  const done = toBare ? 'Sanded off to the wood' : 'Scuffed';
  const scuff = useBatchCommand('scuff', card.batch, `${done} with ${grit}`);
  const [min, max] = toBare ? [60, 400] : [120, 1500];
  return (
    <ActForm
      submit={done}
      variant="outlined"
      size="medium"
      pending={scuff.isPending}
      error={scuff.error}
      onSubmit={handleSubmit((fields) => scuff.mutate({ grit: figureIn(fields.grit), ...(toBare ? { toBare } : {}) }))}
    >
      <FigureIn control={control} name="grit" label="Grit" whole min={min} max={max} sx={{ width: 110 }} />
    </ActForm>
  );
}
