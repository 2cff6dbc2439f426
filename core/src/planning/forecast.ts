import type { Batch } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import type { WorkingTime } from '../maths/index.ts';
import { type Operation, pathFrom, type Pressing, type Route, stepsOfLoop, touchMinutes } from '../routing/index.ts';
import { DAY_MS, MINUTE_MS } from '../units/index.ts';

export interface StepForecast {
  operation: Operation;
  /** when the batch would come to the step, and leave it */
  arriveMs: number;
  leaveMs: number;
}

/** Whoever knows how long glues ask for. */
export type Glues = Pick<Factory, 'lawsOf'>;

/** The longest wait a step's rules ask for, ms of clock time; cure and glue at their reference temperatures. */
export function waitMs(operation: Operation, glues: Glues): number {
  const away = (operation.awayDays ?? 0) * DAY_MS;
  return operation.gate.reduce((longest, rule) => {
    if (rule.kind === 'elapsed') return Math.max(longest, rule.minimumMinutes * MINUTE_MS);
    if (rule.kind === 'equivalent') return Math.max(longest, rule.minimumDays * DAY_MS);
    if (rule.kind === 'pressed') return Math.max(longest, pressedMs(rule, glues));
    if (rule.kind === 'glueSet') return Math.max(longest, setMs(rule, glues) - pressedMs(rule, glues));
    return longest;
  }, away);
}

const pressedMs = (rule: Pressing, glues: Glues): number =>
  Math.max(0, ...(glues.lawsOf(rule)?.out ?? []).map((l) => l.minutes)) * MINUTE_MS;
const setMs = (rule: Pressing, glues: Glues): number => (glues.lawsOf(rule)?.set?.minutes ?? 0) * MINUTE_MS;

/** The steps from one onwards, loops gone round as often as they are expected to be. */
export function stepsAhead(route: Route, operationId: string, rounds: Batch['rounds'] = {}): Operation[] {
  return pathFrom(route, operationId).flatMap((operation) => {
    const { repeat } = operation;
    if (!repeat) return [operation];
    const expected = repeat.kind === 'count' ? repeat.times : repeat.expected;
    const more = Math.max(0, expected - (rounds[operation.id] ?? 0) - 1);
    const round = stepsOfLoop(route, operation);
    return [operation, ...Array.from({ length: more }, () => round).flat()];
  });
}

/** The instant after so much working time. */
export function afterWorking(time: WorkingTime, fromMs: number, workingMs: number): number {
  return workingMs === 0 ? fromMs : time.reached(time.position(fromMs) + workingMs);
}

/**
 * The earliest a batch can pass through what is left of its route: touch in working time, waits in clock time, with no
 * queueing before any step. No promise can be earlier; it is none itself.
 *
 * @param time must reach far enough ahead; beyond its last window work ends with it
 * @param opensMs when the gate of its present step is expected to open, where that is known
 */
export function forecastRoute(route: Route, batch: Batch, nowMs: number, time: WorkingTime, glues: Glues, opensMs = nowMs): StepForecast[] {
  let at = nowMs;
  return stepsAhead(route, batch.operationId, batch.rounds).map((operation, i) => {
    const arriveMs = i === 0 ? batch.arrivedMs : at;
    const worked = i === 0 && batch.status === 'finished';
    const touchMs = worked ? 0 : touchMinutes(operation, batch.quantity) * MINUTE_MS;
    const workedUntil = afterWorking(time, Math.max(at, nowMs), touchMs);
    at = i === 0 && opensMs > nowMs ? Math.max(opensMs, workedUntil) : Math.max(nowMs, workedUntil, arriveMs + waitMs(operation, glues));
    return { operation, arriveMs, leaveMs: at };
  });
}

/** The earliest a set could be shipped that is started now; or come to a step on its way. */
export function earliestFromStart(
  route: Route,
  firstOperationId: string,
  quantity: number,
  nowMs: number,
  time: WorkingTime,
  glues: Glues,
  untilOperationId?: string,
): number {
  let at = nowMs;
  for (const operation of stepsAhead(route, firstOperationId)) {
    if (operation.id === untilOperationId) break;
    at = Math.max(afterWorking(time, at, touchMinutes(operation, quantity) * MINUTE_MS), at + waitMs(operation, glues));
  }
  return at;
}
