import type { LoadCost, LoadProblem } from '@ample-crane/core';

export interface LoadsAsked {
  problem: LoadProblem;
  /** how long to go on looking for better */
  forMs: number;
  seed: number;
}

export interface LoadsFound {
  /** of the time there is, how much is gone; 1 when the planner has ended */
  share: number;
  rounds: number;
  cost: LoadCost;
  /** the best order for each machine, at the end */
  orders: Readonly<Record<string, readonly string[]>> | null;
}

/**
 * Looks for a better plan of loads in a worker, until its time is over.
 *
 * @returns ends the search; nothing is told any more after it
 */
export function loadsInWorker(asked: LoadsAsked, onFound: (found: LoadsFound) => void, onError: (error: Error) => void): () => void {
  const worker = new Worker(new URL('./loads.worker.ts', import.meta.url), { type: 'module' });
  worker.addEventListener('message', ({ data }: MessageEvent<LoadsFound>) => {
    if (data.share >= 1) worker.terminate();
    onFound(data);
  });
  worker.addEventListener('error', (event) => {
    worker.terminate();
    onError(new Error(event.message));
  });
  worker.postMessage(asked);
  return () => worker.terminate();
}
