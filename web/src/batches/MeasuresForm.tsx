import { Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import type { View } from '../ground/api.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { parseNumbers, QuickEntry } from '../parts/QuickEntry.tsx';
import { useBatchCommand } from './useBatchCommand.ts';

/** Measures of a step: one row of values per characteristic, in the order of the pieces. */
export function MeasuresForm({ card }: { card: View<'CardView'> }) {
  const { batch, characteristics, inPass, unmeasured } = card;
  const [texts, setTexts] = useState<Record<string, string>>({});
  const take = useBatchCommand('measures', batch, `Measures of ${batch.operationName.toLowerCase()}`, () => setTexts({}));
  const rows = characteristics.map((c) => {
    const parsed = parseNumbers(texts[c.id] ?? '', 2);
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
    <Stack spacing={1.5} component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, m: 0 }}>
      <Typography component="legend" variant="h3" sx={{ px: 0.5 }}>
        Measures
      </Typography>
      <Typography variant="body2" color="text.secondary">
        {unmeasured.length === 0 ? 'Every piece is measured.' : `Still to measure: ${unmeasured.join(', ')}`}
      </Typography>
      {rows.map(({ characteristic: c, parsed }) => (
        <QuickEntry
          key={c.id}
          label={`${c.name}, ${c.unit}`}
          text={texts[c.id] ?? ''}
          onChange={(text) => setTexts({ ...texts, [c.id]: text })}
          parsed={parsed}
          band={c}
          unit={c.unit}
          hint={`${inPass.length} values in the order of the pieces; band ${c.low}–${c.high} ${c.unit}`}
        />
      ))}
      <Button
        variant="outlined"
        sx={{ alignSelf: 'start' }}
        disabled={wrong || values.length === 0}
        loading={take.isPending}
        onClick={() => take.mutate({ measures: values })}
      >
        Save measures
      </Button>
      {take.error && <ErrorNote error={take.error} />}
    </Stack>
  );
}
