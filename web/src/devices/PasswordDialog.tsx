import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useId } from 'react';
import type { View } from '../ground/api.ts';
import { MONO } from '../ground/theme.ts';
import { copyText } from '../parts/copyText.ts';

/** The password of a device, which is told this once. */
export function PasswordDialog({ told, onClose }: { told: View<'DevicePasswordView'>; onClose: () => void }) {
  const id = useId();
  return (
    <Dialog open onClose={onClose} aria-labelledby={id}>
      <DialogTitle id={id}>Password of {told.id}</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1 }}>
          Type it into the device now. It is kept nowhere, and told this once: later only another can be made.
        </Typography>
        <Typography sx={{ fontFamily: MONO, overflowWrap: 'anywhere' }}>{told.password}</Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => void copyText(told.password)}>Copy</Button>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}
