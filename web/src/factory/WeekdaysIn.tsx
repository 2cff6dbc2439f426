import { ToggleButton, ToggleButtonGroup } from '@mui/material';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

interface Props {
  label: string;
  /** ISO weekdays, 1 = Monday */
  value: readonly number[];
  onChange: (days: number[]) => void;
  disabled?: boolean;
}

/** Days of the week, any of them. */
export function WeekdaysIn({ label, value, onChange, disabled = false }: Props) {
  return (
    <ToggleButtonGroup
      size="small"
      value={[...value]}
      onChange={(_, days: number[]) => onChange([...days].sort())}
      aria-label={label}
      disabled={disabled}
      sx={{ flexWrap: 'wrap' }}
    >
      {DAYS.map((name, i) => (
        <ToggleButton key={name} value={i + 1}>
          {name}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
