import type { Board, BoardPlan, CuttingSettings, WantedBlank } from '@ample-crane/core';
import { askWorker, type Searched } from '../ground/askWorker.ts';

export interface CutsAsked {
  boards: readonly Board[];
  wanted: readonly WantedBlank[];
  settings: CuttingSettings;
  /** how long to go on looking for better */
  forMs: number;
}

export interface CutsFound extends Searched {
  /** a plan better than those before; null while there is none */
  plans: BoardPlan[] | null;
}

/** Plans cuts in a worker, which tells every better plan it comes upon. @returns ends the search */
export const planInWorker = (asked: CutsAsked, onFound: (found: CutsFound) => void, onError: (error: Error) => void): (() => void) =>
  askWorker(new Worker(new URL('./cutting.worker.ts', import.meta.url), { type: 'module' }), asked, onFound, onError);
