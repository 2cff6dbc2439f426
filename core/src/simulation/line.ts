/** Who is before whom: below zero where the first is. */
export type Policy<Waiting> = (a: Waiting, b: Waiting) => number;

/** What waits for the same thing, in the order of a policy; of equals, whoever came first. */
export class Line<Waiting> {
  private readonly items: Waiting[] = [];

  constructor(private readonly policy: Policy<Waiting>) {}

  get length(): number {
    return this.items.length;
  }

  add(item: Waiting): void {
    let at = this.items.length;
    // Most come last.
    for (; at > 0; at--) {
      const before = this.items[at - 1];
      if (before === undefined || this.policy(before, item) <= 0) break;
    }
    if (at === this.items.length) this.items.push(item);
    else this.items.splice(at, 0, item);
  }

  /** Takes out the first that can be taken; undefined when none can. */
  take(canBe: (item: Waiting) => boolean): Waiting | undefined {
    for (let i = 0; i < this.items.length; i++) {
      const item = this.items[i];
      if (item === undefined || !canBe(item)) continue;
      if (i === 0) this.items.shift();
      else this.items.splice(i, 1);
      return item;
    }
    return undefined;
  }
}
