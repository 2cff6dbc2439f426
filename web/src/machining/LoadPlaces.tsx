import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { View } from '../ground/api.ts';

/** More places than these tell nothing as a drawing. */
const DRAWN_MOST = 48;
const PLACE_PX = 11;

/** The loads of a batch as rows of places: filled, and left empty. */
export function LoadPlaces({ planned }: { planned: View<'PlannedBatchView'> }) {
  const { tokens } = useTheme();
  const { loads, piecesALoad, pieces, joining } = planned;
  const places = loads * piecesALoad;
  if (piecesALoad === 1 || places === 0 || places > DRAWN_MOST) return null;
  const filled = pieces - joining;
  return (
    <Box role="img" aria-label={`${filled} of ${places} places filled`} sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.5 }}>
      {Array.from({ length: loads }, (_, load) => (
        <Box key={load} sx={{ display: 'flex', gap: '2px' }}>
          {Array.from({ length: piecesALoad }, (_place, i) => {
            const isFilled = load * piecesALoad + i < filled;
            return (
              <Box
                key={i}
                sx={{
                  width: PLACE_PX,
                  height: PLACE_PX,
                  borderRadius: '2px',
                  border: `1px ${isFilled ? 'solid' : 'dashed'} ${isFilled ? tokens.ink : tokens.waiting}`,
                  bgcolor: isFilled ? tokens.waiting : 'transparent',
                }}
              />
            );
          })}
        </Box>
      ))}
    </Box>
  );
}
