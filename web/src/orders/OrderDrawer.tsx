import { factsOfChoice, walkThrough, pressingLaws } from '@ample-crane/core';
import { Box, Button, Drawer, Link, Stack, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { View } from '../ground/api.ts';
import { useRoute, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { copyText } from '../parts/copyText.ts';
import { Id } from '../parts/Answer.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { formatMoney } from '../parts/money.ts';
import { WalkSummary } from '../parts/WalkSummary.tsx';
import { OrderWood } from './OrderWood.tsx';

type Order = View<'OrderView'>;

/** One order: what its customer could be told, where it is, and the route that its options make. */
export function OrderDrawer({ order, onStart, onClose }: { order: Order; onStart: (() => void) | undefined; onClose: () => void }) {
  const { date } = useSession();
  return (
    <Drawer
      anchor="right"
      open
      onClose={onClose}
      slotProps={{ paper: { role: 'dialog', 'aria-label': `Order ${order.id}`, sx: { width: { xs: '100%', sm: 470 }, p: 2.5 } } }}
    >
      <Stack spacing={2}>
        <Typography variant="h2">
          <Id>{order.id}</Id> {order.quantity} × {order.modelName} for {order.customer}
        </Typography>
        <Told sentence={order.tell} />
        <Typography>
          Due {date(order.dueMs)}; at the earliest {date(order.earliestMs)}, by work and waits alone. {order.why ?? order.status}.
        </Typography>
        {order.options.length > 0 && (
          <Typography>
            {order.options.join(', ')}
            <Extra order={order} />
          </Typography>
        )}
        <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
          {order.batchIds.map((id) => (
            <Link key={id} component={RouterLink} to={`/batches/${id}`}>
              {id}
            </Link>
          ))}
          {onStart && order.lacks.length > 0 && (
            <Button variant="outlined" onClick={onStart}>
              Start a batch
            </Button>
          )}
        </Stack>
        <OrderWood orderId={order.id} />
        <DerivedRoute order={order} />
        <Button onClick={onClose} sx={{ alignSelf: 'flex-start' }}>
          Close
        </Button>
      </Stack>
    </Drawer>
  );
}

/** What was chosen adds to the price, where it does. */
export function Extra({ order: { extraPrice, quantity } }: { order: Pick<Order, 'extraPrice' | 'quantity'> }) {
  const setup = useSetup();
  if (extraPrice === 0 || !setup.data) return null;
  const { currency } = setup.data.house;
  const all = quantity === 1 ? '' : `, ${formatMoney(extraPrice * quantity, currency)} in all`;
  return ` — adds ${formatMoney(extraPrice, currency)} to the price of each${all}.`;
}

/** The sentence for whoever ordered it, ready to be passed on. */
function Told({ sentence }: { sentence: string }) {
  const [copied, setCopied] = useState<boolean | null>(null);
  const copy = () => void copyText(sentence).then(setCopied);
  return (
    <Box component="figure" sx={{ m: 0, pl: 1.5, borderLeft: 3, borderColor: 'divider' }}>
      <Typography component="figcaption" variant="body2" color="text.secondary">
        For the customer
      </Typography>
      <Typography>{sentence}</Typography>
      <Button onClick={copy}>{copied === null ? 'Copy' : copied ? 'Copied' : 'Not copied: select the text'}</Button>
    </Box>
  );
}

type Walked = Pick<Order, 'routeId' | 'modelId' | 'choices' | 'quantity'>;

/** The route as an order goes through it, before or while it is made. */
export function DerivedRoute({ order }: { order: Walked }) {
  const route = useRoute(order.routeId);
  const setup = useSetup();
  const model = setup.data?.models.find((m) => m.id === order.modelId);
  const adhesives = setup.data?.adhesives;
  const walk = useMemo(() => {
    if (!route.data || !model) return undefined;
    const { version, graph } = route.data;
    const usual = { species: Object.fromEntries(model.wood.map((w) => [w.component, w.species])), construction: model.construction };
    const facts = factsOfChoice(usual, graph.options ?? [], order.choices);
    return walkThrough({ id: version.id, modelId: version.modelId, version: version.version, ...graph }, facts, order.quantity, {
      lawsOf: (pressing) => pressingLaws(adhesives ?? [], pressing),
    });
  }, [route.data, model, adhesives, order.choices, order.quantity]);
  return (
    <>
      <Typography variant="h2">The way it is built</Typography>
      {route.error && <ErrorNote error={route.error} onRetry={() => void route.refetch()} />}
      {walk && <WalkSummary walk={walk} />}
    </>
  );
}
