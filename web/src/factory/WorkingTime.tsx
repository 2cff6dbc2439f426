import { Autocomplete, Button, Stack, TextField, Typography } from '@mui/material';
import { Controller, useFieldArray, useForm, type Control } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { DayIn } from '../parts/DayIn.tsx';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Section } from '../parts/Screen.tsx';
import { WeekdaysIn } from './WeekdaysIn.tsx';

type Fields = View<'WorkingTimeDto'>;

const SHIFTS = ['First shift', 'Second shift', 'Third shift'] as const;
const NEW_SHIFT: Fields['shifts'][number] = { days: [1, 2, 3, 4, 5], startsAt: '15:30', endsAt: '23:30', breaks: [] };
const SHRUNK = { inputLabel: { shrink: true } } as const;

/** When the factory works: shifts with their breaks, holidays, short days, and the zone its clocks keep. */
export function WorkingTime({ setup }: { setup: View<'SetupView'> }) {
  const { may } = useSession();
  const editable = may('manager');
  const { control, handleSubmit, formState } = useForm<Fields>({ values: setup.workingTime, disabled: !editable });
  const shifts = useFieldArray({ control, name: 'shifts' });
  const save = useCommand((body: Fields, headers) =>
    ask(client.PUT('/api/settings/working-time', { body: { ...body, seen: setup.tags.workingTime }, headers })),
  );
  return (
    <Stack
      component="form"
      noValidate
      spacing={2}
      sx={{ maxWidth: 760 }}
      onSubmit={(event) => void handleSubmit((fields) => save.mutate(fields))(event)}
    >
      {shifts.fields.map(({ id }, i) => (
        <Section
          key={id}
          title={SHIFTS[i] ?? `Shift ${i + 1}`}
          aside={
            editable &&
            i > 0 && (
              <Button color="error" onClick={() => shifts.remove(i)}>
                Drop this shift
              </Button>
            )
          }
        >
          <ShiftFields control={control} at={i} editable={editable} />
        </Section>
      ))}
      {editable && shifts.fields.length < SHIFTS.length && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => shifts.append(NEW_SHIFT)}>
          Add a shift
        </Button>
      )}
      <Dates control={control} editable={editable} />
      <Controller
        control={control}
        name="timeZone"
        render={({ field: { ref, value, onChange, disabled } }) => (
          <Autocomplete
            options={Intl.supportedValuesOf('timeZone')}
            value={value}
            disableClearable
            disabled={disabled === true}
            onChange={(_, zone) => onChange(zone)}
            renderInput={(props) => <TextField {...props} inputRef={ref} label="Time zone" />}
            sx={{ maxWidth: 320 }}
          />
        )}
      />
      <Typography color="text.secondary">
        Earliest dates, hours to spare and who is there follow these hours at once; hours of the past are reckoned by them too, what was
        logged stays as it is.
      </Typography>
      {save.error && <ErrorNote error={save.error} />}
      {editable && (
        <Button type="submit" variant="contained" sx={{ alignSelf: 'start' }} disabled={!formState.isDirty} loading={save.isPending}>
          Save working time
        </Button>
      )}
    </Stack>
  );
}

function ShiftFields({ control, at, editable }: { control: Control<Fields>; at: number; editable: boolean }) {
  const breaks = useFieldArray({ control, name: `shifts.${at}.breaks` });
  return (
    <Stack spacing={1.5}>
      <Controller
        control={control}
        name={`shifts.${at}.days`}
        render={({ field }) => (
          <WeekdaysIn label={`Days of shift ${at + 1}`} value={field.value} onChange={field.onChange} disabled={field.disabled === true} />
        )}
      />
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
        <TextField type="time" label="Begins" slotProps={SHRUNK} {...control.register(`shifts.${at}.startsAt`)} />
        <TextField type="time" label="Ends" slotProps={SHRUNK} {...control.register(`shifts.${at}.endsAt`)} />
      </Stack>
      {breaks.fields.map(({ id }, i) => (
        <Stack key={id} direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap', alignItems: 'center' }}>
          <TextField type="time" label="Break from" slotProps={SHRUNK} {...control.register(`shifts.${at}.breaks.${i}.startsAt`)} />
          <TextField type="time" label="to" slotProps={SHRUNK} {...control.register(`shifts.${at}.breaks.${i}.endsAt`)} />
          {editable && <Button onClick={() => breaks.remove(i)}>Drop this break</Button>}
        </Stack>
      ))}
      {editable && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => breaks.append({ startsAt: '12:00', endsAt: '12:30' })}>
          Add a break
        </Button>
      )}
    </Stack>
  );
}

/** Days on which nobody works, and days that end early. */
function Dates({ control, editable }: { control: Control<Fields>; editable: boolean }) {
  const holidays = useFieldArray({ control, name: 'holidays' });
  const shortDays = useFieldArray({ control, name: 'shortDays' });
  return (
    <>
      <Section title="Holidays">
        <Stack spacing={1.5}>
          {holidays.fields.map(({ id }, i) => (
            <Stack key={id} direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
              <DayIn control={control} name={`holidays.${i}.date`} label={`Holiday ${i + 1}`} readOnly={!editable} />
              {editable && <Button onClick={() => holidays.remove(i)}>Drop</Button>}
            </Stack>
          ))}
          {editable && (
            <Button sx={{ alignSelf: 'start' }} onClick={() => holidays.append({ date: '' })}>
              Add a holiday
            </Button>
          )}
        </Stack>
      </Section>
      <Section title="Short days">
        <Stack spacing={1.5}>
          {shortDays.fields.map(({ id }, i) => (
            <Stack key={id} direction="row" useFlexGap spacing={1.5} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
              <DayIn control={control} name={`shortDays.${i}.date`} label={`Short day ${i + 1}`} readOnly={!editable} />
              <TextField type="time" label="ends at" slotProps={SHRUNK} {...control.register(`shortDays.${i}.endsAt`)} />
              {editable && <Button onClick={() => shortDays.remove(i)}>Drop</Button>}
            </Stack>
          ))}
          {editable && (
            <Button sx={{ alignSelf: 'start' }} onClick={() => shortDays.append({ date: '', endsAt: '12:00' })}>
              Add a short day
            </Button>
          )}
        </Stack>
      </Section>
    </>
  );
}
