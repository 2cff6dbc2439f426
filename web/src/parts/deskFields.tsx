import { Autocomplete, MenuItem, TextField } from '@mui/material';
import { useState } from 'react';

// The fields of what is drawn up at a desk rather than filled in and sent, as a route or a cutting plan: each keeps what
// is typed until it makes sense, then tells.

interface Named {
  label: string;
  /** shown, not changed */
  readOnly?: boolean | undefined;
}

/** A line of text, or several; told when it is left, a single line also when Enter is pressed. */
export function TextLine({
  label,
  value,
  onChange,
  readOnly = false,
  hint,
  lines = false,
}: Named & { value: string; onChange: (value: string) => void; hint?: string; lines?: boolean }) {
  const [typed, setTyped] = useState(value);
  const [seen, setSeen] = useState(value);
  if (seen !== value) {
    setSeen(value);
    setTyped(value);
  }
  const tell = () => typed !== value && onChange(typed);
  return (
    <TextField
      label={label}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={tell}
      onKeyDown={(event) => !lines && event.key === 'Enter' && tell()}
      multiline={lines}
      helperText={hint}
      slotProps={{ input: { readOnly } }}
      fullWidth
    />
  );
}

interface FigureProps extends Named {
  value: number | undefined;
  onChange: (value: number | undefined) => void;
  min?: number;
  max?: number;
  /** whether it may be left empty */
  optional?: boolean;
}

/** A figure; what is no figure stays in the field with the reason, and is not told. */
export function FigureField({ label, value, onChange, readOnly = false, min = 0, max = 1_000_000, optional = false }: FigureProps) {
  const shown = value === undefined ? '' : String(value);
  const [typed, setTyped] = useState(shown);
  const [seen, setSeen] = useState(shown);
  if (seen !== shown) {
    setSeen(shown);
    setTyped(shown);
  }
  const figure = typed.trim() === '' ? undefined : Number(typed.replace(',', '.'));
  const wrong =
    figure === undefined
      ? optional
        ? null
        : 'Type a figure'
      : !Number.isFinite(figure)
        ? 'Not a figure'
        : figure < min || figure > max
          ? `${min} to ${max}`
          : null;
  const tell = () => wrong === null && figure !== value && onChange(figure);
  return (
    <TextField
      label={label}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={tell}
      onKeyDown={(event) => event.key === 'Enter' && tell()}
      error={wrong !== null}
      helperText={wrong}
      slotProps={{ input: { readOnly }, htmlInput: { inputMode: 'decimal' } }}
      fullWidth
    />
  );
}

export type Choices = readonly (readonly [value: string, label: string])[];

/** One of some; none where `empty` says what none is called. */
export function Choice({
  label,
  value,
  choices,
  onChange,
  empty,
  readOnly = false,
}: Named & { value: string; choices: Choices; onChange: (value: string) => void; empty?: string }) {
  const known = value === '' || choices.some(([v]) => v === value);
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      slotProps={{
        select: { readOnly, displayEmpty: empty !== undefined },
        ...(empty === undefined ? {} : { inputLabel: { shrink: true } }),
      }}
      fullWidth
    >
      {empty !== undefined && <MenuItem value="">{empty}</MenuItem>}
      {!known && <MenuItem value={value}>{value} (not there)</MenuItem>}
      {choices.map(([v, name]) => (
        <MenuItem key={v} value={v}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** Several of some, or words of one's own. */
export function Several({
  label,
  values,
  options,
  onChange,
  free = false,
  readOnly = false,
}: Named & { values: readonly string[]; options: readonly string[]; onChange: (values: string[]) => void; free?: boolean }) {
  return (
    <Autocomplete
      multiple
      freeSolo={free}
      size="small"
      readOnly={readOnly}
      options={[...options]}
      value={[...values]}
      onChange={(_, chosen) => onChange(chosen)}
      renderInput={(params) => <TextField {...params} label={label} />}
      fullWidth
    />
  );
}
