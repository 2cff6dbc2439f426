import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { problemOf } from '../ground/api.ts';
import { BenchPeople } from './Bench.tsx';
import { useLiveUpdates, useSessionQuery } from '../ground/queries.ts';
import { SessionProvider } from '../ground/session.tsx';
import { Shell } from './Shell.tsx';
import { useSending } from '../ground/stationOutbox.ts';
import { SignIn } from './SignIn.tsx';
import { themes } from '../ground/theme.ts';

export function App() {
  const session = useSessionQuery();
  useLiveUpdates(session.data !== undefined);
  useSending(session.data && session.data.station === null ? [session.data.personId] : []);
  const problem = session.error ? problemOf(session.error) : undefined;
  return (
    <ThemeProvider theme={themes[session.data?.theme ?? 'paper']}>
      <CssBaseline />
      {problem?.status === 401 ? (
        <SignIn />
      ) : session.data ? (
        <SessionProvider session={session.data} fetchedMs={session.dataUpdatedAt}>
          <BenchPeople>
            <Shell />
          </BenchPeople>
        </SessionProvider>
      ) : problem ? (
        <ErrorNote error={session.error} onRetry={() => void session.refetch()} />
      ) : null}
    </ThemeProvider>
  );
}
