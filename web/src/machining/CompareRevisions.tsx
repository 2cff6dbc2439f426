import { plannedLoadMinutes } from '@ample-crane/core';
import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import type { View } from '../ground/api.ts';

type Revision = View<'RevisionView'>;

const each = (minutes: number, { piecesALoad }: Revision): string => (minutes / piecesALoad).toFixed(1);

/** The revisions side by side, in minutes for one piece, since loads may differ. */
export function CompareRevisions({ revisions }: { revisions: readonly Revision[] }) {
  const stations = [...new Map(revisions.flatMap((r) => r.truths.map((t) => [t.stationCode, t.stationName] as const)))];
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Typography variant="h3" sx={{ fontSize: '1rem', mb: 0.5 }}>
        Minutes for one piece, revision by revision
      </Typography>
      <Table size="small" aria-label="Revisions compared" sx={{ maxWidth: 640 }}>
        <TableHead>
          <TableRow>
            <TableCell>Revision</TableCell>
            <TableCell align="right">Pieces a load</TableCell>
            <TableCell align="right">Planned</TableCell>
            {stations.map(([code, name]) => (
              <TableCell key={code} align="right">
                Observed, {name}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {revisions.map((revision) => (
            <TableRow key={revision.name}>
              <TableCell>{revision.name}</TableCell>
              <TableCell align="right">{revision.piecesALoad}</TableCell>
              <TableCell align="right">{each(plannedLoadMinutes(revision.planned), revision)}</TableCell>
              {stations.map(([code]) => {
                const load = revision.truths.find((t) => t.stationCode === code)?.load;
                return (
                  <TableCell key={code} align="right">
                    {load ? `${each(load.medianMinutes, revision)} (${load.count})` : '–'}
                  </TableCell>
                );
              })}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
