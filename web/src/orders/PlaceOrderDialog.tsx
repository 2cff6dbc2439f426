import dayjs from 'dayjs';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { ChoiceIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';

interface Fields {
  modelId: string;
  quantity: string;
  customer: string;
  due: string;
  /** by option */
  choices: Record<string, string>;
}

const USUAL_LEAD_DAYS = 60;

/** An order goes into the book; starting its batches is the next thing to do. */
export function PlaceOrderDialog({ onClose, onPlaced }: { onClose: () => void; onPlaced: (id: string) => void }) {
  const setup = useSetup();
  const { nowMs, session } = useSession();
  const place = useCommand(
    (body: View<'PlaceOrderDto'>, headers) => ask(client.POST('/api/orders', { body, headers })),
    ({ id }) => {
      onClose();
      onPlaced(id);
    },
  );
  // Small parts are made ahead and not sold.
  const models = (setup.data?.models ?? []).filter((m) => m.steps.some((s) => s.kind === 'dispatch'));
  const { control, handleSubmit } = useForm<Fields>({
    defaultValues: {
      modelId: '',
      quantity: '6',
      customer: 'Stock',
      due: dayjs(nowMs).tz(session.timeZone).add(USUAL_LEAD_DAYS, 'day').format('YYYY-MM-DD'),
      choices: {},
    },
  });
  const { modelId } = useTyped(control);
  const options = models.find((m) => m.id === modelId)?.options ?? [];
  const submit = (f: Fields) =>
    place.mutate({
      modelId: f.modelId,
      quantity: Number(f.quantity),
      customer: f.customer,
      // Only what this model offers: another may have been chosen in between.
      choices: Object.fromEntries(options.map((o) => [o.id, f.choices[o.id] ?? o.values[0]?.id ?? ''])),
      dueMs: dayjs.tz(`${f.due}T15:00`, session.timeZone).valueOf(),
    });
  return (
    <FormDialog
      title="Place an order"
      submit="Place"
      pending={place.isPending}
      error={place.error}
      onSubmit={() => void handleSubmit(submit)()}
      onClose={onClose}
    >
      <ChoiceIn
        control={control}
        name="modelId"
        label="Model"
        rules={{ required: 'Choose a model' }}
        choices={models.map((m) => [m.id, `${m.name}, ${m.construction}`])}
      />
      {options.map((o) => (
        <ChoiceIn
          key={`${modelId} ${o.id}`}
          control={control}
          name={`choices.${o.id}`}
          label={o.name}
          first={o.values[0]?.id ?? ''}
          choices={o.values.map((v) => [v.id, v.name])}
        />
      ))}
      <TextIn
        control={control}
        name="quantity"
        label="Instruments"
        type="number"
        rules={{ validate: (v) => (Number.isInteger(Number(v)) && Number(v) > 0) || 'A whole number above zero' }}
      />
      <TextIn control={control} name="customer" label="Customer, or Stock" rules={{ required: 'Say who it is for' }} />
      <TextIn control={control} name="due" label="Due" type="date" rules={{ required: 'Choose a date' }} />
    </FormDialog>
  );
}
