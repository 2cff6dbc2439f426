import { PROGRAM_STATES } from '@ample-crane/core';
import { Box, ButtonBase, MenuItem, Stack, TextField, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { SeverityMark, type Severity } from '../parts/Finding.tsx';
import { Empty, Section } from '../parts/Screen.tsx';
import { useInAddress } from '../parts/useInAddress.ts';
import { isFor, STATE_WORDS } from './programWords.ts';

type Line = View<'ProgramLineView'>;

const markOf = ({ state, wanted }: Line): Severity => (state === 'released' ? 'ready' : wanted ? 'stop' : 'waiting');

interface Props {
  all: readonly Line[];
  here: Line;
  onOpen: (id: string) => void;
}

/** Every program: what orders wait for first. */
export function ProgramList({ all, here, onOpen }: Props) {
  const [params, set] = useInAddress();
  const state = params.get('state') ?? '';
  const text = params.get('find') ?? '';
  const wanted = text.trim().toLowerCase();
  const found = all.filter(
    (p) =>
      (state === '' || p.state === state) &&
      [p.what, p.modelName, p.side, p.owner ?? '', ...p.serves].some((said) => said.toLowerCase().includes(wanted)),
  );
  return (
    <Section title="Programs">
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
          {PROGRAM_STATES.map((s) => (
            <MenuItem key={s} value={s}>
              {STATE_WORDS[s]}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      {found.length === 0 && <Empty>None of them is called so.</Empty>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: { xs: 300, md: 560 }, overflowY: 'auto' }}>
        {found.map((p) => (
          <Box component="li" key={p.id}>
            <ButtonBase
              onClick={() => onOpen(p.id)}
              aria-current={p.id === here.id}
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
                bgcolor: p.id === here.id ? 'background.paper' : 'transparent',
                boxShadow: p.id === here.id ? 'inset 3px 0 0 currentColor' : 'none',
              }}
            >
              <SeverityMark severity={markOf(p)} />
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Typography component="div" sx={{ fontWeight: 600 }}>
                  {p.what}, {p.modelName}
                </Typography>
                <Typography component="div" variant="body2" color="text.secondary">
                  {[isFor(p), standing(p)].filter((said) => said !== '').join(' · ')}
                </Typography>
              </Box>
            </ButtonBase>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

function standing({ state, released, latest, owner }: Line): string {
  if (released !== null) return `revision ${released}${latest !== null && latest !== released ? `, ${latest} is being written` : ''}`;
  const who = owner === null ? 'nobody writes it' : owner;
  return `${STATE_WORDS[state]}${latest === null ? '' : `, revision ${latest}`} · ${who}`;
}
