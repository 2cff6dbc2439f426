import { Box, Skeleton, Stack, Typography } from '@mui/material';
import type { UseQueryResult } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { ErrorNote } from './ErrorNote.tsx';

/** A screen's title, its acts, and its states: loading in the real layout's shape, failed with a way on, and there. */
export function Screen<T>({
  title,
  query,
  actions,
  children,
}: {
  title: string;
  query: UseQueryResult<T>;
  actions?: ReactNode;
  children: (data: T) => ReactNode;
}) {
  useEffect(() => {
    document.title = `${title} · Ample Crane`;
  }, [title]);
  return (
    <>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 1.5, mb: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: '1 1 auto' }}>
          {title}
        </Typography>
        <Box className="no-print" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          {actions}
        </Box>
      </Stack>
      {query.error && (
        <Box sx={{ mb: 2 }}>
          <ErrorNote error={query.error} onRetry={() => void query.refetch()} />
        </Box>
      )}
      {query.data !== undefined ? (
        children(query.data)
      ) : query.isPending ? (
        <Stack spacing={1.5} aria-label="Loading" role="progressbar">
          <Skeleton variant="text" width="60%" height={32} />
          <Skeleton variant="rounded" height={280} />
        </Stack>
      ) : null}
    </>
  );
}

/** A titled part of a screen. */
export function Section({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mb: 2.5 }}>
      <Stack
        direction="row"
        sx={{ alignItems: 'baseline', flexWrap: 'wrap', gap: 1, borderBottom: 1, borderColor: 'divider', mb: 1, pb: 0.5 }}
      >
        <Typography variant="h2" sx={{ flex: '1 1 auto' }}>
          {title}
        </Typography>
        {aside}
      </Stack>
      {children}
    </Box>
  );
}

export function Empty({ children }: { children: ReactNode }) {
  return (
    <Typography color="text.secondary" sx={{ py: 1.5 }}>
      {children}
    </Typography>
  );
}
