import { CAUTION_ALWAYS, CAUTIONS, type CautionKind } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';

/** The usual cautions, shown where the work is logged; never in the way of it. */
export function Caution({ kinds }: { kinds: readonly string[] }) {
  const known = kinds.filter((k): k is CautionKind => k in CAUTIONS);
  if (known.length === 0) return null;
  return (
    <Box role="note" aria-label="Cautions" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, my: 1.5 }}>
      {known.map((kind) => (
        <Typography key={kind} variant="body2">
          {CAUTIONS[kind]}
        </Typography>
      ))}
      <Typography variant="caption" color="text.secondary">
        {CAUTION_ALWAYS}
      </Typography>
    </Box>
  );
}
