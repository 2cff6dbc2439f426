import type { Board, BoardPlan, CuttingSettings, WantedBlank } from '@ample-crane/core';

export interface PlanQuestion {
  id: number;
  boards: readonly Board[];
  wanted: readonly WantedBlank[];
  settings: CuttingSettings;
}

export interface Planned {
  id: number;
  plans: BoardPlan[];
}

let worker: Worker | undefined;
let last = 0;

/** Plans cuts in a worker; only the latest question is answered. */
export function planInWorker(question: Omit<PlanQuestion, 'id'>): Promise<BoardPlan[]> {
  worker?.terminate();
  const running = new Worker(new URL('./cutting.worker.ts', import.meta.url), { type: 'module' });
  worker = running;
  const id = ++last;
  return new Promise((resolve, reject) => {
    running.addEventListener('message', ({ data }: MessageEvent<Planned>) => {
      running.terminate();
      if (data.id === id) resolve(data.plans);
    });
    running.addEventListener('error', (event) => reject(new Error(event.message)));
    running.postMessage({ ...question, id });
  });
}
