import { formatLumber, type Component } from '@ample-crane/core';
import { Alert, Link } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCarriers, useCommand, useLots, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ChoiceIn, FieldRow, figureIn, figureRule, FlagIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { plural } from '../parts/words.ts';

type Body = View<'StartBatchDto'>;

interface Fields {
  component: Body['component'];
  quantity: string;
  /** empty: the first that fits */
  lotId: string;
  /** empty: on none yet */
  carrierId: string;
  offcut: boolean;
}

/** The most that is started at once from here. */
const MOST_PIECES = 40;

/** Starts bodies or necks for an order from a released lot of the right wood, and offers their cards. */
export function StartBatchDialog({ order, onClose }: { order: View<'OrderView'>; onClose: () => void }) {
  const { units } = useSession();
  const setup = useSetup();
  const lots = useLots(['released']);
  const carriers = useCarriers();
  const model = setup.data?.models.find((m) => m.id === order.modelId);
  const { control, handleSubmit } = useForm<Fields>({
    defaultValues: { component: 'body', quantity: String(Math.min(MOST_PIECES, order.quantity)), lotId: '', carrierId: '', offcut: false },
  });
  const { component, lotId, ...typed } = useTyped(control);
  const quantity = figureIn(typed.quantity);
  const [started, setStarted] = useState<string[]>([]);
  const start = useCommand(
    (body: Body, headers) => ask(client.POST('/api/batches', { body, headers })),
    ({ id }) => setStarted((before) => [...before, id]),
  );
  const need = model?.wood.find((w) => w.component === component);
  const fitting = (lots.data ?? []).filter((l) => need && l.species === need.species && l.use === need.use && l.leftM3 > 0);
  const racks = (carriers.data ?? []).filter((c) => c.kind === 'rack' && c.places - c.taken >= quantity);
  const lot = fitting.find((l) => l.id === lotId) ?? fitting[0];
  const neededM3 = (need?.volumeM3 ?? 0) * quantity;
  const restM3 = (lot?.leftM3 ?? 0) - neededM3;
  // Offcut is what does not make another batch like this one.
  const maybeOffcut = restM3 > 0 && restM3 < neededM3;
  const submit = handleSubmit(({ carrierId, offcut }) => {
    if (!lot) return;
    start.mutate({
      modelId: order.modelId,
      component,
      quantity,
      lotId: lot.id,
      orderId: order.id,
      ...(offcut && maybeOffcut ? { restIsOffcut: true } : {}),
      ...(carrierId === '' ? {} : { placements: [{ carrierId, pieces: quantity }] }),
    });
  });
  return (
    <FormDialog
      title={`Start a batch for ${order.id}: ${order.quantity} × ${order.modelName}`}
      submit="Start"
      leave="Close"
      width="sm"
      disabled={!lot}
      pending={start.isPending}
      error={start.error}
      onSubmit={() => void submit()}
      onClose={onClose}
    >
      <FieldRow>
        <ChoiceIn
          control={control}
          name="component"
          label="Of what"
          choices={(model?.components ?? ['body']).map((c) => [c, plural(c as Component)])}
        />
        <TextIn
          control={control}
          name="quantity"
          label="Pieces"
          type="number"
          rules={{ validate: figureRule({ min: 1, max: 400, whole: true }) }}
        />
        <ChoiceIn
          control={control}
          name="carrierId"
          label="On"
          choices={[['', 'no carrier yet'], ...racks.map((c) => [c.id, `${c.name}, ${c.places - c.taken} free`] as const)]}
        />
      </FieldRow>
      {fitting.length === 0 ? (
        <Alert severity="warning" variant="outlined">
          No released lot of {need?.species ?? 'the wood it needs'} for {need?.use ?? component}. Release one in the wood room first.
        </Alert>
      ) : (
        <ChoiceIn
          control={control}
          name="lotId"
          label="From lot"
          shown={lot?.id ?? ''}
          choices={fitting.map((l) => [l.id, `${l.id}, ${l.species}, ${formatLumber(l.leftM3, units)} left`])}
        />
      )}
      {maybeOffcut && (
        <FlagIn
          control={control}
          name="offcut"
          label={`The ${formatLumber(restM3, units)} left of the lot is offcut: it goes with this batch`}
        />
      )}
      {started.map((id) => (
        <Alert key={id} severity="success" variant="outlined">
          Batch{' '}
          <Link component={RouterLink} to={`/batches/${id}`}>
            {id}
          </Link>{' '}
          started.{' '}
          <Link href={`/api/batches/${id}/card.pdf`} target="_blank" rel="noopener">
            Print card of {id}
          </Link>
        </Alert>
      ))}
    </FormDialog>
  );
}
