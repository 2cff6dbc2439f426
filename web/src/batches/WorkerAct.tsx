import { Typography } from '@mui/material';
import { useForm, type Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { ChoiceIn, FigureIn, figureIn, SeveralIn, useTyped } from '../parts/fields.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { pieces } from '../parts/words.ts';
import { useBatchCommand } from './useBatchCommand.ts';
import { SettingFields, settingsSaid, type SettingsTyped } from './SettingFields.tsx';
import { checkSaid, MachineCheck, NOT_CHECKED, type CheckedTyped } from './MachineCheck.tsx';
import { useWho, WhoIn } from './WhoField.tsx';

interface Typed extends SettingsTyped, CheckedTyped {
  personId: string;
  count: string;
  wayId: string;
  withBatchIds: string[];
}

/** Begins the step, or goes on with it: by somebody who can, in one of its ways. */
export function WorkerAct({ card, act }: { card: View<'CardView'>; act: 'start' | 'resume' }) {
  const { batch, workers, together } = card;
  // Without its program the machine is no way to do it.
  const ways = act === 'start' && batch.missing.length > 0 ? card.ways.slice(1) : card.ways;
  const settings = act === 'start' ? card.settings : [];
  const shortage = act === 'start' ? card.kitShortage : null;
  const { control, handleSubmit } = useForm({
    defaultValues: {
      personId: '',
      count: String(shortage?.enoughFor ?? batch.quantity),
      wayId: ways[0]?.id ?? '',
      withBatchIds: [] as string[],
      settings: settings.map(() => ({ text: '' })),
      check: NOT_CHECKED,
    },
  });
  const typed = useTyped(control);
  // Whoever paused it goes on with it, unless somebody else is named.
  const expectedId = act === 'resume' ? batch.workerId : null;
  const whoOf = useWho(workers, expectedId);
  const personId = whoOf(typed.personId);
  const choosesWay = act === 'start' && card.ways.length > 1;
  const isOwnWay = act === 'resume' || typed.wayId === card.ways[0]?.id;
  const program = isOwnWay && card.program?.checked ? card.program : null;
  const who = workers.find((w) => w.id === personId)?.name ?? personId;
  const start = useBatchCommand('start', batch, `Start ${batch.operationName.toLowerCase()}, by ${who}`);
  const resume = useBatchCommand('resume', batch, `Go on with ${batch.operationName.toLowerCase()}, by ${who}`);
  const command = act === 'start' ? start : resume;
  const submit = ({ wayId, withBatchIds, count, check, ...noted }: Typed) =>
    act === 'start'
      ? start.mutate({
          personId,
          ...(choosesWay ? { wayId } : {}),
          ...(withBatchIds.length > 0 ? { withBatchIds } : {}),
          ...(shortage ? { quantity: figureIn(count) } : {}),
          ...(program ? { check: checkSaid(check, program) } : {}),
          ...(settings.length > 0 ? { settings: settingsSaid(settings, noted) } : {}),
        })
      : resume.mutate({ personId, ...(program ? { check: checkSaid(check, program) } : {}) });
  if (workers.length === 0) return <Typography color="error">Nobody is signed off for {batch.skill}. Add the skill in Setup.</Typography>;
  const short = shortage && <FindingList findings={[{ rule: 'parts', verdict: 'wait', sentence: shortage.sentence }]} />;
  if (shortage?.enoughFor === 0) return short;
  if (act === 'start' && batch.missing.length > 0 && ways.length === 0) return null;
  return (
    <ActForm
      above={
        <>
          {short}
          {program && <MachineCheck control={control as unknown as Control<CheckedTyped>} program={program} />}
        </>
      }
      submit={act === 'resume' ? 'Resume' : shortage ? `Start ${typed.count}` : 'Start'}
      disabled={personId === ''}
      pending={command.isPending}
      error={command.error}
      onSubmit={handleSubmit(submit)}
    >
      <WhoIn
        control={control}
        name="personId"
        label={batch.skill === null ? 'Who' : `Who (${batch.skill})`}
        people={workers}
        expectedId={expectedId}
      />
      {shortage && (
        <FigureIn
          control={control}
          name="count"
          label="How many"
          helperText="The rest waits as a batch of its own"
          whole
          min={1}
          max={shortage.enoughFor}
          sx={{ width: 170 }}
        />
      )}
      {choosesWay && (
        <ChoiceIn
          control={control}
          name="wayId"
          label="How"
          choices={ways.map((w) => [w.id, `${w.name}, ${w.minutesPerPiece} min a piece`])}
          sx={{ minWidth: 200 }}
        />
      )}
      {settings.length > 0 && <SettingFields control={control as unknown as Control<SettingsTyped>} settings={settings} />}
      {act === 'start' && together.length > 0 && (
        <SeveralIn
          control={control}
          name="withBatchIds"
          label="In one load with"
          choices={together.map((b) => [b.id, `${b.id}, ${pieces(b.quantity, b.component)}`])}
        />
      )}
    </ActForm>
  );
}
