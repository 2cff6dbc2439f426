import { Stack, Typography } from '@mui/material';
import type { Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { ChoiceIn, FieldRow, FigureIn, figureIn, TextIn, TicksIn, useTyped } from '../parts/fields.tsx';
import { Finding } from '../parts/Finding.tsx';
import { counted } from '../parts/words.ts';

type Program = NonNullable<View<'CardView'>['program']>;

/** What is said at a machine, as it is typed. */
export interface CheckedTyped {
  check: { machineId: string; revision: string; ticks: string[]; setUp: string; quoted: string };
}
export const NOT_CHECKED = { machineId: '', revision: '', ticks: [] as string[], setUp: '', quoted: '' };

/** The machine that was chosen; the first at which nobody is as long as none was. */
const machineOf = ({ machines }: Program, chosen: string) =>
  machines.find((m) => m.id === chosen) ?? machines.find((m) => m.takenBy === null) ?? machines[0];

/** What was typed, as it is sent. */
export const checkSaid = ({ machineId, revision, ticks, setUp, quoted }: CheckedTyped['check'], program: Program) => ({
  machineId: machineOf(program, machineId)?.id ?? '',
  revision: revision.trim(),
  ticks,
  ...(setUp.trim() === '' ? {} : { setUpMinutes: figureIn(setUp) }),
  ...(quoted.trim() === '' ? {} : { quotedMinutes: figureIn(quoted) }),
});

/** The start checklist of a machine: what the card asks for, what was left on it, what is looked at before it turns. */
export function MachineCheck({ control, program }: { control: Control<CheckedTyped>; program: Program }) {
  const { session, dateTime } = useSession();
  const { check } = useTyped(control);
  const { machines, what, revision, fixture, loads, piecesALoad } = program;
  const machine = machineOf(program, check.machineId);
  return (
    <Stack spacing={1.5} component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, m: 0 }}>
      <Typography component="legend" sx={{ px: 0.5, fontWeight: 600 }}>
        Before the machine starts
      </Typography>
      <Typography>
        It runs “{what}”, revision <strong>{revision}</strong>
        {fixture !== '' && `, on ${fixture}`}: {counted(loads, 'load')} of {piecesALoad}.
      </Typography>
      {machines.length > 1 && (
        <ChoiceIn
          control={control}
          name="check.machineId"
          label="Machine"
          shown={machine?.id ?? ''}
          choices={machines.map((m) => [m.id, `Machine ${m.bench}${m.takenBy === null ? '' : `, ${m.takenBy} is at it`}`])}
          sx={{ maxWidth: 320 }}
        />
      )}
      {machine && (
        <>
          {machine.takenBy !== null && <Finding severity="waiting" sentence={`${machine.takenBy} is at this machine.`} />}
          {machine.left === null ? (
            <Typography color="text.secondary">No start has been checked at this machine yet.</Typography>
          ) : (
            <Finding
              severity={machine.same ? 'ready' : 'attention'}
              sentence={`Last checked start here: ${machine.left}, ${dateTime(machine.leftMs ?? 0)}. ${machine.same ? 'This batch runs the same.' : 'This batch runs another: set it up.'}`}
            />
          )}
          {machine.controller !== null && (
            <Finding
              severity={machine.controllerAgainst === null ? 'ready' : 'stop'}
              sentence={
                machine.controllerAgainst === null ? `The machine itself tells: ${machine.controller}.` : `${machine.controllerAgainst}.`
              }
            />
          )}
          {machine.lacking.length > 0 && <Finding severity="stop" sentence={`Not on this machine: ${machine.lacking.join(', ')}.`} />}
          {machine.warnings.map((sentence) => (
            <Finding key={sentence} severity="attention" sentence={`${sentence}.`} />
          ))}
        </>
      )}
      <TextIn
        control={control}
        name="check.revision"
        label="Revision that the machine shows"
        rules={{ required: 'Read it off the machine' }}
        sx={{ maxWidth: 320 }}
      />
      <TicksIn control={control} name="check.ticks" label="Looked at" choices={session.startChecks.map((c) => [c.key, c.text])} />
      <FieldRow>
        <FigureIn control={control} name="check.setUp" label="Setting up took, min (may be empty)" min={0} optional />
        <FigureIn control={control} name="check.quoted" label="A load will take, min (may be empty)" min={0} optional />
      </FieldRow>
    </Stack>
  );
}
