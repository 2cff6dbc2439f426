import { Box, Button, Link, Paper, Stack, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useSession } from '../ground/session.tsx';
import { useMachines } from '../ground/queries.ts';
import { Id } from '../parts/Answer.tsx';
import { counted } from '../parts/words.ts';
import { ItTells } from './ItTells.tsx';
import { LoadPlaces } from './LoadPlaces.tsx';
import { moved } from './loadProblem.ts';

type Planned = View<'PlannedBatchView'>;

interface Props {
  machine: View<'LoadMachineView'>;
  order: readonly string[];
  /** whether an order other than the plan's is shown: times and reasons are the plan's, and left out */
  isChanged: boolean;
  onOrder: (order: readonly string[]) => void;
  /** forgets what was put there by hand; null where nothing was, or for whoever may not */
  onPlan: (() => void) | null;
}

/** One machine: what goes on it next, in how many loads, when, and why. */
export function MachineLoads({ machine, order, isChanged, onOrder, onPlan }: Props) {
  const { may } = useSession();
  const { stationCode, stationName, bench, isMachine, next } = machine;
  const itself = useMachines().data?.find((m) => m.stationCode === stationCode && m.bench === bench)?.controller;
  const shown = order.flatMap((id) => next.find((n) => n.batchId === id) ?? []);
  const gone = order.filter((id) => !next.some((n) => n.batchId === id));
  return (
    <Paper variant="outlined" component="article" aria-label={`Next on ${stationName}, ${bench}`} sx={{ p: 1.5 }}>
      <Typography component="h3" sx={{ fontWeight: 600 }}>
        {stationName}, {isMachine ? 'machine' : 'bench'} {bench}
        {!isMachine && ' helps out'}
      </Typography>
      {itself && <ItTells {...itself} />}
      {onPlan && (
        <Button onClick={onPlan} sx={{ mb: 0.5 }}>
          Plan it again
        </Button>
      )}
      {order.length === 0 && (
        <Typography variant="body2" color="text.secondary">
          Nothing waits for it.
        </Typography>
      )}
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((planned) => (
          <Next
            key={planned.batchId}
            planned={planned}
            isChanged={isChanged}
            first={order[0] === planned.batchId}
            last={order.at(-1) === planned.batchId}
            onMove={may('lead') && order.length > 1 ? (by) => onOrder(moved(order, planned.batchId, by)) : null}
          />
        ))}
        {gone.map((id) => (
          <Box component="li" key={id} sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
            <Id>{id}</Id> comes over from another machine
          </Box>
        ))}
      </Box>
    </Paper>
  );
}

interface NextProps {
  planned: Planned;
  isChanged: boolean;
  first: boolean;
  last: boolean;
  onMove: ((by: 1 | -1) => void) | null;
}

function Next({ planned, isChanged, first, last, onMove }: NextProps) {
  const { clock } = useSession();
  const { batchId, what, workClass, program, beginMs, endMs, dueMs, late, reason, pinned } = planned;
  return (
    <Box component="li" sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1, py: 0.75, borderTop: 1, borderColor: 'divider' }}>
      <Box sx={{ minWidth: 0 }}>
        <Typography component="div">
          <Link component={RouterLink} to={`/batches/${batchId}`}>
            <Id>{batchId}</Id>
          </Link>{' '}
          {what}
          {workClass !== 'order' && <strong> · {workClass}</strong>}
          {pinned && ' · by hand'}
        </Typography>
        <Typography component="div" variant="body2" color="text.secondary">
          {program} · {inLoads(planned)} · by {planned.observed ? 'observed' : 'planned'} minutes
        </Typography>
        {!isChanged && (
          <Typography component="div" variant="body2" color={late ? 'error' : 'text.secondary'}>
            {clock(beginMs)} to {clock(endMs)}
            {dueMs !== null && !late && `, off by ${clock(dueMs)} for its order`}
            {reason !== '' && ` · ${reason}`}
          </Typography>
        )}
        <LoadPlaces planned={planned} />
      </Box>
      {onMove && (
        <Stack>
          <Button aria-label={`${batchId} earlier`} disabled={first} onClick={() => onMove(-1)} sx={{ minWidth: 44, minHeight: 44 }}>
            ↑
          </Button>
          <Button aria-label={`${batchId} later`} disabled={last} onClick={() => onMove(1)} sx={{ minWidth: 44, minHeight: 44 }}>
            ↓
          </Button>
        </Stack>
      )}
    </Box>
  );
}

function inLoads({ loads, piecesALoad, joining, pieces }: Planned): string {
  if (loads === 0) return `${counted(joining, 'piece')} in the load before`;
  const own = `${counted(loads, 'load')} of ${piecesALoad}`;
  return joining > 0
    ? `${joining} in the load before, then ${own}`
    : piecesALoad === 1
      ? `${counted(pieces, 'piece')}, one at a time`
      : own;
}
