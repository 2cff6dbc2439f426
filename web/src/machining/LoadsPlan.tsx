import { Box, Button, LinearProgress, Link, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Answer, Figure, Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { Finding } from '../parts/Finding.tsx';
import { Section } from '../parts/Screen.tsx';
import { counted } from '../parts/words.ts';
import { costOfOrders, differenceInWords, isBetter, ordersIn, problemIn, type Orders } from './loadProblem.ts';
import { MachineLoads } from './MachineLoads.tsx';
import { useBetterLoads } from './useBetterLoads.ts';

/** What to load next on every machine, and why; in another order where somebody knows better. */
export function LoadsPlan({ loads }: { loads: View<'LoadsView'> }) {
  const { may } = useSession();
  const problem = problemIn(loads);
  const planned = ordersIn(loads);
  const [orders, setOrders] = useState<Orders>(planned);
  const better = useBetterLoads(problem, setOrders);
  const isChanged = JSON.stringify(orders) !== JSON.stringify(planned);
  const keep = useCommand(async (wanted: Orders, headers) => {
    // One after the other: each is an entry of its own.
    for (const { id, stationCode, bench, pinned } of loads.machines) {
      const batchIds = [...(wanted[id] ?? [])];
      if (JSON.stringify(batchIds) === JSON.stringify(planned[id])) continue;
      const key = { 'Idempotency-Key': `${headers['Idempotency-Key']}/${id}`.slice(0, 100) };
      await ask(client.POST('/api/loads/order', { body: { stationCode, bench, batchIds, before: pinned }, headers: key }));
    }
    return {};
  });
  const plan = useCommand(({ stationCode, bench, pinned }: View<'LoadMachineView'>, headers) =>
    ask(client.POST('/api/loads/order', { body: { stationCode, bench, batchIds: [], before: pinned }, headers })),
  );
  return (
    <>
      <PlanAnswer loads={loads} />
      <Section
        title="Next on the machines"
        aside={
          <Stack direction="row" spacing={1}>
            {better.share === null ? (
              <Button onClick={better.look}>Look for better</Button>
            ) : (
              <Button onClick={better.stop}>Stop looking</Button>
            )}
          </Stack>
        }
      >
        {better.share !== null && (
          <LinearProgress variant="determinate" value={better.share * 100} aria-label="Looking for a better plan" sx={{ mb: 1 }} />
        )}
        {better.error && <ErrorNote error={better.error} />}
        {better.found !== null && !isChanged && (
          <Typography role="status">Nothing better was found in {better.found.toLocaleString('en')} tries.</Typography>
        )}
        {isChanged && (
          <Changed
            cost={costOfOrders(problem, orders)}
            before={loads.cost}
            pending={keep.isPending}
            onKeep={may('lead') ? () => keep.mutate(orders) : null}
            onDrop={() => setOrders(planned)}
          />
        )}
        {keep.error && <ErrorNote error={keep.error} />}
        {plan.error && <ErrorNote error={plan.error} />}
        {loads.blocked.map((b) => (
          <Finding
            key={b.batchId}
            severity="stop"
            sentence={
              <>
                <Link component={RouterLink} to={`/batches/${b.batchId}`}>
                  <Id>{b.batchId}</Id>
                </Link>{' '}
                ({b.what}) can go on no machine: {b.because}
              </>
            }
          />
        ))}
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 420px), 1fr))', gap: 2, alignItems: 'start' }}>
          {loads.machines.map((machine) => (
            <MachineLoads
              key={machine.id}
              machine={machine}
              order={orders[machine.id] ?? []}
              isChanged={isChanged}
              onOrder={(order) => setOrders({ ...orders, [machine.id]: order })}
              onPlan={may('lead') && machine.pinned.length > 0 ? () => plan.mutate(machine) : null}
            />
          ))}
        </Box>
      </Section>
    </>
  );
}

/** What the plan comes to, against taking what is due first. */
function PlanAnswer({ loads: { machines, gain, later } }: { loads: View<'LoadsView'> }) {
  const all = machines.flatMap((m) => m.next);
  const late = all.filter((n) => n.late);
  if (all.length === 0) return <Answer>Nothing waits for a machine.</Answer>;
  return (
    <Answer>
      <Figure>{all.length}</Figure> {all.length === 1 ? 'batch waits' : 'batches wait'} for a machine;{' '}
      {late.length === 0 ? (
        'in this order none of them makes its order late'
      ) : (
        <>
          <Figure>{late.length}</Figure> {late.length === 1 ? 'comes' : 'come'} off too late for {late.length === 1 ? 'its' : 'their'}{' '}
          order, first <Id>{late[0]?.batchId}</Id>
        </>
      )}
      {gain.changeovers > 0 &&
        `. Against taking what is due first it saves ${counted(gain.changeovers, 'changeover')}, ${Math.round(gain.changeoverMinutes)} min`}
      {gain.lateMinutes > 1 && `, and ${Math.round(gain.lateMinutes)} min of lateness`}.
      {later > 0 && ` ${counted(later, 'batch', 'batches')} more, due after these, ${later === 1 ? 'waits' : 'wait'} unplanned.`}
    </Answer>
  );
}

interface ChangedProps {
  cost: View<'LoadCostView'> | null;
  before: View<'LoadCostView'>;
  pending: boolean;
  /** null for whoever may not */
  onKeep: (() => void) | null;
  onDrop: () => void;
}

/** Another order than the plan's: what it would do, and whether to keep it. */
function Changed({ cost, before, pending, onKeep, onDrop }: ChangedProps) {
  const difference = cost ? differenceInWords(before, cost) : '';
  const sentence =
    cost === null
      ? 'Something stands at a machine where it cannot be done.'
      : difference === ''
        ? 'This order is as good as the plan.'
        : `This order against the plan: ${difference}.`;
  return (
    <Finding
      severity={cost === null ? 'stop' : isBetter(cost, before) || difference === '' ? 'ready' : 'attention'}
      sentence={sentence}
      action={
        <Stack direction="row" spacing={1}>
          {onKeep && cost !== null && (
            <Button variant="contained" loading={pending} onClick={onKeep}>
              Keep this order
            </Button>
          )}
          <Button onClick={onDrop}>Back to the plan</Button>
        </Stack>
      }
    />
  );
}
