import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { MONO } from '../ground/theme.ts';

/** The sentence a screen is opened for. Numbers in it are set apart with `Figure`. */
export function Answer({ children }: { children: ReactNode }) {
  return (
    <Typography role="status" sx={{ fontSize: { xs: '1.05rem', md: '1.2rem' }, lineHeight: 1.45, mb: 2, maxWidth: '75ch' }}>
      {children}
    </Typography>
  );
}

/** A figure in a sentence, in the sentence's own face. */
export function Figure({ children }: { children: ReactNode }) {
  return (
    <Box component="span" sx={{ fontVariantNumeric: 'tabular-nums', fontWeight: 600 }}>
      {children}
    </Box>
  );
}

/** An id, set so that it can be read across a bench. */
export function Id({ children }: { children: ReactNode }) {
  return (
    <Box component="span" sx={{ fontFamily: MONO, whiteSpace: 'nowrap' }}>
      {children}
    </Box>
  );
}
