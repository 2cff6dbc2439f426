import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { View } from '../ground/api.ts';
import { STREAM } from '../parts/StreamGlyph.tsx';

const CELL = 26;
const SHOWN_MAX = 120;

/** The places of a carrier: each taken one in its batch's stream, free ones open. */
export function PlaceGrid({ carrier }: { carrier: View<'CarrierView'> }) {
  const { tokens } = useTheme();
  const taken = carrier.batches.flatMap((b) => Array.from({ length: b.pieces }, () => b));
  const cells = Array.from({ length: Math.min(SHOWN_MAX, carrier.places) }, (_, i) => taken[i]);
  return (
    <Box
      role="img"
      aria-label={`${carrier.taken} of ${carrier.places} places taken`}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, maxWidth: CELL * 26, mb: 2 }}
    >
      {cells.map((batch, i) => {
        const begins = batch && batch.batchId !== cells[i - 1]?.batchId;
        return (
          <Box
            key={i}
            sx={{
              minWidth: CELL,
              height: CELL,
              px: begins ? 0.5 : 0,
              borderRadius: 0.5,
              border: 1,
              borderColor: batch ? tokens[STREAM[batch.component]] : 'divider',
              borderStyle: batch ? 'solid' : 'dashed',
              bgcolor: batch ? tokens[STREAM[batch.component]] : 'transparent',
              color: tokens.onAction,
              fontSize: 11,
              display: 'grid',
              placeItems: 'center',
            }}
          >
            {begins ? batch.batchId : ''}
          </Box>
        );
      })}
    </Box>
  );
}
