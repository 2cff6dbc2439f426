import { DatePicker } from '@mui/x-date-pickers/DatePicker';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import { AdapterDayjs } from '@mui/x-date-pickers/AdapterDayjs';
import dayjs, { type Dayjs } from 'dayjs';
// A week that begins on Monday, as working weeks do.
import 'dayjs/locale/en-gb';
import { useState } from 'react';
import { useController, type Control, type FieldPathByValue, type FieldValues, type UseControllerProps } from 'react-hook-form';

/** As days are written on every screen. */
const FORMAT = 'D MMM YYYY';
const KEPT = 'YYYY-MM-DD';

interface Props<Fields extends FieldValues> {
  control: Control<Fields>;
  name: FieldPathByValue<Fields, string>;
  label: string;
  rules?: UseControllerProps<Fields, FieldPathByValue<Fields, string>>['rules'];
  readOnly?: boolean;
}

/** A day of the calendar, typed or chosen; kept as "2026-03-10", empty while it is none. */
export function DayIn<Fields extends FieldValues>({ control, name, label, rules, readOnly = false }: Props<Fields>) {
  const { field, fieldState } = useController({ control, name, ...(rules ? { rules } : {}) });
  const kept = String(field.value);
  // What is typed half stands in the field and nowhere else.
  const [typed, setTyped] = useState<{ of: string; day: Dayjs | null }>({ of: '', day: null });
  const day = typed.of === kept && typed.day !== null ? typed.day : kept === '' ? null : dayjs(kept, KEPT);
  return (
    <LocalizationProvider dateAdapter={AdapterDayjs} adapterLocale="en-gb">
      <DatePicker
        label={label}
        format={FORMAT}
        value={day}
        readOnly={readOnly}
        onChange={(next) => {
          const value = next?.isValid() ? next.format(KEPT) : '';
          setTyped({ of: value, day: next });
          field.onChange(value);
        }}
        slotProps={{
          field: { shouldRespectLeadingZeros: true },
          textField: {
            fullWidth: true,
            size: 'small',
            onBlur: field.onBlur,
            error: fieldState.error !== undefined,
            helperText: fieldState.error?.message,
          },
        }}
      />
    </LocalizationProvider>
  );
}
