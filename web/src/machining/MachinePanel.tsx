import { Box, Button, Link, Paper, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { CutterLife } from './CutterLife.tsx';
import { ItTells } from './ItTells.tsx';

interface Props {
  machine: View<'MachineView'>;
  onLog: (cutter: View<'CutterView'>) => void;
}

/** One machine: what is on it now, what was left on it, and how long its cutters still cut well. */
export function MachinePanel({ machine, onLog }: Props) {
  const { dateTime, may } = useSession();
  const { stationName, bench, batchIds, worker, sinceMs, left, leftMs, controller, cutters } = machine;
  return (
    <Paper variant="outlined" component="article" aria-label={`${stationName}, machine ${bench}`} sx={{ p: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 600 }}>
        {stationName}, machine {bench}
      </Typography>
      <Typography variant="body2">
        {batchIds.length === 0 ? (
          'Nobody is at it.'
        ) : (
          <>
            {batchIds.map((id, i) => (
              <span key={id}>
                {i > 0 && ', '}
                <Link component={RouterLink} to={`/batches/${id}`}>
                  <Id>{id}</Id>
                </Link>
              </span>
            ))}
            , {worker}, since {dateTime(sinceMs ?? 0)}
          </>
        )}
      </Typography>
      <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
        {left === null ? 'No start has been checked here yet.' : `Last checked start: ${left}, ${dateTime(leftMs ?? 0)}`}
      </Typography>
      {controller && <ItTells {...controller} />}
      {cutters.length === 0 && (
        <Typography variant="body2" color="text.secondary">
          No cutter is said to be on it.
        </Typography>
      )}
      {cutters.map((cutter) => (
        <Box key={cutter.id} sx={{ display: 'grid', gridTemplateColumns: '1fr auto', columnGap: 1, alignItems: 'center', mb: 0.5 }}>
          <Typography variant="body2">
            <Id>{cutter.id}</Id> {cutter.kind}
          </Typography>
          {may('operator') && (
            <Button onClick={() => onLog(cutter)} aria-label={`Log ${cutter.id}`} sx={{ gridRow: 'span 2' }}>
              Log
            </Button>
          )}
          <CutterLife cutter={cutter} />
        </Box>
      ))}
    </Paper>
  );
}
