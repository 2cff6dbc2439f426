import type { CautionKind } from '@ample-crane/core';
import { Box, Typography } from '@mui/material';

const CAUTIONS: Record<CautionKind, string> = {
  cutting: 'Guard, vacuum or clamp proven before start; one trained person inside the marked area; no gloves or loose sleeves.',
  dust: 'Extraction on; respirator for sanding; some species sensitise.',
  spraying:
    'Flammable vapour: no ignition source, booth fan proven; supplied air or the mask the data sheet names. Two-part hardeners contain isocyanates.',
  rags: 'Oily rags heat themselves: lay flat or drown.',
  buffing: 'Hold below centre; no dangling cloth.',
  hot: 'Hot surfaces and pinch points.',
  solvents: 'Solvents and cyanoacrylate: gloves and ventilation.',
  thermal: 'Thermal gloves for freezer and heat-gun work.',
};

const ALWAYS =
  "Follow the product's safety data sheet, your local code and the people licensed to judge it; this program does not replace them.";

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
        {ALWAYS}
      </Typography>
    </Box>
  );
}
