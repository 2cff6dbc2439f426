/** Things to happen, the earliest first; at the same time, in the order they were planned. */
export class EventQueue<T> {
  private readonly heap: { atMs: number; order: number; event: T }[] = [];
  private order = 0;

  get size(): number {
    return this.heap.length;
  }

  add(atMs: number, event: T): void {
    if (!Number.isFinite(atMs)) return;
    this.heap.push({ atMs, order: this.order++, event });
    let i = this.heap.length - 1;
    while (i > 0) {
      const parent = (i - 1) >> 1;
      if (!this.isBefore(i, parent)) break;
      this.swap(i, parent);
      i = parent;
    }
  }

  next(): { atMs: number; event: T } | undefined {
    const first = this.heap[0];
    const last = this.heap.pop();
    if (!first || !last || first === last) return first;
    this.heap[0] = last;
    let i = 0;
    for (;;) {
      const left = 2 * i + 1;
      let least = i;
      if (left < this.heap.length && this.isBefore(left, least)) least = left;
      if (left + 1 < this.heap.length && this.isBefore(left + 1, least)) least = left + 1;
      if (least === i) return first;
      this.swap(i, least);
      i = least;
    }
  }

  private isBefore(i: number, j: number): boolean {
    const a = this.heap[i];
    const b = this.heap[j];
    if (!a || !b) return false;
    return a.atMs < b.atMs || (a.atMs === b.atMs && a.order < b.order);
  }

  private swap(i: number, j: number): void {
    const a = this.heap[i];
    const b = this.heap[j];
    if (a && b) {
      this.heap[i] = b;
      this.heap[j] = a;
    }
  }
}
