import { CountKits } from '@ample-crane/core';
import type { Mover } from './mover.ts';

/** Sets of each kit that came in, where a batch wants more. */
const SETS_IN = 5;

/** This morning's delivery: kits are counted from now on, and there are fewer than a batch takes. */
export function countKits(mover: Mover, atMs: number): void {
  for (const { kind, what, modelId } of mover.factory.setUp.prerequisites)
    if (kind === 'kit') mover.give(CountKits, { what, modelId, sets: SETS_IN, before: null, note: '3 more are on order' }, atMs, null);
}
