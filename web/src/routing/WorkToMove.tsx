import { Box, Checkbox, Link, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { Link as RouterLink } from 'react-router';
import { ask, client, problemOf, type View } from '../ground/api.ts';
import { useCommand, useWorkToMove } from '../ground/queries.ts';
import { useSession, useTell } from '../ground/session.tsx';
import { ActForm } from '../parts/ActForm.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { TextIn, useTyped } from '../parts/fields.tsx';
import { Section } from '../parts/Screen.tsx';

type Row = View<'MoveOverView'>;

/** Work in progress on other versions: where each batch would stand on this one, and moving it on purpose. */
export function WorkToMove({ version }: { version: View<'RouteVersionView'> }) {
  const { may } = useSession();
  const tell = useTell();
  const query = useWorkToMove(version.id);
  const { control, handleSubmit, setValue } = useForm<{ chosen: string[]; reason: string }>({
    defaultValues: { chosen: [], reason: '' },
  });
  const typed = useTyped(control);
  const { chosen, reason } = typed;
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
      setValue('chosen', []);
    },
  );
  const rows = query.data ?? [];
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
                  <Controller
                    control={control}
                    name="chosen"
                    render={({ field }) => (
                      <Checkbox
                        disabled={!row.possible || !may('lead')}
                        checked={field.value.includes(row.batchId)}
                        onChange={(_, on) =>
                          field.onChange(on ? [...field.value, row.batchId] : field.value.filter((id) => id !== row.batchId))
                        }
                        slotProps={{ input: { 'aria-label': `Move ${row.batchId}` } }}
                      />
                    )}
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
                <TableCell>{tell(row.sentence)}</TableCell>
                <TableCell align="right">
                  {row.stepsAhead} → {row.stepsAheadThen}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      {may('lead') && (
        <Box sx={{ mt: 1.5 }}>
          <ActForm
            submit={`Move ${chosen.length > 0 ? chosen.length : ''} to version ${version.version}`}
            size="medium"
            disabled={chosen.length === 0 || reason.trim() === ''}
            pending={move.isPending}
            error={move.error}
            onSubmit={handleSubmit(() => move.mutate(rows.filter((r) => chosen.includes(r.batchId))))}
          >
            <TextIn control={control} name="reason" label="Why they are moved" sx={{ flex: 1 }} />
          </ActForm>
        </Box>
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
