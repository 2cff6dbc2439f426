import type { Decision, Written } from '../ledger/index.ts';
import type { Route } from '../routing/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { TestHouse } from './house.ts';
import { BRACES_ROUTE, WIDE_ROUTE } from './routes.ts';

export const both = { choices: { binding: 'both', finish: 'oil' }, species: {}, construction: '' };
export const said = (decision: Decision<Written>) =>
  decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => f.sentence);

/** A house with braces in their box. */
export function wideHouse(route = WIDE_ROUTE, braces = 40, more: Route[] = []) {
  const versions = [route, BRACES_ROUTE, { ...route, id: 'wide@2', version: 2 }, ...more];
  const house = new TestHouse(new Map(versions.map((r) => [r.id, r])));
  house.work(house.start('small part', braces, { route: BRACES_ROUTE }));
  return house;
}
export const bodies = (house: TestHouse, quantity = 3) =>
  house.start('body', quantity, { route: house.routes.route('wide@1'), facts: both });
export const at = (house: TestHouse, id: string) => [house.batch(id).operationId, house.batch(id).status];

/** Bent, cooled and pressed: at the binding. */
export function toBinding(house: TestHouse, id: string): void {
  house.work(id);
  house.pass(2 * HOUR_MS);
  house.command(id, { command: 'move batch' });
  house.work(id);
}

/** Bound on both faces, sanded, called from the buffer: at the fitting. */
export function toFitting(house: TestHouse, id: string): void {
  toBinding(house, id);
  for (let face = 1; face <= 2; face++) {
    house.work(id);
    house.pass(14 * HOUR_MS);
    house.command(id, { command: 'move batch' });
  }
  house.command(id, { command: 'accept batch' });
  house.work(id);
  house.command(id, { command: 'call batch', quantity: house.live(id).length, orderId: 'O1' });
}

/** Necks with their own fingerboards, plated and brought over: at the fitting. */
export function necksAtFitting(house: TestHouse, setIds: string[]): string {
  const route = house.routes.route('wide@1');
  const necks = house.start('neck', setIds.length, { route, facts: both, setIds });
  const boards = house.start('fingerboard', setIds.length, { route, facts: both, setIds: [...setIds].reverse() });
  house.work(necks);
  house.work(boards);
  house.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [boards] });
  house.pass(3 * HOUR_MS);
  house.command(necks, { command: 'move batch' });
  for (let i = 0; i < 2; i++) {
    house.command(necks, { command: 'send batch', to: 'The plater', dueBackMs: house.nowMs + DAY_MS });
    house.pass(DAY_MS);
    house.command(necks, { command: 'receive batch', good: setIds.length, rework: 0, scrap: 0, outcomes: [] });
  }
  return necks;
}
