import { Autocomplete, Box, Checkbox, FormControlLabel, MenuItem, Stack, Switch, TextField, type TextFieldProps } from '@mui/material';
import { useId, type ReactNode } from 'react';
import { useController, useWatch, type Control, type FieldPathByValue, type FieldPathValue, type FieldValues } from 'react-hook-form';

// The fields of forms: each bound to a form's control, telling what is wrong below itself once it was left or sent.

interface Rules {
  required?: string;
  validate?: (value: string) => true | string;
}

interface Bound<Fields extends FieldValues, Value> {
  control: Control<Fields>;
  name: FieldPathByValue<Fields, Value>;
  label: string;
  rules?: Rules;
}

type Look = Pick<
  TextFieldProps,
  'sx' | 'autoFocus' | 'fullWidth' | 'multiline' | 'minRows' | 'type' | 'placeholder' | 'disabled' | 'helperText' | 'autoComplete'
>;

export type Choices = readonly (readonly [value: string, label: string])[];

/** What stands in the fields of a form now. Each has something from the first, so that none is missing. */
export const useTyped = <Fields extends FieldValues>(control: Control<Fields>): Fields => useWatch({ control }) as Fields;

/** A figure as people type it; NaN where there is none. A decimal comma is one. */
export const figureIn = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));

/** What is wrong with a typed figure; true when nothing is. */
export const figureRule =
  ({ min = -Infinity, max = Infinity, whole = false, optional = false, positive = false } = {}) =>
  (text: string): true | string => {
    if (optional && text.trim() === '') return true;
    const value = figureIn(text);
    if (positive && !(value > 0)) return 'A figure above zero';
    if (!Number.isFinite(value)) return 'Type a figure';
    if (whole && (!Number.isInteger(value) || value < min)) return min === 1 ? 'A whole number above zero' : 'A whole number';
    if (value < min) return max === Infinity ? `At least ${min}` : `${min} to ${max}`;
    return value <= max || (min === -Infinity ? `At most ${max}` : `${min} to ${max}`);
  };

/** A line of text; what is known already is offered. */
export function TextIn<Fields extends FieldValues>({
  control,
  name,
  label,
  rules,
  helperText,
  type,
  error = false,
  known,
  ...look
}: Bound<Fields, string> & Look & { error?: boolean; known?: readonly string[] }) {
  const { field, fieldState } = useController({ control, name, ...(rules ? { rules } : {}) });
  const { ref, ...bound } = field;
  const listId = useId();
  return (
    <>
      <TextField
        label={label}
        {...bound}
        inputRef={ref}
        {...look}
        {...(type === undefined ? {} : { type })}
        error={error || fieldState.error !== undefined}
        helperText={fieldState.error?.message || helperText}
        slotProps={{
          ...(type === 'date' || type === 'time' ? { inputLabel: { shrink: true } } : {}),
          ...(known ? { htmlInput: { list: listId } } : {}),
        }}
      />
      {known && (
        <datalist id={listId}>
          {known.map((text) => (
            <option key={text} value={text} />
          ))}
        </datalist>
      )}
    </>
  );
}

/** A figure, kept as it is typed: `figureIn` reads it. */
export function FigureIn<Fields extends FieldValues>({
  control,
  name,
  label,
  helperText,
  min,
  max,
  whole,
  optional,
  positive,
  ...look
}: Omit<Bound<Fields, string>, 'rules'> & Look & Parameters<typeof figureRule>[0]) {
  const limits = {
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(whole === undefined ? {} : { whole }),
    ...(optional === undefined ? {} : { optional }),
    ...(positive === undefined ? {} : { positive }),
  };
  const { field, fieldState } = useController({ control, name, rules: { validate: figureRule(limits) } });
  const { ref, ...bound } = field;
  return (
    <TextField
      label={label}
      {...bound}
      inputRef={ref}
      {...look}
      error={fieldState.error !== undefined}
      helperText={fieldState.error?.message || helperText}
      slotProps={{ htmlInput: { inputMode: whole ? 'numeric' : 'decimal' } }}
    />
  );
}

interface ChoiceLook<Fields extends FieldValues> {
  choices: Choices;
  bare?: boolean;
  /** what stands there at first, where the form does not say */
  first?: FieldPathValue<Fields, FieldPathByValue<Fields, string>>;
  /** what is taken as long as nothing that is there was chosen */
  shown?: string;
}

/** One of some, at first the one that the form or `first` says; bare in a table, whose columns name it. */
export function ChoiceIn<Fields extends FieldValues>({
  control,
  name,
  label,
  rules,
  choices,
  helperText,
  bare = false,
  first,
  shown,
  ...look
}: Bound<Fields, string> & Look & ChoiceLook<Fields>) {
  const { field, fieldState } = useController({
    control,
    name,
    ...(rules ? { rules } : {}),
    ...(first === undefined ? {} : { defaultValue: first }),
  });
  const { ref, ...bound } = field;
  return (
    <TextField
      select
      {...(bare
        ? { variant: 'standard', slotProps: { htmlInput: { 'aria-label': label } } }
        : { label, slotProps: shownWhenNone(choices) })}
      {...bound}
      {...(shown === undefined ? {} : { value: shown })}
      inputRef={ref}
      {...look}
      error={fieldState.error !== undefined}
      helperText={fieldState.error?.message || helperText}
    >
      {choices.map(([value, text]) => (
        <MenuItem key={value} value={value}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** Where none is a choice of its own, its words stand in the field. */
const shownWhenNone = (choices: Choices) =>
  choices.some(([value]) => value === '') ? { select: { displayEmpty: true }, inputLabel: { shrink: true } } : {};

/** Yes or no; bare in a table, whose columns name it. */
export function FlagIn<Fields extends FieldValues>({
  control,
  name,
  label,
  box: Mark = Checkbox,
  bare = false,
}: Omit<Bound<Fields, boolean>, 'rules'> & { box?: typeof Checkbox | typeof Switch; bare?: boolean }) {
  const { field } = useController({ control, name });
  const { value, ref, ...bound } = field;
  if (bare) return <Mark {...bound} checked={value} slotProps={{ input: { ref, 'aria-label': label } }} />;
  return <FormControlLabel control={<Mark {...bound} checked={value} slotProps={{ input: { ref } }} />} label={label} />;
}

/** Several of some, each ticked. */
export function TicksIn<Fields extends FieldValues>({
  control,
  name,
  label,
  choices,
  rules,
}: Bound<Fields, readonly string[]> & { choices: Choices }) {
  const { field } = useController({ control, name, ...(rules ? { rules } : {}) });
  const chosen: readonly string[] = field.value;
  const toggle = (id: string) => field.onChange(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id]);
  return (
    <Box role="group" aria-label={label} sx={{ display: 'flex', flexWrap: 'wrap' }}>
      {choices.map(([id, text]) => (
        <FormControlLabel key={id} control={<Checkbox checked={chosen.includes(id)} onChange={() => toggle(id)} />} label={text} />
      ))}
    </Box>
  );
}

/** Several of a longer list. */
export function SeveralIn<Fields extends FieldValues>({
  control,
  name,
  label,
  choices,
}: Omit<Bound<Fields, readonly string[]>, 'rules'> & { choices: Choices }) {
  const { field } = useController({ control, name });
  const words = new Map(choices);
  const chosen: readonly string[] = field.value;
  return (
    <Autocomplete
      multiple
      size="small"
      options={choices.map(([value]) => value)}
      getOptionLabel={(value) => words.get(value) ?? value}
      value={[...chosen]}
      onChange={(_, values) => field.onChange(values)}
      onBlur={field.onBlur}
      renderInput={(params) => <TextField {...params} label={label} />}
      fullWidth
    />
  );
}

/** Fields side by side, where there is room. */
export const FieldRow = ({ children }: { children: ReactNode }) => (
  <Stack direction={{ xs: 'column', sm: 'row' }} spacing={2} sx={{ '& > *': { flex: 1 } }}>
    {children}
  </Stack>
);

/** Pieces of a batch as choices. */
export const idChoices = (ids: readonly string[]): Choices => ids.map((id) => [id, id]);
