import type { CutterAct } from '@ample-crane/core';
import { Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ChoiceIn, FigureIn, figureIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { CutterLife } from './CutterLife.tsx';

const WORDS: Readonly<Record<CutterAct, string>> = {
  mount: 'put on a machine',
  'take off': 'taken off',
  'send to be sharpened': 'sent to be sharpened',
  sharpened: 'sharpened: its minutes begin anew',
  broken: 'broken',
  'put away': 'put away for good',
};

/** What is most often done with a cutter as it is. */
const usualAct = ({ state, acts }: View<'CutterView'>): CutterAct =>
  state === 'mounted' || state === 'away' ? 'sharpened' : (acts[0] ?? 'mount');

interface Props {
  cutter: View<'CutterView'>;
  machines: readonly View<'MachineView'>[];
  onClose: () => void;
}

/** What was done with a cutter. */
export function LogCutterDialog({ cutter, machines, onClose }: Props) {
  const { id, kind, acts, version } = cutter;
  const { control, handleSubmit } = useForm({
    defaultValues: { act: usualAct(cutter), machineId: machines[0]?.id ?? '', life: '', note: '' },
  });
  const { act } = useTyped(control);
  const log = useCommand((body: View<'LogCutterDto'>, headers) => ask(client.POST('/api/cutters/log', { body, headers })), onClose);
  const submit = handleSubmit(({ machineId, life, note, act: said }) => {
    const machine = said === 'mount' ? machines.find((m) => m.id === machineId) : undefined;
    log.mutate({
      cutterId: id,
      version,
      act: said,
      stationCode: machine?.stationCode ?? null,
      bench: machine?.bench ?? null,
      lifeMinutes: life.trim() === '' ? null : figureIn(life),
      note: note.trim(),
    });
  });
  return (
    <FormDialog
      title={`Cutter ${id}, ${kind}`}
      submit="Log it"
      disabled={acts.length === 0}
      pending={log.isPending}
      error={log.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <CutterLife cutter={cutter} />
      {acts.length === 0 && <Typography>It is put away for good.</Typography>}
      {acts.length > 0 && (
        <>
          <ChoiceIn control={control} name="act" label="It was" choices={acts.map((a) => [a, WORDS[a]])} />
          {act === 'mount' && (
            <ChoiceIn
              control={control}
              name="machineId"
              label="Which machine"
              choices={machines.map((m) => [m.id, `${m.stationName}, machine ${m.bench}`])}
            />
          )}
          <FigureIn control={control} name="life" label="Life from now on, min" helperText="Empty: as it is" positive optional />
          <TextIn
            control={control}
            name="note"
            label={act === 'broken' ? 'How it broke' : 'Note (may be empty)'}
            {...(act === 'broken' ? { rules: { required: 'Needed' } } : {})}
          />
        </>
      )}
    </FormDialog>
  );
}
