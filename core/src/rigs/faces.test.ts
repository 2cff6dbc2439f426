import { describe, expect, test } from '@jest/globals';
import { Piece } from '../batches/index.ts';
import { EACH_PLACE, TOGETHER, type Carrier } from '../carriers/index.ts';
import { checkRoute, OverrideRecord, wipeFor, type Operation, type Route, type RouteWorld, type Wipe } from '../routing/index.ts';
import { TestHouse } from '../test/house.ts';
import { step, wait } from '../test/parts.ts';
import { MINUTE_MS } from '../units/index.ts';
import { CloseRig, closeBy, openTooLong, PutInRig, TakeOut, WipeFaces, wipeStanding } from './index.ts';

// What faces ask before they are glued, and how long glue on them lies open.

const ACETONE: Wipe = { withWhat: 'acetone', minutes: 20 };
const carrier = (id: string, kind: Carrier['kind'], cycle: typeof EACH_PLACE | typeof TOGETHER): Carrier => ({
  id,
  name: id,
  kind,
  places: 4,
  zoneId: 'bench',
  outline: null,
  rig: { stationCode: `S-${id}`, cycle, handsMinutes: 5 },
});
const CARRIERS = [carrier('RACK', 'clamp rack', EACH_PLACE), carrier('PRESS', 'press', TOGETHER)];
const pressed = (id: string, adhesiveId: string, next: string[], over: Partial<Operation> = {}): Operation =>
  wait(id, 'body', next, 0, { rig: { kind: 'clamp rack' }, gate: [{ kind: 'pressed', what: 'Clamped', adhesiveId }], ...over });
const routeOf = (...operations: Operation[]): Route => ({ id: 'g@1', modelId: 'g', version: 1, operations });
const SHIP = step('ship', 'body', [], { kind: 'dispatch' });
const WIPED = routeOf(step('glue', 'body', ['clamp']), pressed('clamp', 'pva', ['ship'], { wipe: ACETONE }), SHIP);
const PRESSED = routeOf(step('lay', 'body', ['press']), pressed('press', 'pva', ['ship'], { rig: { kind: 'press' } }), SHIP);

const WORLD: RouteWorld = {
  stationCodes: new Set(['S-glue', 'S-first', 'S-then', 'S-sand', 'S-ship', 'bench', 'wait']),
  skillLevels: new Map([['cutting', 2]]),
  carriers: CARRIERS,
  modelIds: new Set(['g']),
  materialIds: new Set(),
  adhesives: new Map([
    ['pva', { kind: 'wood glue', materials: [] }],
    ['epoxy', { kind: 'epoxy', materials: [] }],
  ]),
  cautionKeys: new Set(),
  speciesNames: new Set(),
  facts: { species: {}, construction: '' },
};

const ann = { personId: 'ann' };
const BOB = { personId: 'bob', role: 'operator' } as const;
const because = (decision: { kind: string; because?: readonly { sentence: string }[] }) =>
  decision.because?.map((f) => f.sentence).join('; ') ?? decision.kind;
function glued(route: Route, pieces: number) {
  const h = new TestHouse(new Map([[route.id, route]]), CARRIERS);
  const id = h.start('body', pieces, { route });
  h.work(id);
  return { h, id, ids: h.live(id).map((p) => p.id) };
}

describe('a wipe of oily wood', () => {
  test('comes before what is glued goes in, holds so many minutes, and is gone once it was in', () => {
    const { h, id, ids } = glued(WIPED, 2);
    const put = (pieceIds?: string[]) =>
      because(h.give(PutInRig, { batchId: id, rigId: 'RACK', ...(pieceIds ? { pieceIds } : {}), ...ann }));
    expect(put()).toBe('2 pieces not wiped with acetone');
    expect(h.give(WipeFaces, { batchId: id, pieceIds: ids.slice(0, 1), ...ann }).kind).toBe('accept');
    expect(put()).toBe('1 piece not wiped with acetone');
    h.pass(20 * MINUTE_MS);
    expect(put(ids.slice(0, 1))).toBe('accept');
    expect(h.rows.get(Piece, ids[0] ?? '').wipedMs).toBeNull();
    expect(h.give(WipeFaces, { batchId: id, ...ann }).kind).toBe('accept');
    h.pass(21 * MINUTE_MS);
    expect(put()).toBe('1 piece wiped with acetone 21 min ago, which holds 20 min');
    h.give(WipeFaces, { batchId: id, ...ann });
    expect(put()).toBe('accept');
    // Put back, its faces had glue on them: they are wiped anew.
    h.give(TakeOut, { batchId: id, rigId: 'RACK', back: true, ...ann });
    expect(put()).toMatch(/not wiped with acetone/);
  });
  test('is asked for nowhere else, of nothing that is in a rig, and of no stranger', () => {
    const { h, id, ids } = glued(WIPED, 1);
    const wiping = (said: object) => because(h.give(WipeFaces, { batchId: id, ...ann, ...said }));
    expect(wiping({ pieceIds: ['X'] })).toMatch(/Piece X is not one of/);
    expect(wiping({ pieceIds: [ids[0], ids[0]] })).toBe('A piece is named twice');
    expect(wiping({})).toBe('accept');
    h.give(PutInRig, { batchId: id, rigId: 'RACK', ...ann });
    expect(wiping({})).toBe(`Every piece of ${id} has been in a rig for clamp`);
    const other = glued(PRESSED, 1);
    expect(because(other.h.give(WipeFaces, { batchId: other.id, ...ann }))).toBe('press asks for no wipe of this wood');
  });
  test('only where the wood is oily; of a wood nobody has told it is not known that it is not', () => {
    const wipe: Wipe = { ...ACETONE, wood: { component: 'fingerboard', in: ['indian rosewood'] } };
    expect(wipeFor({ wipe }, { species: { fingerboard: 'indian rosewood' } })).toBe(wipe);
    expect(wipeFor({ wipe }, { species: { fingerboard: 'sugar maple', neck: 'indian rosewood' } })).toBeNull();
    expect(wipeFor({ wipe }, { species: {} })).toBe(wipe);
    expect(wipeFor({}, { species: {} })).toBeNull();
  });
  test('of a wood that is no species on record would never be asked: the route says so', () => {
    const wood = { component: 'body', in: ['mahogany', 'mahagony'] } as const;
    const route = routeOf(step('glue', 'body', ['clamp']), pressed('clamp', 'pva', ['ship'], { wipe: { ...ACETONE, wood } }), SHIP);
    const messages = checkRoute(route, { ...WORLD, speciesNames: new Set(['mahogany']) }).map((p) => p.message);
    expect(messages.filter((m) => m.includes('wiped'))).toEqual(['"clamp" is wiped for mahagony, which is no species on record']);
  });
  test('of many, the first to lapse says when to be done by', () => {
    const at = (wipedMs: number | null) => ({ wipedMs });
    const standing = wipeStanding(ACETONE, [at(0), at(5 * MINUTE_MS), at(null), at(-30 * MINUTE_MS)], 10 * MINUTE_MS);
    expect(standing).toEqual({ withWhat: 'acetone', minutes: 20, due: 2, untilMs: 20 * MINUTE_MS });
    expect(wipeStanding(ACETONE, [at(null)], 0).untilMs).toBeNull();
  });
});

describe('open glue', () => {
  test('a press is closed over it in time, or by a lead with a reason that stays on the record', () => {
    const { h, id } = glued(PRESSED, 2);
    const ids = h.live(id).map((p) => p.id);
    h.give(PutInRig, { batchId: id, rigId: 'PRESS', pieceIds: ids.slice(0, 1), ...ann });
    h.pass(8 * MINUTE_MS);
    h.give(PutInRig, { batchId: id, rigId: 'PRESS', ...ann });
    h.pass(3 * MINUTE_MS);
    const close = (said: object = {}) => h.give(CloseRig, { batchId: id, rigId: 'PRESS', ...ann, ...said });
    expect(because(close())).toBe('1 of 2 in PRESS with open glue, the first for 11 min; it stays open 10 min');
    expect(because(close({ overrideReason: ' no ' }))).toMatch(/needs a reason/);
    expect(CloseRig.objection?.({ batchId: id, rigId: 'PRESS', ...ann, overrideReason: 'Cool air' }, BOB)).toMatch(/by a lead or above/);
    const closed = close({ overrideReason: 'Cool and damp: it still strings' });
    expect(closed.kind).toBe('accept');
    expect(h.rows.all(OverrideRecord).map((o) => o.reason)).toEqual(['Cool and damp: it still strings']);
    expect(h.live(id).every((p) => p.stay?.closedMs === h.nowMs)).toBe(true);
  });
  test('the first that went in says by when; nothing says so of what is closed, or where the glue does not', () => {
    const { h, id } = glued(PRESSED, 1);
    h.give(PutInRig, { batchId: id, rigId: 'PRESS', ...ann });
    const there = h.live(id).flatMap((p) => (p.stay ? [{ pieceId: p.id, batchId: id, stay: p.stay }] : []));
    expect(closeBy(there)).toBe(h.nowMs + 10 * MINUTE_MS);
    expect(closeBy(there.map((p) => ({ ...p, stay: { ...p.stay, closedMs: h.nowMs } })))).toBeNull();
    expect(closeBy(there.map((p) => ({ ...p, stay: { ...p.stay, laws: { out: [], set: null } } })))).toBeNull();
    expect(openTooLong(there, 'PRESS', h.nowMs + 10 * MINUTE_MS)).toEqual([]);
  });
});

describe('a face with epoxy on it', () => {
  const on = (id: string, adhesiveId: string, face: string | undefined, next: string[]): Operation =>
    pressed(id, adhesiveId, next, { gate: [{ kind: 'pressed', what: 'Clamped', adhesiveId, ...(face === undefined ? {} : { face }) }] });
  const said = (...steps: Operation[]) =>
    checkRoute(routeOf(...steps, SHIP), WORLD)
      .map((p) => p.message)
      .filter((m) => m.includes('epoxy'));
  test.each([
    ['the same face', 'back', 'back', 'pva', false, 1],
    ['another face', 'back', 'top', 'pva', false, 0],
    ['a face nobody names', undefined, undefined, 'pva', false, 0],
    ['epoxy again', 'back', 'back', 'epoxy', false, 0],
    ['sanded back between', 'back', 'back', 'pva', true, 0],
  ] as const)('%s', (_, first, then, glue, isSanded, problems) => {
    const steps = [
      on('first', 'epoxy', first, [isSanded ? 'sand' : 'then']),
      ...(isSanded ? [step('sand', 'body', ['then'], { grit: 120 })] : []),
      on('then', glue, then, ['ship']),
    ];
    expect(said(...steps)).toHaveLength(problems);
  });
  test('is named with the step that left it', () => {
    expect(said(on('first', 'epoxy', 'back', ['then']), on('then', 'pva', 'back', ['ship']))).toEqual([
      '"then" puts wood glue on the back, where "first" left epoxy: it does not hold unless a step between sands it back',
    ]);
  });
});
