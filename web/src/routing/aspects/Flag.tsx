import type { AspectKey } from '@ample-crane/core';
import { Checkbox, FormControlLabel } from '@mui/material';
import { useDesk } from '../context.ts';

/** An aspect that a step has or has not. */
export function Flag({ of, words }: { of: AspectKey & ('handOver' | 'noWait' | 'matchedSet' | 'reworkAlone'); words: string }) {
  const { step, readOnly, change } = useDesk();
  return (
    <FormControlLabel
      disabled={readOnly}
      control={<Checkbox checked={step[of] === true} onChange={(_, checked) => change({ [of]: checked ? true : undefined })} />}
      label={words}
      sx={{ display: 'flex', alignItems: 'flex-start', '& .MuiCheckbox-root': { py: 0.25 } }}
    />
  );
}
