import { Box, Button } from '@mui/material';
import { useRef } from 'react';

/** A button that asks for a file. */
export function FileField({
  label,
  name,
  accept,
  onChoose,
}: {
  label: string;
  name: string;
  accept: string;
  onChoose: (file: File) => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <Box>
      <Button variant="outlined" onClick={() => field.current?.click()}>
        {label}
      </Button>
      <input
        ref={field}
        type="file"
        accept={accept}
        aria-label={name}
        tabIndex={-1}
        style={{ position: 'absolute', opacity: 0, width: 1 }}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onChoose(file);
          // The same file may be chosen again once it was mended.
          event.target.value = '';
        }}
      />
    </Box>
  );
}
