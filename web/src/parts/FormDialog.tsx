import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack } from '@mui/material';
import { useId, type ReactNode } from 'react';
import { ErrorNote } from './ErrorNote.tsx';

interface Props {
  title: string;
  submit: string;
  pending: boolean;
  error: unknown;
  onSubmit: () => void;
  onClose: () => void;
  children: ReactNode;
}

/** The frame of a dialog that takes input: title, fields, what went wrong, and the two buttons. */
export function FormDialog({ title, submit, pending, error, onSubmit, onClose, children }: Props) {
  const id = useId();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby={id}>
      {/* As high as the dialog at most: fields scroll, the buttons stay in sight. */}
      <Box
        component="form"
        noValidate
        sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}
        onSubmit={(event) => {
          event.preventDefault();
          onSubmit();
        }}
      >
        <DialogTitle id={id}>{title}</DialogTitle>
        <DialogContent>
          <Stack spacing={2} sx={{ pt: 1 }}>
            {children}
            {error ? <ErrorNote error={error} /> : null}
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" loading={pending}>
            {submit}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
