import { CAUTIONS, METRIC, PAUSE_CAUSES, START_CHECKS, type UnitChoice } from '@ample-crane/core';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import type { View } from '../ground/api.ts';
import { SessionProvider } from '../ground/session.tsx';
import { themes } from '../ground/theme.ts';

/** A Tuesday morning at the factory, 07:10 in Dublin. */
export const NOW_MS = Date.parse('2026-03-10T07:10:00Z');

export const session = (over: Partial<View<'SessionView'>> = {}): View<'SessionView'> => ({
  personId: 'manager',
  name: 'Maren Holloway',
  role: 'manager',
  units: METRIC,
  theme: 'paper',
  factory: 'Heron Lane Works',
  timeZone: 'Europe/Dublin',
  shiftStartsAt: '07:00',
  shiftEndsAt: '15:30',
  cautions: [...CAUTIONS],
  pauseCauses: [...PAUSE_CAUSES],
  startChecks: [...START_CHECKS],
  demo: true,
  demoAheadMs: 0,
  nowMs: NOW_MS,
  station: null,
  ...over,
});

interface Circumstances {
  units?: UnitChoice;
  role?: View<'SessionView'>['role'];
  /** what the server has answered, by query key */
  answers?: readonly (readonly [readonly unknown[], unknown])[];
  at?: string;
}

/** What a part or a screen shows to a person, as markup. */
export function render(part: ReactNode, { answers = [], at = '/', ...over }: Circumstances = {}): string {
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  for (const [key, answer] of answers) client.setQueryData([...key], answer);
  return renderToStaticMarkup(
    <QueryClientProvider client={client}>
      <ThemeProvider theme={themes.paper}>
        <MemoryRouter initialEntries={[at]}>
          <SessionProvider session={session(over)} fetchedMs={NOW_MS}>
            {part}
          </SessionProvider>
        </MemoryRouter>
      </ThemeProvider>
    </QueryClientProvider>,
  );
}

/** The words alone. */
export const wordsOf = (markup: string): string =>
  markup
    .replace(/<style[^>]*>.*?<\/style>/gs, '')
    .replace(/<[^>]+>/g, ' ')
    .replaceAll('&#x27;', "'")
    .replaceAll('&amp;', '&')
    .replace(/\s+/g, ' ')
    .trim();

/** What a picture tells those who cannot see it. */
export const labelsOf = (markup: string): string[] => [...markup.matchAll(/aria-label="([^"]*)"/g)].map((m) => m[1] ?? '');
