import { Box, Skeleton, useMediaQuery } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { Suspense } from 'react';
import { Route, Routes, useLocation } from 'react-router';
import { KeyList } from './KeyList.tsx';
import { useWalkKeys } from '../ground/keys.ts';
import { NoSuchScreen } from './NoSuchScreen.tsx';
import { Rail, RailDrawer } from './Rail.tsx';
import { SCREENS } from './screens.ts';
import { BenchBar } from './Bench.tsx';
import { useSession } from '../ground/session.tsx';
import { TopStrip } from './TopStrip.tsx';
import { ScreenBoundary } from './ScreenBoundary.tsx';

/** Rail, top strip and the screen; at a station there is no rail, and on a telephone it lies behind a button. */
export function Shell() {
  useWalkKeys();
  const { pathname } = useLocation();
  const { station } = useSession().session;
  const atStation = pathname.startsWith('/station');
  const onTelephone = useMediaQuery(useTheme().breakpoints.down('sm'));
  const beside = !atStation && !onTelephone;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: beside ? 'auto minmax(0, 1fr)' : 'minmax(0, 1fr)',
        gridTemplateRows: station === null ? 'auto minmax(0, 1fr)' : 'auto auto minmax(0, 1fr)',
        height: '100vh',
        '@media print': { display: 'block', height: 'auto' },
      }}
    >
      {beside && <Rail />}
      <TopStrip walk={!atStation && onTelephone ? <RailDrawer /> : null} />
      {station !== null && <BenchBar />}
      <Box component="main" id="screen" tabIndex={-1} sx={{ overflow: 'auto', p: { xs: 1.5, md: 2.5 }, outline: 'none' }}>
        <ScreenBoundary key={pathname}>
          <Suspense fallback={<Skeleton variant="rounded" height={320} />}>
            <Routes>
              {SCREENS.map(({ path, Screen }) => (
                <Route key={path} path={path} element={<Screen />} />
              ))}
              <Route path="*" element={<NoSuchScreen />} />
            </Routes>
          </Suspense>
        </ScreenBoundary>
      </Box>
      <KeyList />
    </Box>
  );
}
