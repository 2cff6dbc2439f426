import { formatLumber, type Component, type WorkClass } from '@ample-crane/core';
import { Alert, Link } from '@mui/material';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link as RouterLink } from 'react-router';
import { ask, client, type View } from '../ground/api.ts';
import { useCarriers, useCommand, useLots, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ChoiceIn, FieldRow, figureIn, figureRule, FlagIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { pieces, plural } from '../parts/words.ts';

type Body = View<'StartBatchDto'>;
interface Lack {
  component: Body['component'];
  count: number;
}

/** Instruments are not begun: they are fitted from what is. */
const startable = ({ component, count }: View<'LackView'>): Lack[] => (component === 'instrument' ? [] : [{ component, count }]);

/** A lot's moisture against its band, as it is chosen by. */
function moistureOf({ meanPct, band, outOfBand }: View<'LotView'>): string {
  if (meanPct === null) return 'never read';
  const within = `band ${band.low.toFixed(1)} to ${band.high.toFixed(1)} %`;
  return `${meanPct.toFixed(1)} %, ${outOfBand === null ? 'in its' : 'out of its'} ${within}`;
}

interface Fields {
  component: Body['component'];
  quantity: string;
  /** empty: the first that fits */
  lotId: string;
  /** empty: on none yet */
  carrierId: string;
  offcut: boolean;
  workClass: WorkClass;
  /** more than the order lacks */
  more: boolean;
}

/** The most that is started at once from here. */
const MOST_PIECES = 40;

/** Starts what an order lacks, part after part, from a released lot of the right wood, and offers the cards. */
export function StartBatchDialog({ order, onClose }: { order: View<'OrderView'>; onClose: () => void }) {
  const { units } = useSession();
  const setup = useSetup();
  const lots = useLots(['released']);
  const carriers = useCarriers();
  const model = setup.data?.models.find((m) => m.id === order.modelId);
  const asked = (lack: Lack | undefined): Fields => ({
    component: lack?.component ?? 'body',
    quantity: String(Math.min(MOST_PIECES, lack?.count ?? order.quantity)),
    lotId: '',
    carrierId: '',
    offcut: false,
    workClass: 'order',
    more: false,
  });
  const { control, handleSubmit, reset } = useForm<Fields>({ defaultValues: asked(order.lacks.flatMap(startable)[0]) });
  const { component, lotId, more, ...typed } = useTyped(control);
  const quantity = figureIn(typed.quantity);
  const [started, setStarted] = useState<string[]>([]);
  // The order as it was when the dialog was opened, less what was started since.
  const [lacks, setLacks] = useState<readonly Lack[]>(order.lacks.flatMap(startable));
  const lacking = lacks.find((l) => l.component === component)?.count ?? 0;
  const start = useCommand(
    (body: Body, headers) => ask(client.POST('/api/batches', { body, headers })),
    ({ id }, body) => {
      setStarted((before) => [...before, id]);
      const left = lacks.flatMap((l) => {
        const count = l.component === body.component ? l.count - body.quantity : l.count;
        return count > 0 ? [{ ...l, count }] : [];
      });
      setLacks(left);
      const [next] = left;
      if (next) reset(asked(next));
    },
  );
  const usual = model?.wood.find((w) => w.component === component);
  // The wood that was chosen, in place of the model's usual.
  const chosen = model?.options
    .map((o) => o.values.find((v) => v.id === order.choices[o.id])?.wood[component])
    .findLast((s) => s !== undefined);
  const need = usual && { ...usual, species: chosen ?? usual.species };
  const fitting = (lots.data ?? [])
    .filter((l) => need && l.species === need.species && l.use === need.use && l.leftM3 > 0)
    .sort((a, b) => Number(a.outOfBand !== null) - Number(b.outOfBand !== null));
  const racks = (carriers.data ?? []).filter((c) => c.kind === 'rack' && c.places - c.taken >= quantity);
  const lot = fitting.find((l) => l.id === lotId) ?? fitting[0];
  const neededM3 = (need?.volumeM3 ?? 0) * quantity;
  const restM3 = (lot?.leftM3 ?? 0) - neededM3;
  // Offcut is what does not make another batch like this one.
  const maybeOffcut = restM3 > 0 && restM3 < neededM3;
  const submit = handleSubmit(({ carrierId, offcut, workClass }) => {
    if (!lot) return;
    start.mutate({
      modelId: order.modelId,
      component,
      quantity,
      lotId: lot.id,
      orderId: order.id,
      ...(offcut && maybeOffcut ? { restIsOffcut: true } : {}),
      ...(workClass === 'order' ? {} : { workClass }),
      ...(carrierId === '' ? {} : { placements: [{ carrierId, pieces: quantity }] }),
    });
  });
  return (
    <FormDialog
      title={`Start a batch for ${order.id}: ${order.quantity} × ${order.modelName}`}
      submit="Start"
      leave="Close"
      width="sm"
      disabled={!lot || (quantity > lacking && !more)}
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
          choices={fitting.map((l) => [l.id, `${l.id}, ${formatLumber(l.leftM3, units)} left, ${moistureOf(l)}`])}
        />
      )}
      {quantity > lacking && (
        <FlagIn
          control={control}
          name="more"
          label={
            lacking === 0
              ? `Every ${component} of this order is begun, or lies spare: start more all the same`
              : `The order lacks ${pieces(lacking, component)}: start more all the same`
          }
        />
      )}
      {maybeOffcut && (
        <FlagIn
          control={control}
          name="offcut"
          label={`The ${formatLumber(restM3, units)} left of the lot is offcut: it goes with this batch`}
        />
      )}
      <ChoiceIn
        control={control}
        name="workClass"
        label="Made for"
        choices={[
          ['order', 'orders and stock'],
          ['special', 'a special: one of its kind, its hours told apart'],
          ['trial', 'a trial: out of yields, times and charts, judged at its end'],
          ['tooling', 'tooling: forms and fixtures for the house'],
        ]}
      />
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
