import { changeoverMinutes, wayAt, type LoadItem, type LoadMachine, type MachineSetUp } from './problem.ts';

/** What a plan costs. The first figure decides; the next only where those before are equal. */
export interface LoadCost {
  /** minutes that items come off too late, summed */
  late: number;
  /** items that are done another way than their own */
  otherWays: number;
  changeover: number;
  /** loads that go on with places left empty */
  partFilled: number;
}

export const NO_COST: LoadCost = { late: 0, otherWays: 0, changeover: 0, partFilled: 0 };

const EQUAL_MINUTES = 1e-6;

/** Below zero where the first is better. */
export function compareCost(a: LoadCost, b: LoadCost): number {
  if (Math.abs(a.late - b.late) > EQUAL_MINUTES) return a.late - b.late;
  if (a.otherWays !== b.otherWays) return a.otherWays - b.otherWays;
  if (Math.abs(a.changeover - b.changeover) > EQUAL_MINUTES) return a.changeover - b.changeover;
  return a.partFilled - b.partFilled;
}

export const addCost = (a: LoadCost, b: LoadCost): LoadCost => ({
  late: a.late + b.late,
  otherWays: a.otherWays + b.otherWays,
  changeover: a.changeover + b.changeover,
  partFilled: a.partFilled + b.partFilled,
});

/** One item as it is done at a machine. */
export interface Done {
  item: LoadItem;
  /** when its first load is laid on, and when its last comes off, in minutes of work from now */
  beginMinute: number;
  endMinute: number;
  /** setting up before it */
  changeover: number;
  /** how many of it go on with the last load of the one before, in places that were left */
  joining: number;
  /** loads of its own */
  loads: number;
  /** places that the last of them leaves empty, before anything joins it */
  empty: number;
}

/** A machine as it goes from one item to the next; what the last of them took stands in its fields. */
class Going {
  private places = 0;
  private onMinute = -Infinity;
  beginMinute = 0;
  endMinute: number;
  changeover = 0;
  joining = 0;
  loads = 0;
  empty = 0;
  isOther = false;

  constructor(
    private readonly machineId: string,
    freeMinute: number,
    private setUp: MachineSetUp | null,
  ) {
    this.endMinute = freeMinute;
  }

  /** @throws RangeError when the item cannot be done there */
  do(item: LoadItem): void {
    const way = wayAt(item, this.machineId);
    if (!way) throw new RangeError(`${item.id} cannot be done at ${this.machineId}`);
    const { setUp, piecesALoad, minutesALoad } = way;
    this.joining = this.setUp?.program === setUp.program && item.readyMinute <= this.onMinute ? Math.min(this.places, item.pieces) : 0;
    const rest = item.pieces - this.joining;
    this.loads = Math.ceil(rest / piecesALoad);
    this.changeover = changeoverMinutes(this.setUp, setUp);
    const firstMinute = Math.max(this.endMinute + this.changeover, item.readyMinute);
    this.beginMinute = this.joining > 0 ? this.onMinute : firstMinute;
    if (this.loads > 0) {
      this.endMinute = firstMinute + this.loads * minutesALoad;
      this.onMinute = this.endMinute - minutesALoad;
      this.places = this.loads * piecesALoad - rest;
    } else this.places -= this.joining;
    this.empty = this.loads > 0 ? this.places : 0;
    this.setUp = setUp;
    this.isOther = way.isOther === true;
  }
}

type Standing = Pick<LoadMachine, 'id' | 'freeMinute' | 'left'>;

/**
 * Does items one after the other at a machine. Pieces of the same program that follow each other share loads: what comes
 * next takes the places that the one before leaves empty, where it is there in time.
 *
 * @throws RangeError when an item cannot be done there
 */
export function doInOrder({ id, freeMinute, left }: Standing, items: readonly LoadItem[]): Done[] {
  const going = new Going(id, freeMinute, left);
  return items.map((item) => {
    going.do(item);
    const { beginMinute, endMinute, changeover, joining, loads, empty } = going;
    return { item, beginMinute, endMinute, changeover, joining, loads, empty };
  });
}

/** What doing items in an order costs at a machine. @throws RangeError when one of them cannot be done there */
export function costOf({ id, freeMinute, left }: Standing, items: readonly LoadItem[]): LoadCost {
  const going = new Going(id, freeMinute, left);
  let [late, otherWays, changeover, partFilled, open] = [0, 0, 0, 0, 0];
  for (const item of items) {
    going.do(item);
    late += Math.max(0, going.endMinute - item.dueMinute);
    changeover += going.changeover;
    if (going.isOther) otherWays++;
    open -= going.joining;
    if (going.loads === 0) continue;
    if (open > 0) partFilled++;
    open = going.empty;
  }
  return { late, otherWays, changeover, partFilled: partFilled + (open > 0 ? 1 : 0) };
}
