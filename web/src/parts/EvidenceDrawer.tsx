import type { Finding as FindingData } from '@ample-crane/core';
import { Box, Button, Drawer, Link, Typography } from '@mui/material';
import { useCallback, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useKey } from '../ground/keys.ts';
import { FindingList } from './Finding.tsx';

const RULES: Partial<Record<string, { formula: string; source: string }>> = {
  elapsed: {
    formula: 'Clock time since it came here, against the least the step asks.',
    source: 'The route of the model; adhesive and rest defaults of the trade.',
  },
  equivalent: {
    formula: 'Each hour counts as Q^((T − T_ref) / 10) hours, T the room’s temperature; nothing counts below the material’s minimum.',
    source: 'Material settings; Q = 2 and 21 °C where the data sheet says nothing.',
  },
  inBand: {
    formula: 'Every reading of the latest session, corrected for wood temperature and species, lies in the band.',
    source: 'Band: shop EMC (Hailwood–Horrobin, Wood Handbook FPL-GTR-282) ± its half-width. Correction: Pfaff & Garrahan 1986.',
  },
  spread: { formula: 'Highest less lowest reading of the latest session.', source: 'Setup, moisture rules.' },
  gradient: {
    formula: 'Mean of core readings less mean of shell readings.',
    source: 'Setup, moisture rules.',
  },
  stable: {
    formula: 'Least-squares slope of session means over the window.',
    source: 'Setup, moisture rules.',
  },
  papers: { formula: 'A restricted species needs its permit on record.', source: 'The lot’s papers.' },
  window: {
    formula: 'Time since the last coat against flash and the recoat limit.',
    source: 'The material’s sheet.',
  },
  climate: {
    formula: 'Temperature, humidity and surface less dew point (Magnus, Alduchov & Eskridge 1996) within the sheet’s limits.',
    source: 'Spray limits in the settings.',
  },
};

/** Rule, inputs, formula in words and source behind a verdict; `e` opens it. */
export function EvidenceDrawer({ findings }: { findings: readonly FindingData[] }) {
  const [open, setOpen] = useState(false);
  useKey(
    'e',
    useCallback(() => setOpen(true), []),
  );
  const kinds = [...new Set(findings.map((f) => f.rule))];
  return (
    <>
      <Button onClick={() => setOpen(true)} disabled={findings.length === 0}>
        Evidence
      </Button>
      <Drawer
        anchor="right"
        open={open}
        onClose={() => setOpen(false)}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Evidence', sx: { width: 400, p: 2.5 } } }}
      >
        <Typography variant="h2" gutterBottom>
          Evidence
        </Typography>
        <FindingList findings={findings} />
        {kinds.map((kind) => {
          const rule = RULES[kind];
          return rule ? (
            <Box key={kind} sx={{ mt: 2 }}>
              <Typography variant="body2">{rule.formula}</Typography>
              <Typography variant="caption" color="text.secondary">
                {rule.source}
              </Typography>
            </Box>
          ) : null;
        })}
        <Link component={RouterLink} to="/setup" sx={{ mt: 3 }}>
          The settings behind it
        </Link>
        <Button sx={{ mt: 2, alignSelf: 'flex-start' }} onClick={() => setOpen(false)}>
          Close
        </Button>
      </Drawer>
    </>
  );
}
