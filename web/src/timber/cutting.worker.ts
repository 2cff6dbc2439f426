import { CutPlanner } from '@ample-crane/core';
import type { CutsFound, CutsAsked } from './planInWorker.ts';

// The planner works off the page's own thread, so that the page stays alive meanwhile.
const scope = self as unknown as { onmessage: (event: MessageEvent<CutsAsked>) => void; postMessage(answer: CutsFound): void };

/** Cuts looked at between two looks at the clock: about a tenth of a second. */
const STRETCH = 2e7;

scope.onmessage = ({ data: { boards, wanted, settings, forMs } }) => {
  const began = performance.now();
  const planner = new CutPlanner(boards, wanted, settings);
  const tell = (better: boolean) => {
    const share = planner.finished ? 1 : Math.min(1, (performance.now() - began) / forMs);
    const plans = better ? planner.plan.boards.map(({ boardId, placed }) => ({ boardId, placed: [...placed] })) : null;
    scope.postMessage({ share, plans });
    return share < 1;
  };
  let on = tell(true);
  while (on) on = tell(planner.improve(STRETCH));
};
