import { Button, Drawer, Link, Stack, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useOrderPast } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { counted } from '../parts/words.ts';

/** An order that is over: what was sent, when, and where its instruments are on record. */
export function OrderPastDrawer({ id, onClose }: { id: string; onClose: () => void }) {
  const { data, error, refetch } = useOrderPast(id);
  return (
    <Drawer
      anchor="right"
      open
      onClose={onClose}
      slotProps={{ paper: { role: 'dialog', 'aria-label': `Order ${id}`, sx: { width: { xs: '100%', sm: 470 }, p: 2.5 } } }}
    >
      <Stack spacing={2}>
        {error && <ErrorNote error={error} onRetry={() => void refetch()} />}
        {data && <OrderPast order={data} />}
        <Button onClick={onClose} sx={{ alignSelf: 'flex-start' }}>
          Close
        </Button>
      </Stack>
    </Drawer>
  );
}

/** What became of it. */
export function OrderPast({ order }: { order: View<'OrderPastView'> }) {
  const { date } = useSession();
  return (
    <>
      <Typography variant="h2">
        <Id>{order.id}</Id> {order.quantity} × {order.modelName} for {order.customer}
      </Typography>
      <Typography>
        Placed {date(order.placedMs)}, due {date(order.dueMs)}. {outcome(order, date)}
      </Typography>
      {order.options.length > 0 && <Typography>{order.options.join(', ')}</Typography>}
      <Places title="Instruments" ids={order.serials} to={(serial) => `/records/${serial}`} />
      <Places title="Batches" ids={order.batchIds} to={(batch) => `/batches/${batch}`} />
    </>
  );
}

/** "All 8 were sent, the last on 3 Mar 2026, 2 days late." */
function outcome({ quantity, shipped, lastShippedMs, lateDays }: View<'OrderPastView'>, date: (ms: number) => string): string {
  if (lastShippedMs === null) return 'None of it was sent.';
  const sent =
    shipped < quantity
      ? `${shipped} of ${quantity} were sent; the rest was given up`
      : quantity === 1
        ? 'It was sent'
        : `All ${quantity} were sent`;
  const late = lateDays !== null && lateDays > 0 ? `${counted(lateDays, 'day', 'days')} late` : 'in time';
  return `${sent}, ${quantity === 1 ? '' : 'the last '}on ${date(lastShippedMs)}, ${late}.`;
}

function Places({ title, ids, to }: { title: string; ids: readonly string[]; to: (id: string) => string }) {
  if (ids.length === 0) return null;
  return (
    <section aria-label={title}>
      <Typography variant="h3">{title}</Typography>
      <Stack direction="row" useFlexGap sx={{ flexWrap: 'wrap', gap: 1.5 }}>
        {ids.map((id) => (
          <Link key={id} component={RouterLink} to={to(encodeURIComponent(id))}>
            {id}
          </Link>
        ))}
      </Stack>
    </section>
  );
}
