import { Box, TextField, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { MONO } from '../ground/theme.ts';
import { BandStrip } from './BandStrip.tsx';
import { useDeviceField, type TakesFrom } from './useDeviceField.ts';

export interface Parsed {
  values: { shown: string; value: number }[];
  problems: string[];
}

interface Props {
  label: string;
  text: string;
  onChange: (text: string) => void;
  parsed: Parsed;
  band: { low: number; high: number; target?: number } | null;
  unit: string;
  hint: string;
  error?: string | undefined;
  autoFocus?: boolean;
  inputRef?: React.Ref<HTMLInputElement>;
  aside?: ReactNode;
  /** devices that may send their values here */
  takesFrom?: TakesFrom;
}

/** A row of values typed as people say them; what was understood shows as it is typed. The field's own undo works. */
export function QuickEntry({
  label,
  text,
  onChange,
  parsed,
  band,
  unit,
  hint,
  error,
  autoFocus = false,
  inputRef,
  aside,
  takesFrom,
}: Props) {
  const device = useDeviceField(takesFrom, text, onChange);
  const problem = error ?? (parsed.problems.length > 0 ? parsed.problems.join('. ') : undefined);
  return (
    <Box>
      <TextField
        fullWidth
        label={label}
        value={text}
        onChange={(event) => onChange(event.target.value)}
        error={problem !== undefined}
        helperText={problem ?? hint}
        onFocus={device.onFocus}
        onBlur={device.onBlur}
        autoFocus={autoFocus}
        inputRef={inputRef}
        autoComplete="off"
        slotProps={{
          htmlInput: { style: { fontFamily: MONO, fontSize: 18 }, inputMode: 'text', spellCheck: false },
        }}
      />
      {device.note !== null && (
        // It keeps its line as the field is left: what is pressed next does not move from under the finger.
        <Typography variant="caption" component="p" role="status" sx={{ ml: 1.75, visibility: device.isWaiting ? 'visible' : 'hidden' }}>
          {device.note}
        </Typography>
      )}
      {parsed.values.length > 0 && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 0.5, flexWrap: 'wrap' }} aria-live="polite">
          {band && (
            <BandStrip
              label={label}
              unit={unit}
              low={band.low}
              high={band.high}
              {...(band.target === undefined ? {} : { target: band.target })}
              values={parsed.values.map((v) => v.value)}
            />
          )}
          <Typography component="span" sx={{ fontFamily: MONO, fontSize: 14 }}>
            {parsed.values.map((v) => v.shown).join('  ')}
          </Typography>
          {aside}
        </Box>
      )}
    </Box>
  );
}

/** A row of plain numbers; a comma inside a figure is a decimal comma. */
export function parseNumbers(text: string, digits: number): Parsed {
  const values: Parsed['values'] = [];
  const problems: string[] = [];
  for (const word of text.split(/[\s;]+/).filter((w) => w !== '')) {
    const value = Number(word.replace(',', '.'));
    if (Number.isFinite(value)) values.push({ value, shown: value.toFixed(digits) });
    else problems.push(`"${word}" is not a number`);
  }
  return { values, problems };
}
