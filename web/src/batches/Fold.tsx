import { Box, Button, Stack, type ButtonProps } from '@mui/material';
import { useState, type ReactNode } from 'react';
import { Form, type ActProps } from '../parts/ActForm.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';

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
      {children(() => setOpen(false))}
    </Box>
  );
}

/** The form that a fold opens into: its fields, what went wrong, and a way to leave it. */
export function FoldForm({
  submit,
  disabled = false,
  pending,
  error,
  onSubmit,
  onClose,
  color,
  beside,
  children,
}: ActProps & { onClose: () => void; color?: ButtonProps['color']; beside?: ReactNode }) {
  return (
    <Form onSubmit={onSubmit}>
      {children}
      {error && <ErrorNote error={error} />}
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
        <Button type="submit" variant="outlined" disabled={disabled} loading={pending} {...(color ? { color } : {})}>
          {submit}
        </Button>
        {beside}
        <Button color="inherit" onClick={onClose}>
          Leave it
        </Button>
      </Stack>
    </Form>
  );
}
