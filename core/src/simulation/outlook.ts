import { quantile, seededRandom } from '../maths/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { FloorNow } from './floorNow.ts';

/** When an order's work now on the floor will have been shipped, by many runs. */
export interface OrderOutlook {
  orderId: string;
  /** half of the runs are done by then, and 85 % of them */
  p50Ms: number;
  p85Ms: number;
  /** pieces shipped, on average */
  pieces: number;
}

export interface StationOutlook {
  code: string;
  /** mean wait before work is begun, over all runs */
  waitMs: number;
  begun: number;
}

export interface Outlook {
  orders: OrderOutlook[];
  stations: StationOutlook[];
  runs: number;
  events: number;
}

/**
 * Runs a floor forward many times, each with its own chances.
 *
 * @param days how far ahead at most; what is not shipped by then is not told
 * @param seed the same seed gives the same outlook
 */
export function outlook(now: FloorNow, { runs, days, seed }: { runs: number; days: number; seed: number }): Outlook {
  const orders = new Map<string, { lastMs: number[]; pieces: number }>();
  const waits = now.model.stations.map(({ code }) => ({ code, waitMs: 0, begun: 0 }));
  let events = 0;
  for (let i = 0; i < runs; i++) {
    const shipped = new Map<string, { lastMs: number; pieces: number }>();
    const run = now.run(seededRandom(seed).fork(`run ${i}`), {
      began(_, station, waitedMs) {
        const at = waits[station];
        if (!at) return;
        at.waitMs += waitedMs;
        at.begun += 1;
      },
      left({ orderId, pieces }, atMs) {
        if (orderId === null) return;
        shipped.set(orderId, { lastMs: atMs, pieces: (shipped.get(orderId)?.pieces ?? 0) + pieces });
      },
    });
    run.run(now.nowMs + days * DAY_MS);
    events += run.happened;
    for (const [orderId, { lastMs, pieces }] of shipped) {
      const known = orders.get(orderId) ?? { lastMs: [], pieces: 0 };
      known.lastMs.push(lastMs);
      orders.set(orderId, { lastMs: known.lastMs, pieces: known.pieces + pieces });
    }
  }
  return {
    orders: [...orders].map(([orderId, { lastMs, pieces }]) => ({
      orderId,
      p50Ms: quantile(lastMs, 0.5),
      p85Ms: quantile(lastMs, 0.85),
      pieces: pieces / lastMs.length,
    })),
    stations: waits.map(({ code, waitMs, begun }) => ({ code, waitMs: begun === 0 ? 0 : waitMs / begun, begun: begun / runs })),
    runs,
    events,
  };
}
