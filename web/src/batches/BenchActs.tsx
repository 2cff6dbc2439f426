import { Box, Button, Checkbox, FormControlLabel, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { problemOf, type View } from '../ground/api.ts';
import { useOrders } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { pieces } from '../parts/words.ts';
import { useBatchCommand } from './useBatchCommand.ts';
import { useWho, WhoField } from './WhoField.tsx';

type Card = View<'CardView'>;

/** Why a bench said no: its findings where it has some. */
function Refusal({ error }: { error: Error | null }) {
  if (!error) return null;
  const { findings } = problemOf(error);
  return findings ? <FindingList findings={findings} /> : <ErrorNote error={error} />;
}

/** Other components that wait here become part of this batch. */
export function JoinAct({ card }: { card: Card }) {
  const { batch, besides, workers } = card;
  const guests = besides.filter((b) => b.component !== batch.component);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [personId, setPersonId] = useWho(workers);
  const chosen = guests.filter((g) => !left.has(g.id)).map((g) => g.id);
  const join = useBatchCommand('join', batch, `Join with ${chosen.join(', ')}`);
  const toggle = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  if (!card.hostsHere) return <Typography>It is joined to the batch it belongs to; open that batch’s card.</Typography>;
  if (guests.length === 0) return <Typography>What is joined to it has not come yet.</Typography>;
  return (
    <Stack spacing={1.5}>
      <Box role="group" aria-label="What is joined to it">
        {guests.map((g) => (
          <FormControlLabel
            key={g.id}
            control={<Checkbox checked={!left.has(g.id)} onChange={() => toggle(g.id)} />}
            label={`${g.id}, ${pieces(g.quantity, g.component)}`}
          />
        ))}
      </Box>
      <Stack direction="row" spacing={1.5}>
        <WhoField label="Who" people={workers} value={personId} onChange={setPersonId} />
        <Button
          variant="contained"
          size="large"
          disabled={chosen.length === 0 || personId === ''}
          loading={join.isPending}
          onClick={() => join.mutate({ personId, guestBatchIds: chosen })}
        >
          Join them
        </Button>
      </Stack>
      <Refusal error={join.error} />
    </Stack>
  );
}

/** Instruments are taken apart; each body and neck stay bound by their serial. */
export function PartAct({ card }: { card: Card }) {
  const { batch, workers } = card;
  const [personId, setPersonId] = useWho(workers);
  const part = useBatchCommand('part', batch, 'Take apart');
  return (
    <Stack spacing={1.5}>
      <Typography>Each body and its neck keep their serial, and come together only with each other.</Typography>
      <Stack direction="row" spacing={1.5}>
        <WhoField label="Who" people={workers} value={personId} onChange={setPersonId} />
        <Button
          variant="contained"
          size="large"
          disabled={personId === ''}
          loading={part.isPending}
          onClick={() => part.mutate({ personId })}
        >
          Take apart
        </Button>
      </Stack>
      <Refusal error={part.error} />
    </Stack>
  );
}

/** Bodies come together again with their own necks. */
export function RefitAct({ card }: { card: Card }) {
  const { batch, besides, workers } = card;
  const necks = besides.filter((b) => b.component === 'neck');
  const [neckBatchId, setNeckBatchId] = useState(necks[0]?.id ?? '');
  const [personId, setPersonId] = useWho(workers);
  const chosen = necks.some((n) => n.id === neckBatchId) ? neckBatchId : (necks[0]?.id ?? '');
  const refit = useBatchCommand('refit', batch, `Bring together with ${chosen}`);
  if (batch.component !== 'body') return <Typography>It is fitted again from the card of its bodies.</Typography>;
  if (necks.length === 0) return <Typography>Their necks have not come yet.</Typography>;
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
        <TextField select label="Necks" value={chosen} onChange={(event) => setNeckBatchId(event.target.value)} sx={{ minWidth: 180 }}>
          {necks.map((n) => (
            <MenuItem key={n.id} value={n.id}>
              {n.id}, {pieces(n.quantity, 'neck')}
            </MenuItem>
          ))}
        </TextField>
        <WhoField label="Who" people={workers} value={personId} onChange={setPersonId} />
        <Button
          variant="contained"
          size="large"
          disabled={personId === ''}
          loading={refit.isPending}
          onClick={() => refit.mutate({ personId, neckBatchId: chosen })}
        >
          Bring each pair together
        </Button>
      </Stack>
      <Refusal error={refit.error} />
    </Stack>
  );
}

/** Takes pieces out of a buffer for a build. */
export function CallAct({ card }: { card: Card }) {
  const { batch } = card;
  const orders = useOrders();
  const [count, setCount] = useState(String(batch.quantity));
  const [orderId, setOrderId] = useState('');
  const call = useBatchCommand('call', batch, `Call ${count} from the buffer`);
  const quantity = Number(count);
  if (batch.nextOperationName === null) return <Typography>They stay in their box until a step draws them.</Typography>;
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" useFlexGap spacing={1.5} sx={{ flexWrap: 'wrap' }}>
        <TextField label="How many" type="number" value={count} onChange={(event) => setCount(event.target.value)} sx={{ width: 110 }} />
        <TextField select label="For" value={orderId} onChange={(event) => setOrderId(event.target.value)} sx={{ minWidth: 220 }}>
          <MenuItem value="">no order</MenuItem>
          {(orders.data ?? [])
            .filter((o) => o.modelId === batch.modelId)
            .map((o) => (
              <MenuItem key={o.id} value={o.id}>
                {o.id}, {o.quantity} for {o.customer}
              </MenuItem>
            ))}
        </TextField>
        <Button
          variant="contained"
          size="large"
          disabled={!Number.isInteger(quantity) || quantity < 1 || quantity > batch.quantity}
          loading={call.isPending}
          onClick={() => call.mutate({ quantity, orderId: orderId === '' ? null : orderId })}
        >
          Call
        </Button>
      </Stack>
      <Refusal error={call.error} />
    </Stack>
  );
}
