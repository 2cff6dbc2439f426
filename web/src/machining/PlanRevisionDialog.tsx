import { BATCHES_FOR_A_PLAN, plannedLoadMinutes } from '@ample-crane/core';
import { Button, Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { TextIn } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { PlannedFields, plannedIn, plannedTyped } from './PlannedFields.tsx';

interface Props {
  line: View<'ProgramLineView'>;
  revision: View<'RevisionView'>;
  onClose: () => void;
}

const tenth = (minutes: number): string => String(Math.round(minutes * 10) / 10);

/** Plans other minutes; what was observed is offered, and never taken by itself. */
export function PlanRevisionDialog({ line, revision, onClose }: Props) {
  const { planned, truths } = revision;
  const { control, handleSubmit, setValue } = useForm({ defaultValues: { ...plannedTyped(planned), note: '' } });
  const plan = useCommand((body: View<'PlanRevisionDto'>, headers) => ask(client.POST('/api/programs/plan', { body, headers })), onClose);
  const submit = handleSubmit(({ note, ...typed }) =>
    plan.mutate({ programId: line.id, version: line.version, revision: revision.name, planned: plannedIn(typed), note: note.trim() }),
  );
  /** Putting on and taking off stay as they are: what was observed is the whole load. */
  const take = ({ load, setUp, stationName }: View<'TimeTruthView'>) => {
    if (load) setValue('run', tenth(Math.max(0, load.medianMinutes - (plannedLoadMinutes(planned) - planned.run))));
    if (setUp && setUp.count >= BATCHES_FOR_A_PLAN) setValue('setUp', tenth(setUp.medianMinutes));
    setValue('note', `Observed at ${stationName}, ${load?.count ?? 0} batches`);
  };
  return (
    <FormDialog
      title={`Minutes of ${line.what}, revision ${revision.name}`}
      submit="Plan these"
      width="sm"
      pending={plan.isPending}
      error={plan.error}
      onSubmit={() => void submit()}
      onClose={onClose}
      changes="What is planned from now on. What was observed stays as it is."
    >
      <PlannedFields control={control} names={{ setUp: 'setUp', load: 'load', run: 'run', unload: 'unload' }} />
      {truths
        .filter((t) => t.load !== null && t.load.count >= BATCHES_FOR_A_PLAN)
        .map((t) => (
          <Button key={t.stationCode} variant="outlined" onClick={() => take(t)} sx={{ alignSelf: 'start' }}>
            Take what {t.load?.count} batches took at {t.stationName}: {tenth(t.load?.medianMinutes ?? 0)} min a load
          </Button>
        ))}
      {truths.every((t) => (t.load?.count ?? 0) < BATCHES_FOR_A_PLAN) && (
        <Typography variant="body2" color="text.secondary">
          Too few batches have been timed to offer what they took.
        </Typography>
      )}
      <TextIn control={control} name="note" label="Where the minutes come from" rules={{ required: 'Needed' }} />
    </FormDialog>
  );
}
