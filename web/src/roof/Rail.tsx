import { STAGE_NAMES, STAGES } from '@ample-crane/core';
import { Box, Button, Drawer, Typography } from '@mui/material';
import { useState, type ReactNode } from 'react';
import { NavLink } from 'react-router';
import { DESKS, STAGE_PATHS } from '../ground/keys.ts';
import { useWalk } from '../ground/queries.ts';
import { MONO } from '../ground/theme.ts';
import { counted } from '../parts/words.ts';

const FOLD = '@media (min-width: 600px) and (max-width: 1100px)';
const WIDE_PX = 196;
const FOLDED_PX = 114;

/** Beside the screen; where it is narrow, without the keys and counts. */
export function Rail() {
  return (
    <Box
      sx={{
        gridRow: '1 / -1',
        width: WIDE_PX,
        borderRight: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        overflowY: 'auto',
        [FOLD]: { width: FOLDED_PX },
      }}
    >
      <Walk />
    </Box>
  );
}

/** On a telephone: behind one button. */
export function RailDrawer() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" color="inherit" aria-expanded={open} onClick={() => setOpen(true)}>
        Walk
      </Button>
      <Drawer open={open} onClose={() => setOpen(false)} onClick={() => setOpen(false)} slotProps={{ paper: { sx: { width: 240 } } }}>
        <Walk />
      </Drawer>
    </>
  );
}

/** The walk: stages in walking order with what waits there, then the desks. */
function Walk() {
  const walk = useWalk();
  return (
    <Box component="nav" aria-label="The walk" sx={{ py: 1.5 }}>
      <Typography
        sx={{ px: 2, pb: 1, fontFamily: (t) => t.typography.h1.fontFamily, fontWeight: 750, fontSize: 17, [FOLD]: { display: 'none' } }}
      >
        Ample Crane
      </Typography>
      <Box
        component="ol"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          position: 'relative',
          '&::before': {
            [FOLD]: { display: 'none' },
            content: '""',
            position: 'absolute',
            left: 28,
            top: 14,
            bottom: 14,
            borderLeft: '2px dotted',
            borderColor: 'divider',
          },
        }}
      >
        {STAGES.map((stage, i) => {
          const here = walk.data?.find((w) => w.stage === stage);
          return (
            <RailItem key={stage} to={STAGE_PATHS[stage]} mark={String((i + 1) % 10)} name={STAGE_NAMES[stage]}>
              {here && here.decisions > 0 && (
                <Box
                  component="span"
                  role="img"
                  aria-label={counted(here.decisions, 'decision', 'decisions')}
                  sx={{ width: 8, height: 8, bgcolor: 'warning.main', transform: 'rotate(45deg)', flexShrink: 0 }}
                />
              )}
              {here && here.waiting > 0 && (
                <Box
                  component="span"
                  sx={{ fontFamily: MONO, fontSize: 13, color: 'text.secondary', [FOLD]: { display: 'none' } }}
                  aria-label={`${here.waiting} waiting`}
                  role="img"
                >
                  {here.waiting}
                </Box>
              )}
            </RailItem>
          );
        })}
      </Box>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 1.5, p: 0, pt: 1.5, borderTop: 1, borderColor: 'divider' }}>
        {DESKS.map((desk) => (
          <RailItem key={desk.path} to={desk.path} mark={desk.key} name={desk.name} />
        ))}
      </Box>
    </Box>
  );
}

function RailItem({ to, mark, name, children }: { to: string; mark: string; name: string; children?: ReactNode }) {
  return (
    <Box component="li">
      <Box
        component={NavLink}
        to={to}
        end={to === '/'}
        aria-label={name}
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 1.25,
          pl: 2,
          pr: 1.75,
          minHeight: 36,
          color: 'text.primary',
          textDecoration: 'none',
          position: 'relative',
          '& .mark': {
            fontFamily: MONO,
            fontSize: 12,
            width: 26,
            height: 26,
            borderRadius: '50%',
            display: 'grid',
            placeItems: 'center',
            border: 1,
            borderColor: 'divider',
            bgcolor: 'background.paper',
            flexShrink: 0,
            [FOLD]: { display: 'none' },
          },
          '&:hover .mark': { borderColor: 'text.primary' },
          '&.active': { fontWeight: 700 },
          '&.active .mark': {
            bgcolor: 'text.primary',
            color: 'background.paper',
            borderColor: 'text.primary',
          },
          '& .name': { flex: 1, whiteSpace: 'nowrap' },
          [FOLD]: { pl: 1.25, pr: 1, gap: 0.5, '&.active': { fontWeight: 700, boxShadow: 'inset 3px 0 0 currentColor' } },
        }}
      >
        <span className="mark" aria-hidden>
          {mark}
        </span>
        <span className="name">{name}</span>
        {children}
      </Box>
    </Box>
  );
}
