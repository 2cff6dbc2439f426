import { pressingLaws, walkThrough, withDefaults, type Adhesive, type Route, type RouteFacts } from '@ample-crane/core';
import { Box, Stack, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { WalkSummary } from '../parts/WalkSummary.tsx';
import { Choice, FigureField } from '../parts/deskFields.tsx';

interface Props {
  route: Route;
  /** wood and construction of the model */
  facts: Omit<RouteFacts, 'choices'>;
  batchSize: number;
  adhesives: readonly Adhesive[];
}

/** What an order with certain options would go through, before anything of it is made. */
export function WalkThroughPanel({ route, facts, batchSize, adhesives }: Props) {
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const [quantity, setQuantity] = useState(batchSize);
  const options = route.options ?? [];
  const choices = withDefaults(options, chosen);
  const walk = useMemo(
    () =>
      walkThrough(route, { ...facts, choices: withDefaults(route.options ?? [], chosen) }, quantity, {
        lawsOf: (pressing) => pressingLaws(adhesives, pressing),
      }),
    [route, facts, chosen, quantity, adhesives],
  );
  return (
    <Stack spacing={2} component="section" aria-label="Walk-through">
      <Typography variant="h2">Walk-through</Typography>
      <Stack direction="row" spacing={1} useFlexGap sx={{ flexWrap: 'wrap' }}>
        {options.map((o) => (
          <Box key={o.id} sx={{ minWidth: 150, flex: 1 }}>
            <Choice
              label={o.name}
              value={choices[o.id] ?? ''}
              choices={o.values.map((v) => [v.id, v.name])}
              onChange={(value) => setChosen({ ...chosen, [o.id]: value })}
            />
          </Box>
        ))}
        <Box sx={{ width: 110 }}>
          <FigureField label="Instruments" value={quantity} min={1} max={400} onChange={(n) => setQuantity(Math.round(n ?? 1))} />
        </Box>
      </Stack>
      <WalkSummary walk={walk} />
    </Stack>
  );
}
