import { lifeGone, NEARLY_OVER } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { View } from '../ground/api.ts';

/** How much of a cutter's life is gone, as a strip with its minutes; what is beyond its life is hatched. */
export function CutterLife({ cutter }: { cutter: Pick<View<'CutterView'>, 'usedMinutes' | 'lifeMinutes'> }) {
  const { tokens } = useTheme();
  const { usedMinutes, lifeMinutes } = cutter;
  const share = lifeGone(cutter);
  const scale = Math.max(1, share);
  const width = (part: number) => `${((100 * part) / scale).toFixed(1)}%`;
  const colour = share >= 1 ? tokens.stop : share >= NEARLY_OVER ? tokens.attention : tokens.ready;
  const said = `${usedMinutes.toFixed(0)} of ${lifeMinutes.toFixed(0)} min`;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, width: '100%', height: '100%' }}>
      <Box
        role="img"
        aria-label={said}
        sx={{
          position: 'relative',
          flex: 1,
          minWidth: 60,
          height: 10,
          border: 1,
          borderColor: 'divider',
          borderRadius: 0.5,
          overflow: 'hidden',
        }}
      >
        <Box sx={{ position: 'absolute', inset: 0, width: width(Math.min(1, share)), bgcolor: colour }} />
        {share > 1 && (
          <Box
            sx={{
              position: 'absolute',
              top: 0,
              bottom: 0,
              left: width(1),
              right: 0,
              background: `repeating-linear-gradient(135deg, ${tokens.stop} 0 3px, transparent 3px 6px)`,
            }}
          />
        )}
      </Box>
      <Typography component="span" variant="body2" sx={{ whiteSpace: 'nowrap', fontVariantNumeric: 'tabular-nums' }}>
        {said}
      </Typography>
    </Box>
  );
}
