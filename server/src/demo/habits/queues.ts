import { type Batch, type Way, waysOf } from '@ample-crane/core';
import type { Mover } from './mover.ts';

/** Batches in a queue from which on another way is taken. */
const LONG_QUEUE = 1;

/** What waits to be worked on, station by station. */
export class Queues {
  private readonly batches = new Map<string, string[]>();

  constructor(private readonly mover: Mover) {}

  join({ id, stationCode }: Batch): void {
    const queue = this.batches.get(stationCode) ?? [];
    queue.push(id);
    this.batches.set(stationCode, queue);
  }

  leave({ id, stationCode }: Batch): void {
    const queue = this.batches.get(stationCode);
    queue?.splice(queue.indexOf(id), 1);
  }

  /** What could be done at a station, the most urgent first, with the way it would be done there. */
  at(stationCode: string): { batchId: string; way: Way }[] {
    const found: { batchId: string; way: Way; dueMs: number }[] = [];
    for (const [code, queue] of this.batches)
      for (const batchId of queue) {
        // Another way is taken only where the usual one has a queue.
        if (code !== stationCode && queue.length <= LONG_QUEUE) continue;
        const batch = this.mover.batch(batchId);
        const way = waysOf(this.mover.operation(batch)).find((w) => w.stationCode === stationCode);
        if (way) found.push({ batchId, way, dueMs: batch.dueMs ?? Infinity });
      }
    return found.sort((a, b) => a.dueMs - b.dueMs);
  }
}
