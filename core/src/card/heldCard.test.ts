import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Batch, batchCommand, Piece, Visit, type BatchCommand } from '../batches/index.ts';
import { TOGETHER } from '../carriers/index.ts';
import { LogCoat, LogScuff } from '../finishing/index.ts';
import { COMMANDS, type HouseFactory } from '../ledger.ts';
import type { AnyCommandKind, Decision, Written } from '../ledger/index.ts';
import { TakeMeasures } from '../quality/index.ts';
import { CloseRig, PutInRig, TakeOut } from '../rigs/index.ts';
import { anyHistory, run } from '../test/anyHistory.ts';
import { changed, SHORT_ROUTE } from '../test/routes.ts';
import { TestHouse } from '../test/house.ts';
import { HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { HeldCard } from './heldCard.ts';
import { heldOf } from './test/held.ts';

const ANN = { personId: 'ann', role: 'admin' } as const;
const said = (decision: Decision<Written>) =>
  decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => f.sentence);

/** What is done at a bench, about one batch alone. */
const AT_A_BENCH = new Set([
  'start work',
  'pause work',
  'resume work',
  'finish work',
  'finish some',
  'move batch',
  'accept batch',
  'refuse work',
  'log coat',
  'take measures',
  'hold batch',
  'split batch',
  'wipe faces',
  'put in rig',
  'take out of rig',
]);

/** A card knows how many sit on a carrier, and not who: there it says the same but for the names. */
const withoutNames = (server: readonly string[], card: readonly string[]) =>
  server.map((sentence, i) => {
    const known = card[i] ?? '';
    return sentence.startsWith(`${known}: `) && /free.*are needed: .* (is|are) there$/.test(sentence) ? known : sentence;
  });

test('a card says what the server says, whatever has happened', () => {
  const reached = new Map<string, number>();
  fc.assert(
    fc.property(anyHistory(40, 120), (plan) => {
      let held: { id: string; at: string; toldMs: number; card: HeldCard } | undefined;
      let goesOn = false;
      let acts = 0;
      run(
        plan,
        (house, { name, request, decision }) => {
          const { batchId } = request as { batchId?: string };
          const command: AnyCommandKind<HouseFactory> | undefined = COMMANDS.find((c) => c.name === name);
          // What was told of the air counts for an hour: longer, and the card knows less than the server.
          const isFresh = held !== undefined && house.nowMs - held.toldMs <= HOUR_MS;
          // A card knows nothing of the batches beside it.
          const isAlone = !('withBatchIds' in request);
          goesOn = isFresh && held?.id === batchId && command !== undefined && AT_A_BENCH.has(name) && isAlone;
          if (!held || !command || !goesOn) return;
          const { id, card } = held;
          const told = said(card.give(command, request, { atMs: house.nowMs, by: ANN }));
          expect(told).toEqual(withoutNames(said(decision), told));
          expect(card.batch).toEqual(house.batch(id));
          const own = (pieces: readonly Piece[]) => pieces.filter((p) => p.batchId === id).sort((a, b) => (a.id < b.id ? -1 : 1));
          expect(own(card.all(Piece))).toEqual(own(house.rows.all(Piece)));
          expect(card.all(Visit)).toContainEqual(house.rows.get(Visit, card.batch.visitId));
          if (decision.kind === 'accept') reached.set(name, (reached.get(name) ?? 0) + 1);
        },
        (house) => {
          acts++;
          // What was just done on a card stays on it; otherwise another is told of one batch or the other.
          if (goesOn && held?.card.batch.status !== 'done' && held?.card.batch.operationId === held?.at) return;
          const live = house.rows.all(Batch).filter((b) => b.status !== 'done');
          const id = live[acts % Math.max(1, live.length)]?.id;
          held =
            id === undefined
              ? undefined
              : { id, at: house.batch(id).operationId, toldMs: house.nowMs, card: new HeldCard(heldOf(house, id), house.factory) };
        },
      );
    }),
    { numRuns: 300, endOnFailure: true },
  );
  for (const name of AT_A_BENCH) expect([name, (reached.get(name) ?? 0) > 0]).toEqual([name, true]);
});

describe('a card without network', () => {
  test('closes a press over what is in it with others, and opens it for all', () => {
    const press = {
      id: 'P',
      name: 'P',
      kind: 'press',
      places: 9,
      zoneId: 'bench',
      outline: null,
      rig: { stationCode: 'S-set', cycle: TOGETHER, handsMinutes: 5 },
    } as const;
    const route = changed(SHORT_ROUTE, ['rest', { rig: { kind: 'press' }, gate: [{ kind: 'pressed', what: 'Pressed', minutes: 45 }] }]);
    const house = new TestHouse(new Map([[route.id, route]]), [press]);
    const [one, two] = [house.start('body', 2, { route }), house.start('body', 3, { route })];
    for (const batchId of [one, two]) {
      house.work(batchId);
      house.give(PutInRig, { batchId, rigId: 'P', personId: 'ann' });
    }
    const card = new HeldCard(heldOf(house, one), house.factory);
    const asTheServer = (command: AnyCommandKind<HouseFactory>) => {
      const request = { batchId: one, rigId: 'P', personId: 'ann' };
      const told = said(card.give(command, request, { atMs: house.nowMs, by: ANN }));
      expect(told).toEqual(said(house.give(command, request)));
      return told;
    };
    expect(asTheServer(CloseRig)).toEqual(['rig.closed', 'rig.closed']);
    expect(card.rigs(house.nowMs)).toMatchObject({
      outside: 0,
      rigs: [{ isClosed: true, own: 2, ownOver: 0, others: [{ batchId: two, pieces: 3 }] }],
    });
    expect(asTheServer(TakeOut)).toEqual(['in P for 0 min of 45 min']);
    house.pass(50 * MINUTE_MS);
    expect(asTheServer(TakeOut)).toEqual(['rig.emptied', 'rig.emptied', 'batch.moved']);
    expect(card.all(Piece).filter((p) => p.inRig !== null)).toEqual([]);
  });
  const give = (card: HeldCard, { command, ...request }: BatchCommand, atMs: number) =>
    said(card.give(batchCommand(command), { batchId: card.batch.id, ...request }, { atMs, by: ANN }));
  test('goes through a day: begun, coated, measured, finished, waiting', () => {
    const route = changed(SHORT_ROUTE, [
      'cut',
      {
        coat: { materialId: 'oil', volumeSolids: 0.5, coats: 2, wetUm: 50, flashMinutes: 30, recoatMaxMinutes: 600 },
        characteristics: [{ id: 'width', name: 'Width', unit: 'mm', low: 1, target: 2, high: 3 }],
      },
    ]);
    const house = new TestHouse(new Map([[route.id, route]]));
    const id = house.start('body', 2);
    const card = new HeldCard(heldOf(house, id), house.factory);
    const at = (minutes: number) => house.nowMs + minutes * MINUTE_MS;
    const finish = { command: 'finish work', good: 2, rework: 0, scrap: 0, outcomes: [] } as const;
    expect(give(card, { command: 'start work', personId: 'ann' }, at(0))).toEqual(['work.started']);
    expect(card.coats).toBe(0);
    const coat = (minutes: number) => said(card.give(LogCoat, { batchId: id, wetUm: 50 }, { atMs: at(minutes), by: ANN }));
    expect(coat(5)).toEqual(['coat.logged']);
    expect(card.coats).toBe(1);
    expect(coat(20)[0]).toMatch(/15 min/);
    expect(coat(40)).toEqual(['coat.logged']);
    const pieceIds = [`${id}-01`, `${id}-02`];
    expect(card.unmeasured).toEqual([{ characteristicId: 'width', name: 'Width', taken: 0, wanted: 2, pieceIds }]);
    expect(give(card, finish, at(45))).toEqual([`Not measured yet: ${id}-01, ${id}-02`]);
    const measures = pieceIds.map((pieceId) => ({ pieceId, characteristicId: 'width', value: 2.1 }));
    expect(said(card.give(TakeMeasures, { batchId: id, measures }, { atMs: at(46), by: ANN }))).toEqual(['measures.taken']);
    expect(card.unmeasured).toEqual([]);
    expect(give(card, finish, at(47))).toEqual(['work.finished', 'batch.moved']);
    expect(card.batch).toMatchObject({ operationId: 'rest', status: 'dwelling' });
    expect(card.gate(at(60))).toMatchObject([{ verdict: 'wait', rule: 'elapsed' }]);
    expect(card.gate(at(47 + 48 * 60))).toMatchObject([{ verdict: 'pass' }]);
  });
  /** Two bodies at a step that lays two coats of oil. */
  const oiling = () => {
    const route = changed(SHORT_ROUTE, [
      'cut',
      { coat: { materialId: 'oil', volumeSolids: 0.5, coats: 2, wetUm: 50, flashMinutes: 10, recoatMaxMinutes: 30 } },
    ]);
    const house = new TestHouse(new Map([[route.id, route]]));
    const id = house.start('body', 2);
    const card = new HeldCard(heldOf(house, id), house.factory);
    const at = (minutes: number) => ({ atMs: house.nowMs + minutes * MINUTE_MS, by: ANN });
    const coat = (minutes: number) => said(card.give(LogCoat, { batchId: id, wetUm: 50 }, at(minutes)));
    return { id, card, at, coat };
  };
  test('what was coated too long ago is scuffed, and takes the next coat', () => {
    const { id, card, at, coat } = oiling();
    const scuff = (minutes: number, grit = 320) => said(card.give(LogScuff, { batchId: id, grit }, at(minutes)));
    expect(scuff(0)).toEqual(['cut is not begun; start it first']);
    give(card, { command: 'start work', personId: 'ann' }, at(0).atMs);
    expect(scuff(1)).toEqual(['There is no coat on it']);
    expect(coat(5)).toEqual(['coat.logged']);
    expect(coat(40)[0]).toBe('Recoat window closed 5 min ago');
    expect(scuff(42, 40)).toEqual(['A film is scuffed with 120 to 1500']);
    expect(scuff(4)).toEqual(['It was coated only after that']);
    expect(scuff(42)).toEqual(['film.scuffed']);
    expect(card.all(Piece).map((p) => [p.grit, p.coats])).toEqual([
      [320, 1],
      [320, 1],
    ]);
    expect(coat(45)).toEqual(['coat.logged']);
    // A new coat is a new film: what was scuffed lies under it.
    expect(card.all(Piece).map((p) => p.lastCoat?.scuffedMs)).toEqual([undefined, undefined]);
  });
  test('a spoilt film is taken off to the wood, and the next coat is the first of a new one', () => {
    const { id, card, at, coat } = oiling();
    const strip = (minutes: number, grit = 120) => said(card.give(LogScuff, { batchId: id, grit, toBare: true }, at(minutes)));
    give(card, { command: 'start work', personId: 'ann' }, at(0).atMs);
    expect(strip(1)).toEqual(['There is no coat on it']);
    coat(5);
    expect(strip(20, 600)).toEqual(['A film is sanded off with 60 to 400']);
    expect(strip(20)).toEqual(['film.scuffed']);
    expect(card.coats).toBe(0);
    expect(card.all(Piece).map((p) => [p.coats, p.lastCoat, p.grit, p.bareMs])).toEqual([1, 2].map(() => [0, null, 120, at(20).atMs]));
    expect(coat(21)).toEqual(['coat.logged']);
    expect(card.coats).toBe(1);
  });
  test('lets nothing pass that it was not told, or that is too old to count', () => {
    const sprayed = changed(SHORT_ROUTE, [
      'rest',
      { gate: [{ kind: 'climate', limits: { minTempC: 10, maxTempC: 30, minHumidity: 0, maxHumidity: 1, dewMarginC: 0 } }] },
    ]);
    const house = new TestHouse(new Map([[sprayed.id, sprayed]]));
    const id = house.start('body', 2);
    house.work(id);
    const held = heldOf(house, id);
    const verdicts = (over: object, laterMs = 0) =>
      new HeldCard({ ...held, ...over }, house.factory).gate(house.nowMs + laterMs).map((f) => f.verdict);
    expect(verdicts({})).toEqual(['pass']);
    expect(verdicts({}, 2 * HOUR_MS)).toEqual(['wait']);
    expect(verdicts({ air: null })).toEqual(['wait']);
  });
});
