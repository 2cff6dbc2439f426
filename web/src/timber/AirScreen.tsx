import { formatDuration } from '@ample-crane/core';
import { Box, Button, Link, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { Fragment, lazy, Suspense, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useAir, useZones } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { Empty, Screen, Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { useInAddress } from '../parts/useInAddress.ts';
import { LoggerDialog } from './LoggerDialog.tsx';
import { useWoodRoom } from './useWoodRoom.ts';
import { WoodTabs } from './WoodTabs.tsx';

const AirChart = lazy(() => import('./AirChart.tsx'));

const SPANS = [30, 90, 365, 730] as const;

/** What the air of a room has asked of the wood in it: when it left the band, and what lay there meanwhile. */
export default function AirScreen() {
  const [params, set] = useInAddress();
  const woodRoom = useWoodRoom();
  const zoneId = params.get('zone') ?? woodRoom;
  const days = Number(params.get('days') ?? 90);
  const zones = useZones();
  const query = useAir(zoneId, days);
  const { may } = useSession();
  const [importing, setImporting] = useState(false);
  return (
    <Screen
      title="Air of the rooms"
      query={query}
      actions={
        may('operator') && (
          <Button variant="outlined" onClick={() => setImporting(true)}>
            Import a logger file
          </Button>
        )
      }
    >
      {(air) => (
        <>
          <WoodTabs />
          <Answer>
            {air.zoneName} asks for <Figure>{air.emcNowPct.toFixed(1)} %</Figure> now; the band is{' '}
            <Figure>
              {air.band.low.toFixed(1)}–{air.band.high.toFixed(1)} %
            </Figure>{' '}
            ({air.bandFrom}).{' '}
            {air.excursions.length === 0
              ? 'It has not left the band for more than two hours in this time.'
              : `It left the band ${air.excursions.length === 1 ? 'once' : `${air.excursions.length} times`} for more than two hours.`}
          </Answer>
          <Stack direction="row" spacing={1.5} sx={{ mb: 1.5 }}>
            <TextField
              select
              label="Room"
              value={zoneId ?? ''}
              onChange={(event) => set('zone', event.target.value)}
              sx={{ minWidth: 180 }}
            >
              {(zones.data ?? []).map((z) => (
                <MenuItem key={z.id} value={z.id}>
                  {z.name}
                </MenuItem>
              ))}
            </TextField>
            <TextField
              select
              label="Looking back"
              value={days}
              onChange={(event) => set('days', event.target.value)}
              sx={{ minWidth: 140 }}
            >
              {SPANS.map((d) => (
                <MenuItem key={d} value={d}>
                  {d} days
                </MenuItem>
              ))}
            </TextField>
          </Stack>
          <Suspense fallback={<Box sx={{ height: 260 }} />}>
            <AirChart air={air} />
          </Suspense>
          <Section title="Out of the band">
            {air.excursions.length === 0 ? (
              <Empty>Wood answers slowly: what is shorter than two hours is not told.</Empty>
            ) : (
              air.excursions.map((e) => <Excursion key={e.fromMs} excursion={e} />)
            )}
          </Section>
          {air.silences.length > 0 && (
            <Typography variant="body2" color="text.secondary">
              Nothing was measured for{' '}
              {air.silences
                .map((s) => `${Math.round(s.pct)} h`)
                .slice(0, 6)
                .join(', ')}
              {air.silences.length > 6 && ' and more'}: the curve is drawn straight across.
            </Typography>
          )}
          {importing && zoneId !== undefined && <LoggerDialog zoneId={zoneId} onClose={() => setImporting(false)} />}
        </>
      )}
    </Screen>
  );
}

const SHOWN = 10;

function Excursion({ excursion }: { excursion: View<'RoomExcursionView'> }) {
  const { dateTime } = useSession();
  const { kind, fromMs, toMs, worstPct, satThrough } = excursion;
  const list = (ids: readonly string[], base: string) => (
    <>
      {ids.slice(0, SHOWN).map((id) => (
        <Fragment key={id}>
          <Link component={RouterLink} to={`${base}/${id}`}>
            <Id>{id}</Id>
          </Link>{' '}
        </Fragment>
      ))}
      {ids.length > SHOWN && `and ${ids.length - SHOWN} more`}
    </>
  );
  return (
    <Box sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
      <Typography>
        {kind === 'too dry' ? 'Too dry' : 'Too damp'} for <Figure>{formatDuration(toMs - fromMs)}</Figure> from {dateTime(fromMs)}, at the
        worst <Figure>{worstPct.toFixed(1)} %</Figure>
      </Typography>
      <Typography variant="body2" color="text.secondary" component="div">
        {satThrough.lots.length > 0 && (
          <div>
            {counted(satThrough.lots.length, 'lot', 'lots')} lay through it: {list(satThrough.lots, '/lots')}
          </div>
        )}
        {satThrough.batches.length > 0 && (
          <div>
            {counted(satThrough.batches.length, 'batch', 'batches')} waited through it: {list(satThrough.batches, '/batches')}
          </div>
        )}
      </Typography>
    </Box>
  );
}
