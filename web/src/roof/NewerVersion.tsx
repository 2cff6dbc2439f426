import { Button } from '@mui/material';
import { useRegisterSW } from 'virtual:pwa-register/react';

/** The pages are kept on the device so that a station works without a network; a newer version waits to be asked for. */
export function NewerVersion() {
  const {
    needRefresh: [ready],
    updateServiceWorker,
  } = useRegisterSW();
  if (!ready) return null;
  return (
    <Button color="warning" variant="outlined" onClick={() => void updateServiceWorker(true)}>
      Newer version: reload
    </Button>
  );
}
