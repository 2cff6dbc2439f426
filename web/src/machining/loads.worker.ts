import { planLoads, seededRandom } from '@ample-crane/core';
import type { LoadsAsked, LoadsFound } from './loadsInWorker.ts';

// The planner works off the page's own thread, so that the page stays alive meanwhile.
const scope = self as unknown as { onmessage: (event: MessageEvent<LoadsAsked>) => void; postMessage(answer: LoadsFound): void };

/** Told so often that a bar seems to move. */
const TELL_EVERY_MS = 120;

scope.onmessage = ({ data: { problem, forMs, seed } }) => {
  const began = performance.now();
  let toldMs = began;
  const share = () => Math.min(1, (performance.now() - began) / forMs);
  const { sequences, cost } = planLoads(problem, {
    random: seededRandom(seed),
    rounds: Number.MAX_SAFE_INTEGER,
    onRound: (rounds, best) => {
      const nowMs = performance.now();
      if (nowMs - toldMs > TELL_EVERY_MS) {
        toldMs = nowMs;
        scope.postMessage({ share: Math.min(0.99, share()), rounds, cost: best.cost, orders: null });
      }
      return share() < 1;
    },
  });
  const orders = Object.fromEntries([...sequences].map(([id, items]) => [id, items.map((item) => item.id)]));
  scope.postMessage({ share: 1, rounds: 0, cost, orders });
};
