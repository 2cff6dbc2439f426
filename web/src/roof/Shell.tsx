import { Box, Skeleton } from '@mui/material';
import { Suspense } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { KeyList } from './KeyList.tsx';
import { useWalkKeys } from '../ground/keys.ts';
import { Rail } from './Rail.tsx';
import { SCREENS } from './screens.ts';
import { BenchBar } from './Bench.tsx';
import { useSession } from '../ground/session.tsx';
import { TopStrip } from './TopStrip.tsx';
import { ScreenBoundary } from './ScreenBoundary.tsx';

/** Rail, top strip and the screen; at a station there is no rail. */
export function Shell() {
  useWalkKeys();
  const { pathname } = useLocation();
  const { station } = useSession().session;
  const atStation = pathname.startsWith('/station');
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: atStation ? 'minmax(0, 1fr)' : 'auto minmax(0, 1fr)',
        gridTemplateRows: station === null ? 'auto minmax(0, 1fr)' : 'auto auto minmax(0, 1fr)',
        height: '100vh',
        '@media print': { display: 'block', height: 'auto' },
      }}
    >
      {!atStation && <Rail />}
      <TopStrip />
      {station !== null && <BenchBar />}
      <Box component="main" id="screen" tabIndex={-1} sx={{ overflow: 'auto', p: { xs: 1.5, md: 2.5 }, outline: 'none' }}>
        <ScreenBoundary key={pathname}>
          <Suspense fallback={<Skeleton variant="rounded" height={320} />}>
            <Routes>
              {SCREENS.map(({ path, Screen }) => (
                <Route key={path} path={path} element={<Screen />} />
              ))}
              <Route path="*" element={<Navigate to="/" replace />} />
            </Routes>
          </Suspense>
        </ScreenBoundary>
      </Box>
      <KeyList />
    </Box>
  );
}
