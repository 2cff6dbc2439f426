import { Typography } from '@mui/material';
import { useForm } from 'react-hook-form';
import { problemOf, type View } from '../ground/api.ts';
import { useOrders } from '../ground/queries.ts';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, figureIn, TextIn, TicksIn, useTyped } from '../parts/fields.tsx';
import { FindingList } from '../parts/Finding.tsx';
import { pieces } from '../parts/words.ts';
import { ActForm } from '../parts/ActForm.tsx';
import { useBatchCommand } from './useBatchCommand.ts';
import { useWho, WhoIn } from './WhoField.tsx';

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
  const { control, handleSubmit } = useForm<{ personId: string; guestBatchIds: string[] }>({
    values: { personId: '', guestBatchIds: guests.map((g) => g.id) },
    resetOptions: { keepDirtyValues: true },
  });
  const typed = useTyped(control);
  const { guestBatchIds, ...named } = typed;
  const personId = useWho(workers)(named.personId);
  const join = useBatchCommand('join', batch, `Join with ${guestBatchIds.join(', ')}`);
  if (!card.hostsHere) return <Typography>It is joined to the batch it belongs to; open that batch’s card.</Typography>;
  if (guests.length === 0) return <Typography>What is joined to it has not come yet.</Typography>;
  return (
    <ActForm
      above={
        <TicksIn
          control={control}
          name="guestBatchIds"
          label="What is joined to it"
          choices={guests.map((g) => [g.id, `${g.id}, ${pieces(g.quantity, g.component)}`])}
        />
      }
      submit="Join them"
      disabled={guestBatchIds.length === 0 || personId === ''}
      pending={join.isPending}
      error={join.error}
      refusal={<Refusal error={join.error} />}
      onSubmit={handleSubmit(() => join.mutate({ personId, guestBatchIds }))}
    >
      <WhoIn control={control} name="personId" label="Who" people={workers} />
    </ActForm>
  );
}

/** Instruments are taken apart; each body and neck stay bound by their serial. */
export function PartAct({ card }: { card: Card }) {
  const { batch, workers } = card;
  const { control, handleSubmit } = useForm({ defaultValues: { personId: '' } });
  const typed = useTyped(control);
  const personId = useWho(workers)(typed.personId);
  const part = useBatchCommand('part', batch, 'Take apart');
  return (
    <ActForm
      above={<Typography>Each body and its neck keep their serial, and come together only with each other.</Typography>}
      submit="Take apart"
      disabled={personId === ''}
      pending={part.isPending}
      error={part.error}
      refusal={<Refusal error={part.error} />}
      onSubmit={handleSubmit(() => part.mutate({ personId }))}
    >
      <WhoIn control={control} name="personId" label="Who" people={workers} />
    </ActForm>
  );
}

/** Bodies come together again with their own necks. */
export function RefitAct({ card }: { card: Card }) {
  const { batch, besides, workers } = card;
  const necks = besides.filter((b) => b.component === 'neck');
  const { control, handleSubmit } = useForm({
    values: { personId: '', neckBatchId: necks[0]?.id ?? '' },
    resetOptions: { keepDirtyValues: true },
  });
  const typed = useTyped(control);
  const { neckBatchId, ...named } = typed;
  const personId = useWho(workers)(named.personId);
  const refit = useBatchCommand('refit', batch, `Bring together with ${neckBatchId}`);
  if (batch.component !== 'body') return <Typography>It is fitted again from the card of its bodies.</Typography>;
  if (necks.length === 0) return <Typography>Their necks have not come yet.</Typography>;
  return (
    <ActForm
      submit="Bring each pair together"
      disabled={personId === '' || !necks.some((n) => n.id === neckBatchId)}
      pending={refit.isPending}
      error={refit.error}
      refusal={<Refusal error={refit.error} />}
      onSubmit={handleSubmit(() => refit.mutate({ personId, neckBatchId }))}
    >
      <ChoiceIn
        control={control}
        name="neckBatchId"
        label="Necks"
        choices={necks.map((n) => [n.id, `${n.id}, ${pieces(n.quantity, 'neck')}`])}
        sx={{ minWidth: 180 }}
      />
      <WhoIn control={control} name="personId" label="Who" people={workers} />
    </ActForm>
  );
}

/** Takes pieces out of a buffer for a build. */
export function CallAct({ card }: { card: Card }) {
  const { batch } = card;
  const orders = useOrders();
  const { control, handleSubmit } = useForm({ defaultValues: { count: String(batch.quantity), orderId: '' } });
  const typed = useTyped(control);
  const { count } = typed;
  const call = useBatchCommand('call', batch, `Call ${count} from the buffer`);
  const quantity = figureIn(count);
  if (batch.nextOperationName === null) return <Typography>They stay in their box until a step draws them.</Typography>;
  return (
    <ActForm
      submit="Call"
      disabled={!Number.isInteger(quantity) || quantity < 1 || quantity > batch.quantity}
      pending={call.isPending}
      error={call.error}
      refusal={<Refusal error={call.error} />}
      onSubmit={handleSubmit(({ orderId }) => call.mutate({ quantity, orderId: orderId === '' ? null : orderId }))}
    >
      <TextIn control={control} name="count" label="How many" type="number" sx={{ width: 110 }} />
      <ChoiceIn
        control={control}
        name="orderId"
        label="For"
        choices={[
          ['', 'no order'],
          ...(orders.data ?? [])
            .filter((o) => o.modelId === batch.modelId)
            .map((o) => [o.id, `${o.id}, ${o.quantity} for ${o.customer}`] as const),
        ]}
        sx={{ minWidth: 220 }}
      />
    </ActForm>
  );
}
