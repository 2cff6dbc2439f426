import { asked, commandKind, NOT_ANSWERED, refuse, wrongInput, type Decided, type Decision } from '../ledger/index.ts';
import { NextNumber, withDefaults, type Route } from '../routing/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { OrderPlaced } from './orderPlaced.ts';

export interface PlaceOrderRequest {
  modelId: string;
  quantity: number;
  customer: string;
  dueMs: number;
  choices?: Readonly<Record<string, string>>;
}

/** What an order asks of the factory. */
export interface OrderBook {
  routeInForce(modelId: string, atMs: number): Route | undefined;
  model(id: string): { id: string; name: string } | undefined;
}

/** Orders are numbered from here on. */
const FIRST_ORDER = 1001;

export const PlaceOrder = commandKind('place order')<PlaceOrderRequest, OrderBook>({
  role: 'manager',
  concerns: () => ({ about: [] }),
  asks: () => [asked(NextNumber, { of: 'customer_order' })],
  decide({ choices = {}, ...request }, { factory, answers, nowMs }): Decision<Decided<typeof OrderPlaced>> {
    const model = factory.model(request.modelId);
    if (!model) return wrongInput('modelId', `There is no model ${request.modelId}`);
    const inForce = factory.routeInForce(model.id, nowMs);
    if (!inForce) return wrongInput('modelId', `${model.name} has no route in force yet: release one in Setup`);
    if (!inForce.operations.some((o) => o.kind === 'dispatch'))
      return wrongInput('modelId', `${model.name} are small parts, made ahead and not sold`);
    if (request.dueMs < nowMs - DAY_MS) return wrongInput('dueMs', 'The due date has passed');
    const options = inForce.options ?? [];
    for (const [id, value] of Object.entries(choices)) {
      const option = options.find((o) => o.id === id);
      if (!option) return wrongInput('choices', `This model has no option "${id}"`);
      if (!option.values.some((v) => v.id === value)) return wrongInput('choices', `${option.name} cannot be "${value}"`);
    }
    const next = answers.to(NextNumber, { of: 'customer_order' });
    if (next === NOT_ANSWERED) return refuse('No order number is free');
    const number = Math.max(FIRST_ORDER, next);
    const order = { ...request, choices: withDefaults(options, choices), id: `O${number}`, number };
    return { kind: 'accept', entries: [{ kind: 'order.placed', payload: { order } }] };
  },
});
