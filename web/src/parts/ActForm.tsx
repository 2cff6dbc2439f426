import { Button, Stack, type ButtonProps } from '@mui/material';
import type { ReactNode } from 'react';
import { ErrorNote } from './ErrorNote.tsx';

export interface ActProps {
  submit: string;
  disabled?: boolean;
  pending: boolean;
  error: Error | null;
  onSubmit: () => unknown;
  children: ReactNode;
}

/** A due act: its fields in a row with the button that does it, and below them why it could not be done. */
export function ActForm({
  submit,
  disabled = false,
  pending,
  error,
  onSubmit,
  above,
  refusal = <ErrorNote error={error} />,
  children,
  ...look
}: ActProps & { above?: ReactNode; refusal?: ReactNode } & Pick<ButtonProps, 'variant' | 'size' | 'color'>) {
  return (
    <Form onSubmit={onSubmit}>
      {above}
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
        {children}
        <Button type="submit" variant="contained" size="large" {...look} disabled={disabled} loading={pending}>
          {submit}
        </Button>
      </Stack>
      {error && refusal}
    </Form>
  );
}

/** A form whose fields stand below one another. */
export const Form = ({ onSubmit, children }: Pick<ActProps, 'onSubmit' | 'children'>) => (
  <Stack
    component="form"
    noValidate
    spacing={1.5}
    onSubmit={(event) => {
      event.preventDefault();
      onSubmit();
    }}
  >
    {children}
  </Stack>
);
