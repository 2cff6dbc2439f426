import { planCutting } from '@ample-crane/core';
import type { Planned, PlanQuestion } from './planInWorker.ts';

// The planner works off the page's own thread, so that the page stays alive meanwhile.
const scope = self as unknown as { onmessage: (event: MessageEvent<PlanQuestion>) => void; postMessage(answer: Planned): void };

scope.onmessage = ({ data: { id, boards, wanted, settings } }) => {
  const { boards: plans } = planCutting(boards, wanted, settings);
  scope.postMessage({ id, plans: plans.map(({ boardId, placed }) => ({ boardId, placed: [...placed] })) });
};
