import type { WorkingTime } from '../maths/index.ts';
import { pathFrom, type Batch, type Operation, type Route } from '../routing/index.ts';
import { DAY_MS, MINUTE_MS } from '../units/index.ts';

export interface StepForecast {
  operation: Operation;
  /** when the batch would come to the step, and leave it */
  arriveMs: number;
  leaveMs: number;
}

/** Working minutes a step takes for so many pieces. */
export const touchMinutes = (operation: Operation, pieces: number) =>
  operation.kind === 'work' ? operation.setupMinutes + operation.minutesPerPiece * pieces : 0;

/** The longest wait a step's rules ask for, ms of clock time; cure at its reference temperature. */
export function waitMs(operation: Operation): number {
  return operation.gate.reduce((longest, rule) => {
    if (rule.kind === 'elapsed') return Math.max(longest, rule.minimumMinutes * MINUTE_MS);
    if (rule.kind === 'equivalent') return Math.max(longest, rule.minimumDays * DAY_MS);
    return longest;
  }, 0);
}

/** The instant after so much working time. */
export function afterWorking(time: WorkingTime, fromMs: number, workingMs: number): number {
  return workingMs === 0 ? fromMs : time.instant(time.position(fromMs) + workingMs);
}

/**
 * The earliest a batch can pass through what is left of its route: touch in working time, waits in clock time, with no
 * queueing before any step. A floor under any promise, not a promise.
 *
 * @param time must reach far enough ahead; beyond its last window work ends with it
 * @param opensMs when the gate of its present step is expected to open, where that is known
 */
export function forecastRoute(route: Route, batch: Batch, nowMs: number, time: WorkingTime, opensMs = nowMs): StepForecast[] {
  let at = nowMs;
  return pathFrom(route, batch.operationId).map((operation, i) => {
    const arriveMs = i === 0 ? batch.arrivedMs : at;
    const worked = i === 0 && batch.status === 'finished';
    const touchMs = worked ? 0 : touchMinutes(operation, batch.quantity) * MINUTE_MS;
    const workedUntil = afterWorking(time, Math.max(at, nowMs), touchMs);
    at = i === 0 && opensMs > nowMs ? Math.max(opensMs, workedUntil) : Math.max(nowMs, workedUntil, arriveMs + waitMs(operation));
    return { operation, arriveMs, leaveMs: at };
  });
}

/** The earliest a set could be shipped that is started now. */
export function earliestFromStart(route: Route, firstOperationId: string, quantity: number, nowMs: number, time: WorkingTime): number {
  let at = nowMs;
  for (const operation of pathFrom(route, firstOperationId))
    at = Math.max(afterWorking(time, at, touchMinutes(operation, quantity) * MINUTE_MS), at + waitMs(operation));
  return at;
}
