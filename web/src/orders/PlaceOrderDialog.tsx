import { Typography } from '@mui/material';
import dayjs from 'dayjs';
import { useForm } from 'react-hook-form';
import { ask, client, type View } from '../ground/api.ts';
import { useCommand, useOrderOutlook, useSetup } from '../ground/queries.ts';
import { useSession } from '../ground/session.tsx';
import { Figure } from '../parts/Answer.tsx';
import { DayIn } from '../parts/DayIn.tsx';
import { ErrorNote } from '../parts/ErrorNote.tsx';
import { ChoiceIn, TextIn, useTyped } from '../parts/fields.tsx';
import { FormDialog } from '../parts/FormDialog.tsx';
import { formatMoney } from '../parts/money.ts';
import { DerivedRoute, Extra } from './OrderDrawer.tsx';

interface Fields {
  modelId: string;
  quantity: string;
  customer: string;
  due: string;
  /** by option */
  choices: Record<string, string>;
}

const USUAL_LEAD_DAYS = 60;
const MOST = 400;

/** An order goes into the book; starting its batches is the next thing to do. */
export function PlaceOrderDialog({ onClose, onPlaced }: { onClose: () => void; onPlaced: (id: string) => void }) {
  const setup = useSetup();
  const { nowMs, session, date } = useSession();
  const dueMsOf = (day: string) => dayjs.tz(`${day}T15:00`, session.timeZone).valueOf();
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
  const typed = useTyped(control);
  const { modelId } = typed;
  const options = models.find((m) => m.id === modelId)?.options ?? [];
  // Only what this model offers: another may have been chosen in between.
  const choicesOf = (f: Pick<Fields, 'choices'>) =>
    Object.fromEntries(options.map((o) => [o.id, f.choices[o.id] ?? o.values[0]?.id ?? '']));
  const currency = setup.data?.house.currency ?? 'EUR';
  const priced = ({ name, extraPrice }: View<'OptionValueView'>) =>
    extraPrice === 0 ? name : `${name}, ${formatMoney(extraPrice, currency)} more`;
  const quantity = Number(typed.quantity);
  const asked = modelId !== '' && Number.isInteger(quantity) && quantity > 0 && quantity <= MOST;
  const outlook = useOrderOutlook(asked ? { modelId, quantity, choices: JSON.stringify(choicesOf(typed)) } : null);
  const submit = (f: Fields) =>
    place.mutate({
      modelId: f.modelId,
      quantity: Number(f.quantity),
      customer: f.customer,
      choices: choicesOf(f),
      dueMs: dueMsOf(f.due),
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
          choices={o.values.map((v) => [v.id, priced(v)])}
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
      <DayIn control={control} name="due" label="Due" rules={{ required: 'Choose a date' }} />
      {asked && outlook.error && <ErrorNote error={outlook.error} />}
      {asked && outlook.data && (
        <>
          <Typography role="status">
            Begun now, it can be ready on <Figure>{date(outlook.data.earliestMs)}</Figure> at the earliest, by work and waits alone
            {typed.due !== '' && outlook.data.earliestMs > dueMsOf(typed.due) ? ': after the date you typed.' : '.'}
            {outlook.data.extraPrice > 0 && ' Its options'}
            {outlook.data.extraPrice > 0 && <Extra order={{ extraPrice: outlook.data.extraPrice, quantity }} />}
          </Typography>
          <DerivedRoute order={{ ...outlook.data, modelId, quantity }} />
        </>
      )}
    </FormDialog>
  );
}
