import { Box, Button, Checkbox, Link, Stack, Table, TableBody, TableCell, TableHead, TableRow, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { ask, client, problemOf, type View } from '../ground/api.ts';
import { useCommand, useWorkToMove } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Section } from '../parts/Screen.tsx';

type Row = View<'MoveOverView'>;

/** Work in progress on other versions: where each batch would stand on this one, and moving it on purpose. */
export function WorkToMove({ version }: { version: View<'RouteVersionView'> }) {
  const { may } = useSession();
  const query = useWorkToMove(version.id);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [reason, setReason] = useState('');
  const [refused, setRefused] = useState<string[]>([]);
  const move = useCommand(
    async (rows: readonly Row[], { 'Idempotency-Key': key }) => {
      const notMoved: string[] = [];
      // One command for each batch, so that one that cannot go keeps none of the others back.
      for (const row of rows) {
        const body = { version: row.version, routeId: version.id, operationId: row.toOperationId ?? '', reason };
        const params = { path: { id: row.batchId } };
        await ask(
          client.POST('/api/batches/{id}/reroute', { params, body, headers: { 'Idempotency-Key': `${key}/${row.batchId}` } }),
        ).catch((error: unknown) => notMoved.push(`${row.batchId}: ${problemOf(error).detail}`));
      }
      return notMoved;
    },
    (notMoved) => {
      setRefused(notMoved);
      setChosen(new Set());
    },
  );
  const rows = query.data ?? [];
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  if (query.data && rows.length === 0)
    return (
      <Section title="Work in progress on other versions">
        <Typography color="text.secondary">None: everything in work is on this version.</Typography>
      </Section>
    );
  return (
    <Section title="Work in progress on other versions">
      {query.error && <ErrorNote error={query.error} onRetry={() => void query.refetch()} />}
      <Box sx={{ maxHeight: 360, overflow: 'auto' }} tabIndex={0} role="region" aria-label="Batches on other versions">
        <Table size="small" stickyHeader>
          <TableHead>
            <TableRow>
              <TableCell padding="checkbox" />
              <TableCell>Batch</TableCell>
              <TableCell>Is at</TableCell>
              <TableCell>Would stand at</TableCell>
              <TableCell>What changes for it</TableCell>
              <TableCell align="right">Steps ahead</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((row) => (
              <TableRow key={row.batchId}>
                <TableCell padding="checkbox">
                  <Checkbox
                    disabled={!row.possible || !may('lead')}
                    checked={chosen.has(row.batchId)}
                    onChange={() => toggle(row.batchId)}
                    slotProps={{ input: { 'aria-label': `Move ${row.batchId}` } }}
                  />
                </TableCell>
                <TableCell>
                  <Link component={RouterLink} to={`/batches/${row.batchId}`}>
                    {row.batchId}
                  </Link>{' '}
                  ({row.quantity} {row.component}, v{row.fromVersion})
                </TableCell>
                <TableCell>{row.operationName}</TableCell>
                <TableCell>{row.possible ? row.toOperationName : 'stays'}</TableCell>
                <TableCell>{row.sentence}</TableCell>
                <TableCell align="right">
                  {row.stepsAhead} → {row.stepsAheadThen}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      {may('lead') && (
        <Stack direction="row" spacing={1.5} sx={{ mt: 1.5 }}>
          <TextField label="Why they are moved" value={reason} onChange={(event) => setReason(event.target.value)} sx={{ flex: 1 }} />
          <Button
            variant="contained"
            disabled={chosen.size === 0 || reason.trim() === ''}
            loading={move.isPending}
            onClick={() => move.mutate(rows.filter((r) => chosen.has(r.batchId)))}
          >
            Move {chosen.size > 0 ? chosen.size : ''} to version {version.version}
          </Button>
        </Stack>
      )}
      {refused.length > 0 && (
        <Box role="alert" sx={{ mt: 1 }}>
          <Typography>Not moved:</Typography>
          {refused.map((line) => (
            <Typography key={line} variant="body2">
              {line}
            </Typography>
          ))}
        </Box>
      )}
    </Section>
  );
}
