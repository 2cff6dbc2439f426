import type { Component, Stage } from '@ample-crane/core';
import type { View } from '../ground/api.ts';

export const WIDTH = 1200;
export const HEIGHT = 500;
export const CELL = 42;

export const LANES = ['body', 'neck', 'instrument'] as const;
export type Lane = (typeof LANES)[number];
export const LANE_Y: Record<Lane, number> = { body: 118, neck: 392, instrument: 255 };

/** The stream a component flows in: what is joined to a neck comes along the necks, all else along the bodies. */
export const laneOf = (component: Component): Lane =>
  component === 'instrument' ? 'instrument' : component === 'neck' || component === 'fingerboard' ? 'neck' : 'body';

export interface Place {
  key: string;
  name: string;
  x: number;
  lane: Lane;
  perRow: number;
  stages: readonly Stage[];
}

const place = (key: string, name: string, x: number, lane: Lane, perRow: number, ...stages: Stage[]): Place => ({
  key,
  name,
  x,
  lane,
  perRow,
  stages,
});

/** Where batches stand on the drawing: bodies above, necks below, joining at fitting. */
export const PLACES: readonly Place[] = [
  place('b-mill', 'Rough mill', 80, 'body', 3, 'roughMill', 'woodRoom'),
  place('b-machine', 'Machining', 220, 'body', 3, 'machining'),
  place('b-line', 'Bodies', 360, 'body', 3, 'bodies', 'necks'),
  place('b-finish', 'Finish first', 490, 'body', 2, 'finishing'),
  place('b-fit', 'At fitting', 600, 'body', 2, 'fitting'),
  place('n-mill', 'Rough mill', 80, 'neck', 3, 'roughMill', 'woodRoom'),
  place('n-machine', 'Machining', 220, 'neck', 3, 'machining'),
  place('n-line', 'Necks', 360, 'neck', 3, 'necks', 'bodies'),
  place('n-finish', 'Finish first', 490, 'neck', 2, 'finishing'),
  place('n-fit', 'At fitting', 600, 'neck', 2, 'fitting'),
  place('i-fit', 'Fitting', 690, 'instrument', 2, 'fitting'),
  place('i-finish', 'Finishing', 825, 'instrument', 4, 'finishing'),
  place('i-assembly', 'Assembly', 965, 'instrument', 2, 'assembly'),
  place('i-rest', 'Final rest', 1075, 'instrument', 3, 'finalRest'),
  place('i-dispatch', 'Dispatch', 1162, 'instrument', 1, 'dispatch'),
];

export interface Token {
  batch: View<'BatchView'>;
  x: number;
  y: number;
}

/** Puts the batches of a place in rows about its lane. */
export function tokensAt(at: Place, batches: readonly View<'BatchView'>[]): Token[] {
  const here = batches.filter((b) => laneOf(b.component) === at.lane && at.stages.includes(b.stage));
  const rows = Math.ceil(here.length / at.perRow);
  return here.map((batch, i) => {
    const row = Math.floor(i / at.perRow);
    const inRow = row === rows - 1 ? here.length - row * at.perRow : at.perRow;
    return {
      batch,
      x: at.x + ((i % at.perRow) - (inRow - 1) / 2) * CELL,
      y: LANE_Y[at.lane] + (row - (rows - 1) / 2) * CELL,
    };
  });
}

/** Hours of work waiting at a place. */
export const hoursAt = (at: Place, batches: readonly View<'BatchView'>[]) =>
  batches
    .filter((b) => laneOf(b.component) === at.lane && at.stages.includes(b.stage) && b.status === 'queued')
    .reduce((sum, b) => sum + b.touchMinutes / 60, 0);

const LEAST = 14;
const MOST = 84;

/** Thickness of a stream where so many hours wait. */
export const thickness = (hours: number) => Math.min(MOST, LEAST + hours * 2.5);
