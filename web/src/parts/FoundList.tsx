import { Box, ButtonBase, MenuItem, Stack, TextField, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { SeverityMark, type Severity } from './Finding.tsx';
import { Empty, Section } from './Screen.tsx';
import { useInAddress } from './useInAddress.ts';

/** One line of such a list. */
export interface Line {
  id: string;
  severity: Severity;
  /** what the list is narrowed by, beside words */
  state: string;
  title: string;
  said: string;
  aside?: ReactNode;
  /** further words it is found by */
  words: readonly string[];
}

interface Props {
  title: string;
  lines: readonly Line[];
  hereId: string;
  /** each state with how one says it */
  states: readonly (readonly [state: string, said: string])[];
  onOpen: (id: string) => void;
}

/** What can be opened beside it: found by words, narrowed by state; both live in the address. */
export function FoundList({ title, lines, hereId, states, onOpen }: Props) {
  const [params, set] = useInAddress();
  const state = params.get('state') ?? '';
  const text = params.get('find') ?? '';
  const wanted = text.trim().toLowerCase();
  const found = lines.filter(
    (line) => (state === '' || line.state === state) && [line.title, ...line.words].some((word) => word.toLowerCase().includes(wanted)),
  );
  return (
    <Section title={title}>
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
          {states.map(([value, said]) => (
            <MenuItem key={value} value={value}>
              {said}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      {found.length === 0 && <Empty>None of them is called so.</Empty>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: { xs: 300, md: 560 }, overflowY: 'auto' }}>
        {found.map((line) => (
          <Box component="li" key={line.id}>
            <ButtonBase
              onClick={() => onOpen(line.id)}
              aria-current={line.id === hereId}
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
                bgcolor: line.id === hereId ? 'background.paper' : 'transparent',
                boxShadow: line.id === hereId ? 'inset 3px 0 0 currentColor' : 'none',
              }}
            >
              <SeverityMark severity={line.severity} />
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Typography component="div" sx={{ fontWeight: 600 }}>
                  {line.title}
                </Typography>
                <Typography component="div" variant="body2" color="text.secondary">
                  {line.said}
                </Typography>
              </Box>
              {line.aside}
            </ButtonBase>
          </Box>
        ))}
      </Box>
    </Section>
  );
}
