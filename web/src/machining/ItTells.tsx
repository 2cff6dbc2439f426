import { Typography } from '@mui/material';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';

/** What a machine's own controller says of it, and since when. */
export function ItTells({ state, told, atMs }: View<'ControllerView'>) {
  const { dateTime } = useSession();
  return (
    <Typography variant="body2" color={state === 'fault' ? 'error' : 'text.secondary'} sx={{ mb: 0.5 }}>
      Its controller: {told}, {dateTime(atMs)}
    </Typography>
  );
}
