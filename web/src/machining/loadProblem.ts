import { addCost, compareCost, costOf, NO_COST, wayAt, type LoadCost, type LoadItem, type LoadProblem } from '@ample-crane/core';
import type { View } from '../ground/api.ts';

/** By machine, what goes on it in which order. */
export type Orders = Readonly<Record<string, readonly string[]>>;

/** The problem as the server told it: what it describes as any object is core's, but for who waits for nothing. */
export function problemIn(loads: View<'LoadsView'>): LoadProblem {
  const { items, machines } = loads.problem as {
    items: readonly (Omit<LoadItem, 'dueMinute'> & { dueMinute?: number })[];
    machines: LoadProblem['machines'];
  };
  return { machines, items: items.map((item) => ({ ...item, dueMinute: item.dueMinute ?? Infinity })) };
}

export const ordersIn = ({ machines }: View<'LoadsView'>): Orders =>
  Object.fromEntries(machines.map((m) => [m.id, m.next.map((n) => n.batchId)]));

/** What an order costs; null where something cannot be done where it stands. */
export function costOfOrders({ items, machines }: LoadProblem, orders: Orders): LoadCost | null {
  const byId = new Map(items.map((item) => [item.id, item]));
  let cost = NO_COST;
  for (const machine of machines) {
    const order = (orders[machine.id] ?? []).flatMap((id) => byId.get(id) ?? []);
    if (order.some((item) => !wayAt(item, machine.id))) return null;
    cost = addCost(cost, costOf(machine, order));
  }
  return cost;
}

/** One order with a batch moved by a place, up or down. */
export function moved(order: readonly string[], batchId: string, by: 1 | -1): string[] {
  const at = order.indexOf(batchId);
  const to = at + by;
  const other = order[to];
  if (at < 0 || other === undefined) return [...order];
  return order.map((id, i) => (i === at ? other : i === to ? batchId : id));
}

const MINUTE_WORTH_TELLING = 0.5;

/** What another plan does better or worse, as one would say it; nothing where they are as good. */
export function differenceInWords(now: LoadCost, other: LoadCost): string {
  const said: string[] = [];
  const late = other.late - now.late;
  const change = other.changeover - now.changeover;
  if (Math.abs(late) > MINUTE_WORTH_TELLING) said.push(`${Math.round(Math.abs(late))} min of work ${late > 0 ? 'more' : 'less'} too late`);
  const others = other.otherWays - now.otherWays;
  if (others !== 0) said.push(`${Math.abs(others)} ${others > 0 ? 'more' : 'fewer'} done another way`);
  if (Math.abs(change) > MINUTE_WORTH_TELLING)
    said.push(`${Math.round(Math.abs(change))} min ${change > 0 ? 'more' : 'less'} of changing over`);
  const part = other.partFilled - now.partFilled;
  if (part !== 0) said.push(`${Math.abs(part)} ${part > 0 ? 'more' : 'fewer'} part-filled loads`);
  return said.join(', ');
}

export const isBetter = (other: LoadCost, now: LoadCost): boolean => compareCost(other, now) < 0;
