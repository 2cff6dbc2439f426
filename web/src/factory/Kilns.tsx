import { checkKiln, stepEmcPct } from '@ample-crane/core';
import { Box, Button, Checkbox, FormControlLabel, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { Controller, useFieldArray, useForm, useWatch, type Path, type UseFormRegister } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Finding } from '../parts/Finding.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

type Schedule = View<'KilnScheduleDto'>;

/** People speak of humidity in percent. */
const PERCENT = 100;

const NEW: Schedule = {
  id: '',
  name: '',
  steps: [{ fromPct: 20, tempC: 30, relativeHumidity: 0.5 }],
  targetPct: 9,
  conditioning: null,
};

const inWords = ({ steps, targetPct, conditioning }: Schedule) =>
  `from ${steps[0]?.fromPct ?? '?'} to ${targetPct} % in ${steps.length === 1 ? 'one step' : `${steps.length} steps`}` +
  (conditioning ? `, then ${conditioning.hours} h of conditioning` : '');

/** By what steps kilns and cabinets dry. */
export function Kilns({ setup, editable }: { setup: View<'SetupView'>; editable: boolean }) {
  const [open, setOpen] = useState<Schedule | null>(null);
  // What was there when the dialog opened: what others change meanwhile is not overwritten.
  const [seen, setSeen] = useState('');
  const begin = (schedule: Schedule) => {
    setSeen(setup.tags.kilns);
    setOpen(schedule);
  };
  const save = useCommand(
    (schedules: Schedule[], headers) =>
      ask(client.PUT('/api/settings/kilns', { body: { schedules, seen: open === null ? setup.tags.kilns : seen }, headers })),
    () => setOpen(null),
  );
  const { kilns } = setup;
  return (
    <Stack spacing={1}>
      {kilns.length === 0 && <Typography color="text.secondary">None: all wood dries in the rooms’ own air.</Typography>}
      {kilns.map((schedule) => (
        <Box key={schedule.id} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Typography sx={{ flex: 1 }}>
            {schedule.name}: {inWords(schedule)}
          </Typography>
          {editable && (
            <Button aria-label={`Change ${schedule.name}`} onClick={() => begin(schedule)}>
              Change
            </Button>
          )}
          {editable && (
            <Button
              color="error"
              aria-label={`Drop ${schedule.name}`}
              loading={save.isPending}
              onClick={() => save.mutate(kilns.filter((k) => k !== schedule))}
            >
              Drop
            </Button>
          )}
        </Box>
      ))}
      {save.error && open === null && <ErrorNote error={save.error} />}
      {editable && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => begin(NEW)}>
          Add a schedule
        </Button>
      )}
      {open !== null && (
        <KilnDialog
          schedule={open}
          pending={save.isPending}
          error={save.error}
          onSave={(schedule) => save.mutate(open.id === '' ? [...kilns, schedule] : kilns.map((k) => (k.id === open.id ? schedule : k)))}
          onClose={() => {
            save.reset();
            setOpen(null);
          }}
        />
      )}
    </Stack>
  );
}

interface DialogProps {
  schedule: Schedule;
  pending: boolean;
  error: unknown;
  onSave: (schedule: Schedule) => void;
  onClose: () => void;
}

function KilnDialog({ schedule, pending, error, onSave, onClose }: DialogProps) {
  const { control, register, handleSubmit } = useForm<Schedule>({ defaultValues: percent(schedule, PERCENT) });
  const { fields, append, remove } = useFieldArray({ control, name: 'steps' });
  const typed = percent(useWatch({ control }) as Schedule, 1 / PERCENT);
  const problems = airs(typed).every(isAir) ? checkKiln(typed) : ['A temperature of 10 to 90 °C and a humidity of 5 to 98 % for each step'];
  const last = typed.steps.at(-1);
  return (
    <FormDialog
      title={schedule.id === '' ? 'A schedule' : schedule.name}
      submit="Save schedule"
      changes="Lots that are on it follow its steps as they are from now on."
      pending={pending}
      error={error}
      onSubmit={() => {
        if (problems.length === 0) void handleSubmit((fields) => onSave(percent(fields, 1 / PERCENT)))();
      }}
      onClose={onClose}
    >
      <TextField label="Name" {...register('name', { required: true })} />
      {fields.map((field, i) => (
        <Stack key={field.id} direction="row" spacing={1} sx={{ alignItems: 'start' }} role="group" aria-label={`Step ${i + 1}`}>
          <Figure register={register} name={`steps.${i}.fromPct`} label="From %" />
          <Figure register={register} name={`steps.${i}.tempC`} label="°C" />
          <Figure register={register} name={`steps.${i}.relativeHumidity`} label="Humidity %" helperText={tendsTo(typed.steps[i])} />
          <Button color="error" disabled={fields.length === 1} onClick={() => remove(i)} aria-label={`Drop step ${i + 1}`}>
            Drop
          </Button>
        </Stack>
      ))}
      <Button
        sx={{ alignSelf: 'start' }}
        disabled={!last || fields.length >= 12}
        onClick={() =>
          last && append({ ...last, fromPct: (last.fromPct + typed.targetPct) / 2, relativeHumidity: last.relativeHumidity * PERCENT })
        }
      >
        Add a step
      </Button>
      <Figure register={register} name="targetPct" label="Dry at %" />
      <Controller
        name="conditioning"
        control={control}
        render={({ field }) => (
          <FormControlLabel
            label="Condition at the end, to even out shell and core"
            control={
              <Checkbox
                checked={field.value !== null}
                onChange={(_, checked) => field.onChange(checked ? { tempC: last?.tempC ?? 35, relativeHumidity: 60, hours: 24 } : null)}
              />
            }
          />
        )}
      />
      {typed.conditioning && (
        <Stack direction="row" spacing={1} role="group" aria-label="Conditioning">
          <Figure register={register} name="conditioning.tempC" label="°C" />
          <Figure register={register} name="conditioning.relativeHumidity" label="Humidity %" helperText={tendsTo(typed.conditioning)} />
          <Figure register={register} name="conditioning.hours" label="Hours" />
        </Stack>
      )}
      {problems.map((problem) => (
        <Finding key={problem} severity="stop" sentence={problem} />
      ))}
      <Typography variant="body2" color="text.secondary">
        Hot surfaces and steam. The kiln’s own handbook and whoever is licensed to run it go before these figures.
      </Typography>
    </FormDialog>
  );
}

interface FigureProps {
  register: UseFormRegister<Schedule>;
  name: Path<Schedule>;
  label: string;
  helperText?: string | undefined;
}

const Figure = ({ register, name, label, helperText }: FigureProps) => (
  <TextField
    label={label}
    type="number"
    helperText={helperText}
    {...register(name, { valueAsNumber: true, required: true })}
    slotProps={{ htmlInput: { step: 'any' } }}
    sx={{ flex: 1 }}
  />
);

type Air = Pick<Schedule['steps'][number], 'tempC' | 'relativeHumidity'>;

const airs = ({ steps, conditioning }: Schedule): Air[] => [...steps, ...(conditioning ? [conditioning] : [])];
const isAir = ({ tempC, relativeHumidity }: Air) => tempC >= 10 && tempC <= 90 && relativeHumidity >= 0.05 && relativeHumidity <= 0.98;
const tendsTo = (air: Air | undefined) => (air && isAir(air) ? `EMC ${stepEmcPct(air).toFixed(1)} %` : undefined);

/** The same schedule with its humidities as many times as large. */
function percent(schedule: Schedule, times: number): Schedule {
  const air = <A extends Air>(a: A): A => ({ ...a, relativeHumidity: Math.round(a.relativeHumidity * times * 1e4) / 1e4 });
  return { ...schedule, steps: schedule.steps.map(air), conditioning: schedule.conditioning && air(schedule.conditioning) };
}
