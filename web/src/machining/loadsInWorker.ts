import type { LoadCost, LoadProblem } from '@ample-crane/core';
import { askWorker, type Searched } from '../ground/askWorker.ts';

export interface LoadsAsked {
  problem: LoadProblem;
  /** how long to go on looking for better */
  forMs: number;
  seed: number;
}

export interface LoadsFound extends Searched {
  rounds: number;
  cost: LoadCost;
  /** the best order for each machine, at the end */
  orders: Readonly<Record<string, readonly string[]>> | null;
}

/** Looks for a better plan of loads in a worker. @returns ends the search */
export const loadsInWorker = (asked: LoadsAsked, onFound: (found: LoadsFound) => void, onError: (error: Error) => void): (() => void) =>
  askWorker(new Worker(new URL('./loads.worker.ts', import.meta.url), { type: 'module' }), asked, onFound, onError);
