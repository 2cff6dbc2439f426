import { Box, ButtonBase, MenuItem, Stack, TextField, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { SeverityMark, type Severity } from '../parts/Finding.tsx';
import { Empty, Section } from '../parts/Screen.tsx';
import { useInAddress } from '../parts/useInAddress.ts';

type Dimension = View<'DimensionView'>;

const MARKS: Record<Dimension['state'], Severity> = { 'out of control': 'stop', 'in control': 'ready', 'too few': 'waiting' };

interface Props {
  all: readonly Dimension[];
  here: Dimension;
  onOpen: (id: string) => void;
}

/** Every characteristic that is measured: what is out of control first, then what was measured last. */
export function DimensionList({ all, here, onOpen }: Props) {
  const [params, set] = useInAddress();
  const state = params.get('state') ?? '';
  const text = params.get('find') ?? '';
  const wanted = text.trim().toLowerCase();
  const found = all.filter(
    (d) =>
      (state === '' || d.state === state) &&
      [d.name, d.modelName, d.stepName, d.stationName].some((said) => said.toLowerCase().includes(wanted)),
  );
  return (
    <Section title="What is measured">
      <Stack direction="row" spacing={1} sx={{ mb: 1 }}>
        <TextField label="Find" value={text} onChange={(event) => set('find', event.target.value)} fullWidth />
        <TextField
          select
          label="State"
          value={state}
          onChange={(event) => set('state', event.target.value)}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ minWidth: 130 }}
        >
          <MenuItem value="">any</MenuItem>
          {Object.keys(MARKS).map((s) => (
            <MenuItem key={s} value={s}>
              {s}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      {found.length === 0 && <Empty>None of them is called so.</Empty>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: { xs: 300, md: 560 }, overflowY: 'auto' }}>
        {found.map((d) => (
          <Box component="li" key={d.id}>
            <ButtonBase
              onClick={() => onOpen(d.id)}
              aria-current={d.id === here.id}
              sx={{
                width: '100%',
                minHeight: 52,
                justifyContent: 'flex-start',
                textAlign: 'left',
                gap: 1.25,
                px: 1,
                py: 0.75,
                borderBottom: 1,
                borderColor: 'divider',
                bgcolor: d.id === here.id ? 'background.paper' : 'transparent',
                boxShadow: d.id === here.id ? 'inset 3px 0 0 currentColor' : 'none',
              }}
            >
              <SeverityMark severity={MARKS[d.state]} />
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Typography component="div" sx={{ fontWeight: 600 }}>
                  {d.name}, {d.modelName}
                </Typography>
                <Typography component="div" variant="body2" color="text.secondary">
                  {d.stepName} · {d.signal ? d.signal.sentence : d.state === 'too few' ? `${d.lacking} more for a chart` : d.state}
                </Typography>
              </Box>
              {d.capability && (
                <Typography component="span" variant="body2" sx={{ whiteSpace: 'nowrap', fontVariantNumeric: 'tabular-nums' }}>
                  Ppk {d.capability.ppk.value.toFixed(2)}
                </Typography>
              )}
            </ButtonBase>
          </Box>
        ))}
      </Box>
    </Section>
  );
}
