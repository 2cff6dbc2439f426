import { counted } from '../../units/index.ts';
import { addCost, costOf, doInOrder, NO_COST, type Done, type LoadCost } from './cost.ts';
import { wayAt, type LoadItem, type LoadMachine, type LoadProblem, type LoadSequences } from './problem.ts';

/** What a plan does better than taking what is due first. */
export interface LoadGain {
  changeovers: number;
  changeoverMinutes: number;
  /** minutes that come off too late less than they would */
  lateMinutes: number;
  partFilled: number;
}

/** What is due first goes first, wherever it is done soonest: what people do who do not plan. */
export function dueFirst({ items, machines }: LoadProblem): LoadSequences {
  const orders = new Map<string, LoadItem[]>(machines.map((m) => [m.id, []]));
  for (const item of [...items].sort((a, b) => a.dueMinute - b.dueMinute || (a.id < b.id ? -1 : 1))) {
    const [soonest] = machines
      .flatMap((m) => (wayAt(item, m.id) ? [{ m, end: doInOrder(m, [...(orders.get(m.id) ?? []), item]).at(-1)?.endMinute ?? 0 }] : []))
      .sort((a, b) => a.end - b.end);
    if (soonest) orders.get(soonest.m.id)?.push(item);
  }
  return orders;
}

export const costOfAll = (machines: readonly LoadMachine[], sequences: LoadSequences): LoadCost =>
  machines.reduce((sum, m) => addCost(sum, costOf(m, sequences.get(m.id) ?? [])), NO_COST);

const changeoversIn = (machines: readonly LoadMachine[], sequences: LoadSequences): number =>
  machines.reduce((sum, m) => sum + doInOrder(m, sequences.get(m.id) ?? []).filter((d) => d.changeover > 0).length, 0);

/** What a plan saves against taking what is due first. */
export function gainOf(problem: LoadProblem, sequences: LoadSequences): LoadGain {
  const { machines } = problem;
  const plain = dueFirst(problem);
  const [then, now] = [costOfAll(machines, plain), costOfAll(machines, sequences)];
  return {
    changeovers: changeoversIn(machines, plain) - changeoversIn(machines, sequences),
    changeoverMinutes: then.changeover - now.changeover,
    lateMinutes: then.late - now.late,
    partFilled: then.partFilled - now.partFilled,
  };
}

/** Why an item stands where it stands, as one would say it at the machine. */
export function loadReason(done: Done, before: Done | undefined, machine: LoadMachine): string {
  const { item, changeover, joining, endMinute } = done;
  const way = wayAt(item, machine.id);
  const said: string[] = [];
  if (machine.pinned.includes(item.id)) said.push('put here by hand');
  if (joining > 0 && before)
    said.push(`${counted(joining, 'piece')} ${joining === 1 ? 'takes' : 'take'} the places that ${before.item.id} leaves`);
  if (changeover === 0 && way) said.push(`kept on: saves ${Math.round(way.setUp.minutes)} min of changing over`);
  if (changeover > 0) said.push(`${Math.round(changeover)} min to change over`);
  if (endMinute > item.dueMinute) said.push(`late by ${Math.round(endMinute - item.dueMinute)} min of work`);
  return said.join('; ');
}
