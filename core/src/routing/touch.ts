import { waysOf } from './aspects/index.ts';
import type { Operation } from './operation.ts';
import type { Component } from './stage.ts';
import type { Step } from './step.ts';

/** Whether people do it at a station of the house: all but waiting, being away, and being kept. */
export const isAttended = ({ kind }: Pick<Step, 'kind'>): boolean =>
  kind !== 'dwell' && kind !== 'outside' && kind !== 'transfer' && kind !== 'buffer';

/** Whether pieces of a component only come along to a step: where things are put together the work is counted with one side, the body's or the host's. */
export function comesAlong({ kind, component }: Pick<Step, 'kind' | 'component'>, of: Component): boolean {
  if (kind === 'join') return of !== component;
  return (kind === 'fit' || kind === 'refit') && of !== 'body';
}

/** Working minutes a step takes for so many pieces, at the station where one of its ways is done. */
export function touchMinutes(operation: Operation, pieces: number, stationCode = operation.stationCode): number {
  if (!isAttended(operation)) return 0;
  const way = waysOf(operation).find((w) => w.stationCode === stationCode) ?? operation;
  return way.setupMinutes + way.minutesPerPiece * pieces;
}
