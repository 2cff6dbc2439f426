import { Box, Button, Menu, MenuItem, Tooltip, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { formatDuration, formatTemperature, IMPERIAL, METRIC, MINUTE_MS } from '@ample-crane/core';
import dayjs from 'dayjs';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { setBenchPerson } from '../ground/benchPerson.ts';
import { forgetOnDevice } from '../ground/deviceCache.ts';
import { forgetDrafts } from '../ground/keptDraft.ts';
import { forgetPins } from '../ground/offlinePin.ts';
import { DemoClock } from './DemoClock.tsx';
import { STAGE_PATHS } from '../ground/keys.ts';
import { useLostConnection } from '../ground/connection.ts';
import { useClockOffset } from '../ground/deviceClock.ts';
import { useCommand, useWalk, useZones } from '../ground/queries.ts';
import { Find } from './Find.tsx';
import { NewerVersion } from './NewerVersion.tsx';
import { useSession } from '../ground/session.tsx';
import { MONO } from '../ground/theme.ts';

const AccountDialog = lazy(() => import('./AccountDialog.tsx').then(({ AccountDialog: part }) => ({ default: part })));

/** Scan or find, the factory's clock and shift, the air of the stage on screen, who is signed in. */
export function TopStrip({ walk }: { walk: ReactNode }) {
  const { session, dateTime, nowMs } = useSession();
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        flexWrap: { xs: 'wrap', md: 'nowrap' },
        gap: { xs: 1, md: 2 },
        px: { xs: 1, md: 2 },
        py: 1,
        minWidth: 0,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
      }}
    >
      {walk}
      <Find />
      <Box sx={{ flex: 1, display: { xs: 'none', md: 'block' } }} />
      <NewerVersion />
      <Connection />
      <DeviceClock />
      <Air />
      <Typography sx={{ fontFamily: MONO, fontSize: 14, whiteSpace: 'nowrap' }}>
        {dateTime(nowMs)}
        <Box component="span" sx={{ color: 'text.secondary', ml: 1, display: { xs: 'none', xl: 'inline' } }}>
          shift {session.shiftStartsAt}–{session.shiftEndsAt}
        </Box>
      </Typography>
      <DemoTime aheadMs={session.demoAheadMs} />
      {session.demo && <DemoClock />}
      <PersonMenu />
    </Box>
  );
}

/** The demo's clock stands elsewhere than the one on the wall: loaded at night it begins on the last working morning. */
function DemoTime({ aheadMs }: { aheadMs: number }) {
  if (Math.abs(aheadMs) < MINUTE_MS) return null;
  return (
    <Tooltip
      title={`The demo’s clock stands ${formatDuration(Math.abs(aheadMs))} ${aheadMs < 0 ? 'behind' : 'ahead of'} the one on the wall`}
    >
      <Typography variant="body2" color="text.secondary" sx={{ whiteSpace: 'nowrap' }}>
        demo time
      </Typography>
    </Tooltip>
  );
}

/** A tablet whose clock is out: told on real time, so that the demo's shifted clock calls none wrong. */
function DeviceClock() {
  const offsetMs = useClockOffset();
  if (offsetMs === null) return null;
  return (
    <Typography role="status" sx={{ fontSize: 14 }}>
      This device’s clock is {formatDuration(Math.abs(offsetMs))} {offsetMs > 0 ? 'slow' : 'fast'}; entries take the factory’s time
    </Typography>
  );
}

function Connection() {
  const lostAtMs = useLostConnection();
  const { session } = useSession();
  if (lostAtMs === null) return null;
  return (
    <Typography role="alert" color="error" sx={{ fontSize: 14, fontWeight: 600 }}>
      No connection since {dayjs(lostAtMs).tz(session.timeZone).format('HH:mm')}; what you see is as of then
    </Typography>
  );
}

function Air() {
  const { pathname } = useLocation();
  const { units } = useSession();
  const zones = useZones();
  const walk = useWalk();
  const here = walk.data?.find((w) => STAGE_PATHS[w.stage] === pathname) ?? walk.data?.[0];
  const zone = zones.data?.find((z) => z.id === here?.zoneId);
  if (!zone) return null;
  return (
    <Typography sx={{ fontSize: 14, display: { xs: 'none', lg: 'block' }, whiteSpace: 'nowrap' }}>
      {zone.name}{' '}
      <Box component="span" sx={{ fontFamily: MONO }}>
        {formatTemperature(zone.tempC, units)} · {(zone.relativeHumidity * 100).toFixed(0)} % · EMC {zone.emcPct.toFixed(1)} %
      </Box>
    </Typography>
  );
}

function PersonMenu() {
  const { session } = useSession();
  const queries = useQueryClient();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [account, setAccount] = useState(false);
  const prefer = useCommand((body: View<'PreferencesDto'>) => ask(client.PATCH('/api/session', { body })));
  const signOut = useCommand(
    () => ask(client.DELETE('/api/session')),
    () => {
      forgetOnDevice();
      forgetPins();
      forgetDrafts();
      setBenchPerson(null);
      void queries.resetQueries();
    },
  );
  const station = session.station !== null;
  const metric = session.units.length === 'mm';
  const choose = (act: () => void) => () => {
    setAnchor(null);
    act();
  };
  return (
    <>
      <Button
        color="inherit"
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-haspopup="menu"
        sx={{ whiteSpace: 'nowrap', minWidth: 0 }}
      >
        {session.station?.name ?? session.name}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem disabled>{station ? 'This tablet is signed in as the station' : `Signed in as ${session.role}`}</MenuItem>
        {!station && [
          <MenuItem key="units" onClick={choose(() => prefer.mutate({ units: metric ? IMPERIAL : METRIC }))}>
            {metric ? 'Show inches, ounces, °F, board feet' : 'Show millimetres, grams, °C, m³'}
          </MenuItem>,
          <MenuItem key="theme" onClick={choose(() => prefer.mutate({ theme: session.theme === 'paper' ? 'booth' : 'paper' }))}>
            {session.theme === 'paper' ? 'Dark: booth' : 'Light: paper'}
          </MenuItem>,
          <MenuItem key="account" onClick={choose(() => setAccount(true))}>
            Password, PIN and sessions
          </MenuItem>,
        ]}
        <MenuItem onClick={choose(() => signOut.mutate(undefined))}>{station ? 'Sign this tablet out' : 'Sign out'}</MenuItem>
      </Menu>
      {account && (
        <Suspense>
          <AccountDialog onClose={() => setAccount(false)} />
        </Suspense>
      )}
    </>
  );
}
