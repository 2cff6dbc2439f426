import { Button, Typography } from '@mui/material';
import { useState } from 'react';
import { ask, client } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { FormDialog } from '../parts/FormDialog.tsx';

/** Signs a tablet on the wall in as its station: from then on each act asks who does it. */
export function SignTabletIn({ station }: { station: { code: string; name: string } }) {
  const [asking, setAsking] = useState(false);
  const signIn = useCommand(() => ask(client.POST('/api/session/station', { body: { code: station.code } })));
  return (
    <>
      <Button size="large" onClick={() => setAsking(true)}>
        For everybody here…
      </Button>
      {asking && (
        <FormDialog
          title={`Sign this tablet in as ${station.name}`}
          submit="Sign it in"
          pending={signIn.isPending}
          error={signIn.error}
          onSubmit={() => signIn.mutate(undefined, { onSuccess: () => setAsking(false) })}
          onClose={() => setAsking(false)}
        >
          <Typography>
            You will be signed out on this tablet. It shows what everybody may see; who logs work says so once a shift, by name and PIN or
            by badge. A sign-off takes the PIN each time.
          </Typography>
        </FormDialog>
      )}
    </>
  );
}
