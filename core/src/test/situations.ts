import { describe, expect, test } from '@jest/globals';
import { PlacesTaken } from '../carriers/index.ts';
import * as commands from '../batches/index.ts';
import { WaitingAt } from '../batches/index.ts';
import type { Piece } from '../batches/index.ts';
import { NextNumber, type Route } from '../routing/index.ts';
import { testFactory } from './factory.ts';
import { against, judged, type Around } from './judged.ts';
import { piecesOf, step, wait } from './parts.ts';
import { BRACES_ROUTE, CARRIERS, changed, SHORT_ROUTE, WIDE_ROUTE } from './routes.ts';

/** The same steps with the waits at other places, and a step that the first does not have. */
const SECOND: Route = {
  ...changed(WIDE_ROUTE, ['sand', { name: 'sand it' }], ['stock', { kind: 'work' }]),
  id: 'wide@2',
  version: 2,
};
const LOOSE = { ...changed(WIDE_ROUTE, ['glue', { matchedSet: false }]), id: 'wide@3', version: 3 };
const GATED = {
  ...changed(WIDE_ROUTE, ['stock', { gate: [{ kind: 'elapsed', what: 'Rested', minimumMinutes: 60 * 24 * 30 }] }]),
  id: 'wide@4',
  version: 4,
};
const OTHER: Route = {
  id: 'other@1',
  modelId: 'other',
  version: 1,
  operations: [
    step('cut', 'body', ['rest'], { noWait: true }),
    wait('rest', 'body', ['see'], 2),
    wait('see', 'body', ['fit'], 0, { gate: [{ kind: 'signOff', skill: 'eye' }] }),
    step('fit', 'instrument', ['ship'], { kind: 'fit' }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
};
const ROUTES = [WIDE_ROUTE, SECOND, LOOSE, GATED, OTHER, BRACES_ROUTE, SHORT_ROUTE];
export const factory = testFactory(new Map(ROUTES.map((r) => [r.id, r])), CARRIERS);
export const NUMBER = { [NextNumber.name]: 7 };
export const ROOM = { [PlacesTaken.name]: () => 0, [WaitingAt.name]: [] };

export const wide = (operationId: string, over: Around['batch'] = {}) => ({
  modelId: 'wide',
  routeId: 'wide@1',
  operationId,
  facts: { choices: { binding: 'both', finish: 'oil' }, species: {}, construction: '' },
  ...over,
});
/** Three pieces with sets a, b, c. */
export const sets = (batchId: string, names: readonly (string | null)[], over: Partial<Piece> = {}) =>
  piecesOf(names.length, { batchId, ...over }).map((p, i) => ({ ...p, id: p.id.replace('B1', batchId), setId: names[i] ?? null }));

/** A situation, what is said in it, what is around, and what it is told. */
export type Case = [situation: string, said: object, around: Omit<Around, 'factory'>, told: string | string[]];
/** What an act is told in each situation, one after another. */
export const tell = (name: keyof typeof commands, cases: readonly Case[]) =>
  describe(name, () => {
    test.each(cases)('%s', (_, said, around, told) => {
      expect(against(judged(commands[name] as object, said, { factory, ...around }))).toEqual([told].flat());
    });
  });

export const stocked = (over: Around['batch'] = {}) => wide('stock', { status: 'stocked', ...over });

export const running = (operationId: string, over: Around['batch'] = {}) => wide(operationId, { status: 'running', ...over });
