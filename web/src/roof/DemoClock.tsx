import { Button, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { ask, client } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';

const STEPS = [
  ['1 hour', 1],
  ['1 day', 24],
  ['3 days', 72],
  ['1 week', 168],
  ['4 weeks', 672],
] as const;

/** In the demo a manager may let time pass, to see a wait through. */
export function DemoClock() {
  const { may } = useSession();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const pass = useCommand((hours: number) => ask(client.POST('/api/demo/clock', { body: { hours } })));
  if (!may('manager')) return null;
  return (
    <>
      <Button
        variant="outlined"
        color="inherit"
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-haspopup="menu"
        loading={pass.isPending}
        sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}
      >
        Let time pass
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {STEPS.map(([name, hours]) => (
          <MenuItem
            key={name}
            onClick={() => {
              setAnchor(null);
              pass.mutate(hours);
            }}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
