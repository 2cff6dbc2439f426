import { Autocomplete, Box, Button, Menu, MenuItem, TextField, Typography } from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { formatTemperature, IMPERIAL, METRIC, STAGES } from '@ample-crane/core';
import { useCallback, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { ask, client, type View } from './api.ts';
import { DemoClock } from './DemoClock.tsx';
import { STAGE_PATHS, useKey } from './keys.ts';
import { useCommand, useZones } from './queries.ts';
import { useSession } from './session.tsx';
import { MONO } from './theme.ts';

const ZONE_OF_STAGE: Record<string, string> = {
  woodRoom: 'wood',
  roughMill: 'mill',
  machining: 'mill',
  finishing: 'finish',
};

/** Scan or find, the factory's clock and shift, the air of the stage on screen, who is signed in. */
export function TopStrip() {
  const { session, dateTime } = useSession();
  const { nowMs } = useSession();
  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: { xs: 1, md: 2 },
        px: 2,
        py: 1,
        minWidth: 0,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
      }}
    >
      <Find />
      <Box sx={{ flex: 1 }} />
      <Air />
      <Typography sx={{ fontFamily: MONO, fontSize: 14, whiteSpace: 'nowrap' }}>
        {dateTime(nowMs)}
        <Box component="span" sx={{ color: 'text.secondary', ml: 1, display: { xs: 'none', xl: 'inline' } }}>
          shift {session.shiftStartsAt}–{session.shiftEndsAt}
        </Box>
      </Typography>
      {session.demo && <DemoClock />}
      <PersonMenu />
    </Box>
  );
}

const PATHS: Record<View<'FoundView'>['kind'], (id: string) => string> = {
  batch: (id) => `/batches/${id}`,
  lot: (id) => `/lots/${id}`,
  instrument: (id) => `/records/${id}`,
  order: () => '/orders',
};

function Find() {
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  useKey(
    '.',
    useCallback(() => field.current?.focus(), []),
  );
  // A scanned card carries the batch's address.
  const wanted = text.trim().replace(/^https?:\/\/[^/]+\/(batches|lots|records)\//, '');
  const found = useQuery({
    queryKey: ['find', wanted],
    queryFn: () => ask(client.GET('/api/find', { params: { query: { text: wanted } } })),
    enabled: wanted !== '',
  });
  return (
    <Autocomplete
      freeSolo
      options={found.data ?? []}
      getOptionLabel={(option) => (typeof option === 'string' ? option : option.id)}
      filterOptions={(options) => options}
      inputValue={text}
      onInputChange={(_, value) => setText(value)}
      onChange={(_, choice) => {
        const target = typeof choice === 'string' ? found.data?.[0] : choice;
        if (!target) return;
        void navigate(PATHS[target.kind](target.id));
        setText('');
        field.current?.blur();
      }}
      value={null}
      renderOption={(props, option) => {
        const { key, ...rest } = props;
        return (
          <li key={key} {...rest}>
            <Box>
              <Box component="span" sx={{ fontFamily: MONO, mr: 1 }}>
                {option.id}
              </Box>
              {option.sentence}
            </Box>
          </li>
        );
      }}
      renderInput={(params) => <TextField {...params} inputRef={field} label="Scan or find" placeholder="batch, lot, serial, model…" />}
      sx={{ width: { xs: 160, md: 260 } }}
    />
  );
}

function Air() {
  const { pathname } = useLocation();
  const { units } = useSession();
  const zones = useZones();
  const stage = STAGES.find((s) => STAGE_PATHS[s] === pathname);
  const zone = zones.data?.find((z) => z.id === (stage ? (ZONE_OF_STAGE[stage] ?? 'bench') : 'wood')) ?? zones.data?.[0];
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
  const prefer = useCommand((body: View<'PreferencesDto'>) => ask(client.PATCH('/api/session', { body })));
  const signOut = useCommand(() => ask(client.DELETE('/api/session')), () => void queries.resetQueries());
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
        {session.name}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem disabled>Signed in as {session.role}</MenuItem>
        <MenuItem onClick={choose(() => prefer.mutate({ units: metric ? IMPERIAL : METRIC }))}>
          {metric ? 'Show inches, ounces, °F, board feet' : 'Show millimetres, grams, °C, m³'}
        </MenuItem>
        <MenuItem onClick={choose(() => prefer.mutate({ theme: session.theme === 'paper' ? 'booth' : 'paper' }))}>
          {session.theme === 'paper' ? 'Dark: booth' : 'Light: paper'}
        </MenuItem>
        <MenuItem
          onClick={choose(() =>
            signOut.mutate(undefined),
          )}
        >
          Sign out
        </MenuItem>
      </Menu>
    </>
  );
}
