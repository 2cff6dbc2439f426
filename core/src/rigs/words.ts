import type { PieceInRig } from '../carriers/index.ts';

/** "1 piece", "6 pieces" */
export const counted = (pieces: number): string => `${pieces} ${pieces === 1 ? 'piece' : 'pieces'}`;

/** "B12 (8), B15 (4)" */
export function batchesIn(there: readonly Pick<PieceInRig, 'batchId'>[]): string {
  const counts = new Map<string, number>();
  for (const { batchId } of there) counts.set(batchId, (counts.get(batchId) ?? 0) + 1);
  return [...counts].map(([batchId, pieces]) => `${batchId} (${pieces})`).join(', ');
}
