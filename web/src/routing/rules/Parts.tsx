import { Typography } from '@mui/material';
import type { RuleEditor } from './rule.ts';

function PartsFields() {
  return <Typography variant="body2">Every kit of the model has to be there.</Typography>;
}

export const parts: RuleEditor<'parts'> = {
  name: 'a complete kit',
  begin: () => ({ kind: 'parts' }),
  Fields: PartsFields,
};
