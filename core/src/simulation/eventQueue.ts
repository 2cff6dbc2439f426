import TinyQueue from 'tinyqueue';

interface Planned<T> {
  atMs: number;
  order: number;
  event: T;
}

/** Things to happen, the earliest first; at the same time, in the order they were planned. */
export class EventQueue<T> {
  private readonly queue = new TinyQueue<Planned<T>>([], (a, b) => a.atMs - b.atMs || a.order - b.order);
  private order = 0;

  get size(): number {
    return this.queue.length;
  }

  /** When the next happens; Infinity when nothing is planned. */
  get nextMs(): number {
    return this.queue.peek()?.atMs ?? Infinity;
  }

  /** What would never happen is not planned. */
  add(atMs: number, event: T): void {
    if (Number.isFinite(atMs)) this.queue.push({ atMs, order: this.order++, event });
  }

  next(): { atMs: number; event: T } | undefined {
    return this.queue.pop();
  }
}
