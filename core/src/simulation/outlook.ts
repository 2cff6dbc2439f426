import { seededRandom } from '../maths/index.ts';
import { DAY_MS } from '../units/index.ts';
import { isWhole, type FloorNow } from './floorNow.ts';

/** When all of an order that is on the floor has been shipped, by many runs. */
export interface OrderOutlook {
  orderId: string;
  /** half of all runs had shipped it by then, and 85 % of them; null where fewer had in the days asked for */
  p50Ms: number | null;
  p85Ms: number | null;
  /** instruments shipped in the days asked for, on average */
  shipped: number;
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

/** How far an order has come in one run. */
interface Progress {
  shipped: number;
  lost: number;
  doneMs: number | null;
}

/**
 * Runs a floor forward many times, each with its own chances. An order is done when each of its bodies and instruments
 * was shipped or is scrapped; one that lacks a counterpart, or is held in part, is never.
 *
 * @param days how far ahead at most; what is not done by then counts as later
 * @param seed the same seed gives the same outlook
 */
export function outlook(now: FloorNow, { runs, days, seed }: { runs: number; days: number; seed: number }): Outlook {
  const orders = new Map([...now.piecesOf.keys()].map((id) => [id, { doneMs: [] as number[], shipped: 0 }]));
  const waits = now.model.stations.map(({ code }) => ({ code, waitMs: 0, begun: 0 }));
  let events = 0;
  for (let i = 0; i < runs; i++) {
    const progress = new Map<string, Progress>();
    const comesOn = (orderId: string | null, atMs: number, by: Partial<Pick<Progress, 'shipped' | 'lost'>>) => {
      const all = orderId === null ? undefined : now.piecesOf.get(orderId);
      if (orderId === null || all === undefined) return;
      const at = progress.get(orderId) ?? { shipped: 0, lost: 0, doneMs: null };
      at.shipped += by.shipped ?? 0;
      at.lost += by.lost ?? 0;
      if (at.shipped > 0 && at.shipped + at.lost >= all) at.doneMs ??= atMs;
      progress.set(orderId, at);
    };
    const run = now.run(seededRandom(seed).fork(`run ${i}`), {
      began(_, station, waitedMs) {
        const at = waits[station];
        if (!at) return;
        at.waitMs += waitedMs;
        at.begun += 1;
      },
      lost: (unit, lost, atMs) => isWhole(unit) && comesOn(unit.orderId, atMs, { lost }),
      left: (unit, atMs) => comesOn(unit.orderId, atMs, { shipped: unit.pieces }),
    });
    run.run(now.nowMs + days * DAY_MS);
    events += run.happened;
    for (const [orderId, { shipped, doneMs }] of progress) {
      const order = orders.get(orderId);
      if (!order) continue;
      order.shipped += shipped;
      if (doneMs !== null) order.doneMs.push(doneMs);
    }
  }
  return {
    orders: [...orders].map(([orderId, { doneMs, shipped }]) => ({
      orderId,
      p50Ms: byThen(doneMs, runs, 0.5),
      p85Ms: byThen(doneMs, runs, 0.85),
      shipped: shipped / runs,
    })),
    stations: waits.map(({ code, waitMs, begun }) => ({ code, waitMs: begun === 0 ? 0 : waitMs / begun, begun: begun / runs })),
    runs,
    events,
  };
}

/** The earliest time by which a share of all runs was done; null where fewer ever were. */
function byThen(doneMs: readonly number[], runs: number, share: number): number | null {
  return doneMs.toSorted((a, b) => a - b)[Math.ceil(runs * share) - 1] ?? null;
}
