import type { Random } from '../../maths/index.ts';
import { dueFirst } from './explainLoads.ts';
import { addCost, compareCost, costOf, NO_COST, type LoadCost } from './cost.ts';
import { wayAt, type LoadItem, type LoadMachine, type LoadProblem, type LoadSequences } from './problem.ts';

export interface LoadPlan {
  sequences: LoadSequences;
  cost: LoadCost;
  /** items that no machine here can do */
  impossible: readonly LoadItem[];
}

interface Options {
  random: Random;
  /** how often it is shaken up and put right again, after the first plan */
  rounds: number;
  /** told after each round how many are done; false ends it there */
  onRound?: (done: number, best: LoadPlan) => boolean;
}

/** Of a plan that is shaken up, how many items are taken out at a time, at least and of all. */
const SHAKEN_LEAST = 2;
const SHAKEN_SHARE = 0.15;
const FEW = 12;
const SHAKEN_OF_FEW = 0.6;
/** Of those, how many are put anywhere rather than where they cost least. */
const ANYWHERE = 0.3;
const WORSE_TAKEN = 0.2;
/** After so many rounds it goes on from the best again. */
const ROUNDS_ASTRAY = 8;

/** What is done at each machine, changed in place while better is looked for. */
class Plan {
  private readonly orders: Map<string, LoadItem[]>;
  private readonly costs: Map<string, LoadCost>;

  constructor(
    private readonly machines: readonly LoadMachine[],
    from?: LoadSequences,
  ) {
    this.orders = new Map(machines.map((m) => [m.id, [...(from?.get(m.id) ?? [])]]));
    this.costs = new Map(machines.map((m) => [m.id, costOf(m, this.order(m))]));
  }

  get cost(): LoadCost {
    return [...this.costs.values()].reduce(addCost, NO_COST);
  }

  get sequences(): LoadSequences {
    return new Map([...this.orders].map(([id, order]) => [id, [...order]]));
  }

  /** Puts an item where it costs least. @returns whether any machine can do it */
  putBest(item: LoadItem): boolean {
    let best: { machine: LoadMachine; at: number; more: LoadCost } | undefined;
    for (const machine of this.machines) {
      if (!wayAt(item, machine.id)) continue;
      const order = this.order(machine);
      const before = this.costAt(machine);
      const first = pinnedIn(machine, order, item);
      // From the back: of places that cost the same, whatever is due later takes the later one.
      for (let at = machine.pinned.includes(item.id) ? first : order.length; at >= first; at--) {
        const more = less(costOf(machine, inserted(order, at, item)), before);
        if (!best || compareCost(more, best.more) < 0) best = { machine, at, more };
      }
    }
    if (best) this.set(best.machine, inserted(this.order(best.machine), best.at, item));
    return best !== undefined;
  }

  /** Puts an item anywhere that it can be done. */
  putAnywhere(item: LoadItem, random: Random): void {
    const able = this.machines.filter((m) => wayAt(item, m.id));
    if (able.length === 0) return;
    const machine = random.pick(able);
    const order = this.order(machine);
    this.set(machine, inserted(order, random.integer(pinnedIn(machine, order, item), order.length), item));
  }

  /** Takes an item out, wherever it is. */
  takeOut(item: LoadItem): void {
    for (const machine of this.machines) {
      const order = this.order(machine);
      if (order.includes(item))
        this.set(
          machine,
          order.filter((i) => i !== item),
        );
    }
  }

  /** Moves each item, and each run of one program, to where it costs least, until nothing is better. */
  settle(items: readonly LoadItem[]): void {
    for (let isBetter = true; isBetter;) {
      isBetter = false;
      for (const item of items) {
        const before = this.cost;
        const kept = this.sequences;
        this.takeOut(item);
        this.putBest(item);
        if (compareCost(this.cost, before) < 0) isBetter = true;
        else this.restore(kept);
      }
      if (this.moveRuns()) isBetter = true;
    }
  }

  /** Moves whole runs of one program along their machine, or to another. @returns whether anything became better */
  private moveRuns(): boolean {
    let isBetter = false;
    for (const machine of this.machines)
      for (const run of runsOf(machine, this.order(machine))) {
        const before = this.cost;
        const kept = this.sequences;
        const rest = this.order(machine).filter((item) => !run.includes(item));
        let best: LoadSequences | undefined;
        let least = before;
        for (const other of this.machines) {
          if (!run.every((item) => wayAt(item, other.id))) continue;
          const order = other.id === machine.id ? rest : this.order(other);
          for (let at = pinnedCount(other, order); at <= order.length; at++) {
            this.set(machine, rest);
            this.set(other, [...order.slice(0, at), ...run, ...order.slice(at)]);
            if (compareCost(this.cost, least) < 0) [best, least] = [this.sequences, this.cost];
            this.restore(kept);
          }
        }
        if (!best) continue;
        this.restore(best);
        isBetter = true;
        break;
      }
    return isBetter;
  }

  private restore(kept: LoadSequences): void {
    for (const machine of this.machines) {
      const [now, before] = [this.order(machine), kept.get(machine.id) ?? []];
      if (now.length !== before.length || now.some((item, i) => item !== before[i])) this.set(machine, [...before]);
    }
  }

  private set(machine: LoadMachine, order: LoadItem[]): void {
    this.orders.set(machine.id, order);
    this.costs.set(machine.id, costOf(machine, order));
  }

  private order({ id }: LoadMachine): LoadItem[] {
    return this.orders.get(id) ?? [];
  }

  private costAt({ id }: LoadMachine): LoadCost {
    return this.costs.get(id) ?? NO_COST;
  }
}

const less = (a: LoadCost, b: LoadCost): LoadCost => ({
  late: a.late - b.late,
  otherWays: a.otherWays - b.otherWays,
  changeover: a.changeover - b.changeover,
  partFilled: a.partFilled - b.partFilled,
});
const inserted = (order: readonly LoadItem[], at: number, item: LoadItem): LoadItem[] => [...order.slice(0, at), item, ...order.slice(at)];

/** How many of an order were pinned, and stay first. */
const pinnedCount = ({ pinned }: LoadMachine, order: readonly LoadItem[]): number =>
  order.filter((item) => pinned.includes(item.id)).length;
/** From which place on an item may be put: a pinned one where it was pinned, another behind those. */
const pinnedIn = (machine: LoadMachine, order: readonly LoadItem[], item: LoadItem): number =>
  machine.pinned.includes(item.id)
    ? order.filter((o) => machine.pinned.includes(o.id) && machine.pinned.indexOf(o.id) < machine.pinned.indexOf(item.id)).length
    : pinnedCount(machine, order);

/** Items of one program that follow each other, where there are several; what is pinned is in none. */
function runsOf(machine: LoadMachine, order: readonly LoadItem[]): LoadItem[][] {
  const runs: LoadItem[][] = [];
  let program: string | undefined;
  for (const item of order.slice(pinnedCount(machine, order))) {
    const own = wayAt(item, machine.id)?.setUp.program;
    const run = runs.at(-1);
    if (run && own === program) run.push(item);
    else runs.push([item]);
    program = own;
  }
  return runs.filter((run) => run.length > 1);
}

const isPinned = (item: LoadItem, machines: readonly LoadMachine[]): boolean =>
  machines.some((m) => m.pinned.includes(item.id) && wayAt(item, m.id) !== undefined);

/** What is pinned can go to its machine alone. */
const held = (item: LoadItem, machines: readonly LoadMachine[]): LoadItem => {
  const machine = machines.find((m) => m.pinned.includes(item.id) && wayAt(item, m.id) !== undefined);
  return machine ? { ...item, ways: item.ways.filter((w) => w.machineId === machine.id) } : item;
};

/**
 * Which loads go on which machine, and in which order: so that as little as can be comes off too late, then with as few
 * items done another way than their own, then with as few minutes of changing over, then with as few part-filled loads. What a person pinned stays first.
 *
 * The first plan puts what is due first where it costs least, and moves items and runs until nothing is better. Each
 * round after that takes some out, puts them back otherwise and settles again; what is not better is forgotten.
 *
 * @throws RangeError for a machine or an item that is there twice
 */
export function planLoads({ items, machines }: LoadProblem, { random, rounds, onRound = () => true }: Options): LoadPlan {
  for (const ids of [items.map((i) => i.id), machines.map((m) => m.id)])
    if (new Set(ids).size !== ids.length) throw new RangeError('Something is there twice');
  const known = items.map((item) => held(item, machines));
  const possible = known.filter((item) => item.ways.some((w) => machines.some((m) => m.id === w.machineId)));
  const impossible = known.filter((item) => !possible.includes(item));
  const pinned = possible.filter((item) => isPinned(item, machines));
  const free = possible.filter((item) => !isPinned(item, machines));
  const byDue = [...free].sort((a, b) => a.dueMinute - b.dueMinute || (a.id < b.id ? -1 : 1));
  const settled = (plan: Plan): Plan => {
    plan.settle(byDue);
    return plan;
  };
  const byItem = new Plan(machines);
  for (const item of [...pinned, ...byDue]) byItem.putBest(item);
  const first = [settled(byItem)];
  if (pinned.length === 0) first.push(settled(new Plan(machines, dueFirst({ items: possible, machines }))));
  const [start = byItem] = first.sort((a, b) => compareCost(a.cost, b.cost));
  const told = (plan: Plan): LoadPlan => ({ sequences: plan.sequences, cost: plan.cost, impossible });
  let best = told(start);
  let now = start.sequences;
  for (let round = 1; round <= rounds; round++) {
    const next = new Plan(machines, now);
    const most = Math.max(SHAKEN_LEAST, Math.round(free.length * (free.length <= FEW ? SHAKEN_OF_FEW : SHAKEN_SHARE)));
    const out = shuffled(free, random).slice(0, random.integer(SHAKEN_LEAST, most));
    for (const item of out) next.takeOut(item);
    for (const item of out)
      if (random.chance(ANYWHERE)) next.putAnywhere(item, random);
      else next.putBest(item);
    next.settle(byDue);
    const [isBest, isBetter] = [compareCost(next.cost, best.cost) < 0, compareCost(next.cost, start.cost) <= 0];
    if (isBest) best = told(next);
    // What is worse is gone on from now and then: the way to better may lead through it.
    if (isBest || isBetter || random.chance(WORSE_TAKEN)) now = next.sequences;
    else if (round % ROUNDS_ASTRAY === 0) now = best.sequences;
    if (!onRound(round, best)) break;
  }
  return best;
}

function shuffled<T>(all: readonly T[], random: Random): T[] {
  const mixed = [...all];
  for (let i = mixed.length - 1; i > 0; i--) {
    const j = random.integer(0, i);
    const [a, b] = [mixed[i], mixed[j]];
    if (a !== undefined && b !== undefined) [mixed[i], mixed[j]] = [b, a];
  }
  return mixed;
}
