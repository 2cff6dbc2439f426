import { formatLength, lengthIn } from '@ample-crane/core';
import { Box, Checkbox, FormControlLabel, Stack, TextField, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';

/** What a plan asks for: a blank, how many of it, and what one is worth. */
export function Want({
  want,
  got,
  editable,
  onChange,
}: {
  want: View<'WantDto'>;
  got: number;
  editable: boolean;
  onChange: (want: View<'WantDto'>) => void;
}) {
  const { units } = useSession();
  return (
    <Box role="group" aria-label={want.id} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
      <Typography>{want.id}</Typography>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'center', mt: 0.5 }}>
        <TextField
          label="Count"
          type="number"
          value={want.count}
          disabled={!editable}
          onChange={(event) => onChange({ ...want, count: Math.max(0, Math.round(Number(event.target.value))) })}
          sx={{ width: 84 }}
        />
        <TextField
          label="Worth"
          type="number"
          value={want.value}
          disabled={!editable}
          onChange={(event) => onChange({ ...want, value: Math.max(0, Number(event.target.value)) })}
          sx={{ width: 84 }}
        />
        <FormControlLabel
          control={
            <Checkbox
              size="small"
              checked={want.anyGrain ?? false}
              disabled={!editable}
              onChange={(event) => onChange({ ...want, anyGrain: event.target.checked })}
            />
          }
          label="any grain"
          slotProps={{ typography: { variant: 'body2' } }}
        />
      </Stack>
      <Typography variant="body2" color="text.secondary">
        {lengthIn(want.lengthMm, units)} × {lengthIn(want.widthMm, units)} × {formatLength(want.thicknessMm, units)} · got{' '}
        <Figure>{got}</Figure>
      </Typography>
    </Box>
  );
}
