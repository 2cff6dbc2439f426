import { Button, Stack, Typography } from '@mui/material';
import { useController, useForm, type Control } from 'react-hook-form';
import type { View } from '../ground/api.ts';
import { useTyped } from '../parts/fields.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { parseNumbers, QuickEntry, type Parsed } from '../parts/QuickEntry.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** What is typed of each characteristic, in their order. */
interface Fields {
  rows: { text: string }[];
}

/** Measures of a step: one row of values per characteristic, in the order of the pieces. */
export function MeasuresForm({ card }: { card: View<'CardView'> }) {
  const { batch, characteristics, inPass, unmeasured } = card;
  const fresh = { rows: characteristics.map(() => ({ text: '' })) };
  const { control, handleSubmit, reset } = useForm<Fields>({ defaultValues: fresh });
  const typed = useTyped(control);

  const take = useBatchCommand('measures', batch, `Measures of ${batch.operationName.toLowerCase()}`, () => reset(fresh));
  const rows = characteristics.map((c, i) => {
    const parsed = parseNumbers(typed.rows[i]?.text ?? '', 2);
    const tooMany = parsed.values.length > inPass.length ? [`${parsed.values.length} values for ${inPass.length} pieces`] : [];
    return { characteristic: c, parsed: { ...parsed, problems: [...parsed.problems, ...tooMany] } };
  });
  const values = rows.flatMap(({ characteristic, parsed }) =>
    parsed.values.map((v, i) => ({
      pieceId: inPass[i] ?? '',
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
        {unmeasured.length === 0 ? 'Every piece is measured.' : `Still to measure: ${unmeasured.join(', ')}`}
      </Typography>
      {rows.map(({ characteristic, parsed }, i) => (
        <Row key={characteristic.id} at={i} control={control} characteristic={characteristic} parsed={parsed} pieces={inPass.length} />
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
  control: Control<Fields>;
  characteristic: View<'CharacteristicView'>;
  parsed: Parsed;
  pieces: number;
}

function Row({ at, control, characteristic: c, parsed, pieces }: RowProps) {
  const { field } = useController({ control, name: `rows.${at}.text` });
  return (
    <QuickEntry
      label={`${c.name}, ${c.unit}`}
      text={field.value}
      onChange={field.onChange}
      parsed={parsed}
      band={c}
      unit={c.unit}
      hint={`${pieces} values in the order of the pieces; band ${c.low}–${c.high} ${c.unit}`}
    />
  );
}
