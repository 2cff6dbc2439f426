import { Button, Checkbox, FormControlLabel, Stack, TextField, Typography } from '@mui/material';
import dayjs from 'dayjs';
import { Controller, useFieldArray, useWatch, type Control } from 'react-hook-form';
import { DayIn } from '../parts/DayIn.tsx';
import { useSession } from '../ground/session.tsx';
import type { PersonFields } from './personForm.ts';
import { WeekdaysIn } from './WeekdaysIn.tsx';

/** When somebody is there: their own week where it is not the factory's, and the days they are away. */
export function PersonHours({ control }: { control: Control<PersonFields> }) {
  const own = useWatch({ control, name: 'ownWeek' });
  return (
    <>
      <Controller
        name="ownWeek"
        control={control}
        render={({ field }) => (
          <FormControlLabel
            control={<Checkbox checked={field.value} onChange={(_, checked) => field.onChange(checked)} />}
            label="Keeps other hours than the factory"
          />
        )}
      />
      {own && <OwnWeek control={control} />}
      <DaysAway control={control} />
    </>
  );
}

function OwnWeek({ control }: { control: Control<PersonFields> }) {
  return (
    <Stack spacing={1.5}>
      <Controller
        name="days"
        control={control}
        render={({ field }) => <WeekdaysIn label="Days worked" value={field.value} onChange={field.onChange} />}
      />
      <Stack direction="row" spacing={1}>
        <TextField type="time" label="Begins" slotProps={{ inputLabel: { shrink: true } }} fullWidth {...control.register('startsAt')} />
        <TextField type="time" label="Ends" slotProps={{ inputLabel: { shrink: true } }} fullWidth {...control.register('endsAt')} />
      </Stack>
    </Stack>
  );
}

function DaysAway({ control }: { control: Control<PersonFields> }) {
  const { session, nowMs } = useSession();
  const { fields, append, remove } = useFieldArray({ control, name: 'away' });
  const today = dayjs(nowMs).tz(session.timeZone).format('YYYY-MM-DD');
  const past = fields.filter(({ was }) => was !== null && was.to < today).length;
  return (
    <Stack spacing={1.5} role="group" aria-label="Days away">
      {fields.map(({ id, was }, i) => (
        <Stack
          key={id}
          direction={{ xs: 'column', sm: 'row' }}
          spacing={1}
          // What is over stays on record and is not asked about again.
          sx={{ alignItems: { xs: 'stretch', sm: 'center' }, ...(was !== null && was.to < today ? { display: 'none' } : {}) }}
        >
          <DayIn control={control} name={`away.${i}.from`} label="Away from" rules={{ required: 'From when' }} />
          <DayIn control={control} name={`away.${i}.to`} label="Last day away" rules={{ required: 'Until when' }} />
          <Button color="error" onClick={() => remove(i)} aria-label={`Drop days away ${i + 1}`}>
            Drop
          </Button>
        </Stack>
      ))}
      {past > 0 && (
        <Typography variant="body2" color="text.secondary">
          {past === 1 ? 'One earlier absence is' : `${past} earlier absences are`} on record.
        </Typography>
      )}
      <Button sx={{ alignSelf: 'flex-start' }} onClick={() => append({ from: today, to: today, was: null })}>
        Add days away
      </Button>
    </Stack>
  );
}
