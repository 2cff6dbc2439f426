import { Box, Button, Stack } from '@mui/material';
import { useState, type ReactNode } from 'react';

/** A seldom act: a quiet button that opens into its form. */
export function Fold({ label, children }: { label: string; children: (close: () => void) => ReactNode }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button color="inherit" onClick={() => setOpen(true)} sx={{ alignSelf: 'start' }}>
        {label}
      </Button>
    );
  return (
    <Box component="fieldset" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.5, m: 0 }} aria-label={label}>
      <Stack spacing={1.5}>{children(() => setOpen(false))}</Stack>
    </Box>
  );
}

/** The buttons below a folded form. */
export function FoldButtons({ children, onClose }: { children: ReactNode; onClose: () => void }) {
  return (
    <Stack direction="row" spacing={1.5}>
      {children}
      <Button color="inherit" onClick={onClose}>
        Leave it
      </Button>
    </Stack>
  );
}
