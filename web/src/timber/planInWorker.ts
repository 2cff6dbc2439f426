import type { Board, BoardPlan, CuttingSettings, WantedBlank } from '@ample-crane/core';

export interface CutsAsked {
  boards: readonly Board[];
  wanted: readonly WantedBlank[];
  settings: CuttingSettings;
  /** how long to go on looking for better */
  forMs: number;
}

export interface CutsFound {
  /** of the time there is, how much is gone; 1 when the planner has ended */
  share: number;
  /** a plan better than those before; null while there is none */
  plans: BoardPlan[] | null;
}

/**
 * Plans cuts in a worker, which tells every better plan it comes upon until its time is over.
 *
 * @returns ends the search; nothing is told any more after it
 */
export function planInWorker(asked: CutsAsked, onFound: (found: CutsFound) => void, onError: (error: Error) => void): () => void {
  const worker = new Worker(new URL('./cutting.worker.ts', import.meta.url), { type: 'module' });
  worker.addEventListener('message', ({ data }: MessageEvent<CutsFound>) => {
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
