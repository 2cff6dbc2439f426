import { Box, MenuItem, Stack, TextField } from '@mui/material';
import { Controller, type Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';

type Moisture = View<'MoistureDto'>;
type NumberField = { [K in keyof Moisture]: Moisture[K] extends number ? K : never }[keyof Moisture];

const NUMBERS: readonly (readonly [NumberField, string])[] = [
  ['halfWidthPct', 'Shop band: points either side'],
  ['fixedLowPct', 'Fixed band from, %'],
  ['fixedHighPct', 'Fixed band to, %'],
  ['readingsNeeded', 'Readings of a small lot'],
  ['readingsPerM3', 'More readings for each m³'],
  ['spreadLimitPct', 'Spread at most, points'],
  ['gradientLimitPct', 'Core against shell at most, points'],
  ['stableLimitPctPerDay', 'Settled below, points a day'],
  ['stableWindowDays', 'Judged over, days'],
  ['daysPer25Mm', 'Calendar: days per 25 mm'],
];

/** What rules of moisture change when they are kept. */
export const LOTS_AT_ONCE =
  'Lots that dry are judged by these rules at once. What was released stays released; where it lies outside its band, the wood room says so.';

/** Every rule of one set. */
export function MoistureFields({ control }: { control: Control<Moisture> }) {
  return (
    <>
      <Stack direction="row" spacing={2} useFlexGap sx={{ flexWrap: 'wrap' }}>
        <Choice
          control={control}
          name="gateSchool"
          label="Judged by"
          options={[
            ['meter', 'meter'],
            ['calendar', 'calendar'],
            ['both', 'both'],
          ]}
        />
        <Choice
          control={control}
          name="bandSchool"
          label="Band"
          options={[
            ['shop', 'follows the shop’s EMC'],
            ['fixed', 'fixed'],
          ]}
        />
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(190px, 1fr))', gap: 2 }}>
        {NUMBERS.map(([name, label]) => (
          <Controller
            key={name}
            name={name}
            control={control}
            rules={{ validate: (value) => Number.isFinite(value) || 'A number' }}
            render={({ field, fieldState }) => (
              <TextField
                label={label}
                type="number"
                value={Number.isNaN(field.value) ? '' : field.value}
                onChange={(event) => field.onChange(event.target.value === '' ? NaN : Number(event.target.value))}
                error={!!fieldState.error}
                slotProps={{ htmlInput: { step: 'any' } }}
              />
            )}
          />
        ))}
      </Box>
    </>
  );
}

function Choice({
  control,
  name,
  label,
  options,
}: {
  control: Control<Moisture>;
  name: 'gateSchool' | 'bandSchool';
  label: string;
  options: readonly (readonly [string, string])[];
}) {
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <TextField {...field} select label={label} sx={{ minWidth: 190 }}>
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}
