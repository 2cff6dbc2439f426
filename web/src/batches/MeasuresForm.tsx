import { unmeasuredInWords } from '@ample-crane/core';
import { Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useController, useForm, type Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useTyped } from '../parts/fields.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { counted } from '../parts/words.ts';
import { parseNumbers, QuickEntry, type Parsed } from '../parts/QuickEntry.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** What is typed of each characteristic, in their order, and of which piece the first values are. */
interface Fields {
  from: string;
  rows: { text: string }[];
}

/** Measures of a step: one row of values per characteristic, in the order of the pieces from one of them on. */
export function MeasuresForm({ card }: { card: View<'CardView'> }) {
  const { batch, characteristics, inPass, unmeasured } = card;
  const fresh = { from: '', rows: characteristics.map(() => ({ text: '' })) };
  const { control, handleSubmit, reset, setValue } = useForm<Fields>({ defaultValues: fresh });
  const typed = useTyped(control);

  const take = useBatchCommand('measures', batch, `Measures of ${batch.operationName.toLowerCase()}`, () => reset(fresh));
  // Values begin with what is not measured yet, unless somebody says of which piece they are.
  const next = inPass.find((id) => unmeasured.some((u) => u.pieceIds.includes(id))) ?? inPass[0] ?? '';
  const from = inPass.includes(typed.from ?? '') ? (typed.from ?? '') : next;
  const pieces = inPass.slice(inPass.indexOf(from));
  const rows = characteristics.map((c, i) => {
    const parsed = parseNumbers(typed.rows[i]?.text ?? '', 2);
    const tooMany =
      parsed.values.length > pieces.length ? [`${parsed.values.length} values for ${counted(pieces.length, 'piece', 'pieces')}`] : [];
    return { characteristic: c, parsed: { ...parsed, problems: [...parsed.problems, ...tooMany] } };
  });
  const values = rows.flatMap(({ characteristic, parsed }) =>
    parsed.values.map((v, i) => ({
      pieceId: pieces[i] ?? '',
      characteristicId: characteristic.id,
      value: v.value,
    })),
  );
  const wrong = rows.some((r) => r.parsed.problems.length > 0);
  return (
    <Stack
      spacing={1.5}
      component="form"
      noValidate
      aria-label="Measures"
      onSubmit={(event) => void handleSubmit(() => take.mutate({ measures: values }))(event)}
      sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5 }}
    >
      <Typography variant="h3">Measures</Typography>
      <Typography variant="body2" color="text.secondary">
        {unmeasured.length === 0
          ? characteristics.every((c) => c.sample === null)
            ? 'Every piece is measured.'
            : 'Nothing more has to be measured.'
          : `Still to measure: ${unmeasuredInWords(unmeasured, inPass).join('; ')}`}
      </Typography>
      {inPass.length > 1 && (
        <TextField
          select
          label="First value is of"
          value={from}
          onChange={(event) => setValue('from', event.target.value)}
          sx={{ maxWidth: 260 }}
        >
          {inPass.map((id) => (
            <MenuItem key={id} value={id}>
              {id}
            </MenuItem>
          ))}
        </TextField>
      )}
      {rows.map(({ characteristic, parsed }, i) => (
        <Row
          key={characteristic.id}
          at={i}
          stationCode={batch.stationCode}
          control={control}
          characteristic={characteristic}
          parsed={parsed}
          pieces={pieces.length}
        />
      ))}
      <Button type="submit" variant="outlined" sx={{ alignSelf: 'start' }} disabled={wrong || values.length === 0} loading={take.isPending}>
        Save measures
      </Button>
      {take.error && <ErrorNote error={take.error} />}
    </Stack>
  );
}

interface RowProps {
  at: number;
  stationCode: string;
  control: Control<Fields>;
  characteristic: View<'CharacteristicView'>;
  parsed: Parsed;
  pieces: number;
}

function Row({ at, stationCode, control, characteristic: c, parsed, pieces }: RowProps) {
  const { field } = useController({ control, name: `rows.${at}.text` });
  return (
    <QuickEntry
      label={`${c.name}, ${c.unit}`}
      text={field.value}
      onChange={field.onChange}
      parsed={parsed}
      band={c}
      unit={c.unit}
      hint={howMeasured(c, pieces)}
      takesFrom={{ place: `station ${stationCode}`, unit: c.unit }}
    />
  );
}

function howMeasured({ low, high, unit, instrument, sample }: View<'CharacteristicView'>, pieces: number): string {
  const how = sample
    ? `${sample.measured} of every ${sample.of} pieces`
    : `${counted(pieces, 'value', 'values')} in the order of the pieces`;
  return [how, ...(instrument === null ? [] : [instrument]), `band ${low}–${high} ${unit}`].join('; ');
}
