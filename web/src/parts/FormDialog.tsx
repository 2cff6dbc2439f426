import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Stack, Typography } from '@mui/material';
import { useId, type ReactNode } from 'react';
import { ErrorNote } from './ErrorNote.tsx';

interface Props {
  title: string;
  submit: string;
  /** what the other button says: nothing is lost by leaving where something was done before */
  leave?: string;
  width?: 'xs' | 'sm' | 'md';
  /** what is typed cannot be sent yet */
  disabled?: boolean;
  pending: boolean;
  error: unknown;
  onSubmit: () => void;
  onClose: () => void;
  /** what saving it changes for work in progress, and what it leaves */
  changes?: string;
  /** another button, apart from the two */
  beside?: ReactNode;
  children: ReactNode;
}

/** The frame of a dialog that takes input: title, fields, what went wrong, and the two buttons. */
export function FormDialog({
  title,
  submit,
  leave = 'Cancel',
  width = 'xs',
  disabled = false,
  pending,
  error,
  onSubmit,
  onClose,
  changes,
  beside,
  children,
}: Props) {
  const id = useId();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth={width} aria-labelledby={id}>
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
            {changes !== undefined && (
              <Typography variant="body2" color="text.secondary">
                {changes}
              </Typography>
            )}
            {error ? <ErrorNote error={error} /> : null}
          </Stack>
        </DialogContent>
        <DialogActions>
          {beside && <Box sx={{ flex: 1 }}>{beside}</Box>}
          <Button onClick={onClose}>{leave}</Button>
          <Button type="submit" variant="contained" disabled={disabled} loading={pending}>
            {submit}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
