import { CAUTION_ALWAYS } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { useSession } from '../ground/session.tsx';

/** The factory's cautions, shown where the work is logged; never in the way of it. */
export function Caution({ kinds }: { kinds: readonly string[] }) {
  const { session } = useSession();
  const known = session.cautions.filter((caution) => kinds.includes(caution.key));
  if (known.length === 0) return null;
  return (
    <Box role="note" aria-label="Cautions" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1.5, my: 1.5 }}>
      {known.map(({ key, text }) => (
        <Typography key={key} variant="body2">
          {text}
        </Typography>
      ))}
      <Typography variant="caption" color="text.secondary">
        {CAUTION_ALWAYS}
      </Typography>
    </Box>
  );
}
