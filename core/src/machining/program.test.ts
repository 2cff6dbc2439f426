import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { machineIdOf, Machine, RunTimes, CutterUse, Visit, visitOf } from '../batches/index.ts';
import { START_CHECKS } from '../factory/index.ts';
import { ProgramFor, type ProgramAsked } from '../routing/index.ts';
import { TestHouse } from '../test/house.ts';
import { step } from '../test/parts.ts';
import { MINUTE_MS } from '../units/index.ts';
import {
  AskForProgram,
  AssignProgram,
  DrawRevision,
  KeepCutter,
  LogCutter,
  MoveRevision,
  observedOf,
  PlanRevision,
  Program,
  programFor,
  programIdOf,
  programState,
  ProveRevision,
  revisionName,
  servesChoices,
  timeTruths,
  type Revision,
} from './index.ts';

const ROUTE = {
  id: 'short@9',
  modelId: 'short',
  version: 9,
  options: [{ id: 'inlay', name: 'Inlay', values: ['dots', 'heron'].map((id) => ({ id, name: id })) }],
  operations: [
    step('cut', 'body', ['sand'], {
      stationCode: 'MC1',
      needs: [{ kind: 'program', what: 'sides', checked: true }],
      characteristics: [{ id: 'pocket', name: 'Pocket width', unit: 'mm', low: 55.9, target: 56, high: 56.1 }],
      ways: [{ id: 'pin', name: 'By pin', stationCode: 'PIN', setupMinutes: 1, minutesPerPiece: 9 }],
    }),
    step('sand', 'body', []),
  ],
};
/** The same without anything to measure. */
const PLAIN = {
  ...ROUTE,
  id: 'plain@1',
  modelId: 'plain',
  operations: [
    step('cut', 'body', ['sand'], { stationCode: 'MC1', needs: [{ kind: 'program', what: 'sides', checked: true }] }),
    step('sand', 'body', []),
  ],
};
const SIDES = programIdOf({ modelId: 'short', what: 'sides', serves: [] });
const DRAWN = {
  why: 'Less air cut',
  file: 'SH-1.nc',
  fixture: 'F2',
  piecesALoad: 2,
  cutters: [{ cutter: '6 mm', minutes: 5 }],
  planned: { setUp: 12, load: 2, run: 9, unload: 1 },
};
const TICKS = START_CHECKS.map((c) => c.key);

const shop = () => new TestHouse(new Map([ROUTE, PLAIN].map((r) => [r.id, r])));
const said = (decision: ReturnType<TestHouse['give']>) => (decision.kind === 'refuse' ? decision.because.map((f) => f.sentence) : 'done');
const check = (over: object = {}) => ({ machineId: 'MC1#1', revision: 'A', ticks: TICKS, ...over });
const begin = (house: TestHouse, id: string, over: object = {}) =>
  house.command(id, { command: 'start work', personId: 'ann', check: check(), ...over });
describe('names', () => {
  test.each([
    [0, 'A'],
    [25, 'Z'],
    [26, 'AA'],
    [51, 'AZ'],
    [52, 'BA'],
    [701, 'ZZ'],
    [702, 'AAA'],
  ])('the revision after %i others is %s', (before, name) => expect(revisionName(before)).toBe(name));
  test('no two revisions are called the same', () => {
    const names = Array.from({ length: 2000 }, (_, i) => revisionName(i));
    expect(new Set(names).size).toBe(2000);
  });
});

describe('which program serves an order', () => {
  const revision = (state: Revision['state'], name = 'A'): Revision => ({ name, state, ...DRAWN, steps: [], proof: null });
  const program = (over: Partial<Program>): Program => {
    const at = { modelId: 'm', what: 'inlays', serves: [], ...over };
    return { id: programIdOf(at), side: '', ownerId: null, askedMs: 0, note: '', revisions: [revision('released')], version: 1, ...at };
  };
  const wanted = (choices: Record<string, string>, trial = false): ProgramAsked => ({ modelId: 'm', what: 'inlays', choices, trial });

  test('of each option that it names, the order has one of its values', () => {
    const serves = ['inlay=dots', 'inlay=blocks', 'side=left'];
    expect(servesChoices({ serves }, { inlay: 'dots', side: 'left' })).toBe(true);
    expect(servesChoices({ serves }, { inlay: 'dots', side: 'right' })).toBe(false);
    expect(servesChoices({ serves }, { inlay: 'blocks' })).toBe(false);
    expect(servesChoices({ serves: [] }, {})).toBe(true);
  });
  test('the model’s own comes before one for every model, one for the choice before one for all', () => {
    const any = program({ modelId: null });
    const own = program({});
    const dots = program({ serves: ['inlay=dots'] });
    const all = [any, own, dots];
    expect(programFor(all, wanted({ inlay: 'dots' }))?.id).toBe(dots.id);
    expect(programFor(all, wanted({ inlay: 'heron' }))?.id).toBe(own.id);
    expect(programFor([any, dots], wanted({ inlay: 'heron' }))?.id).toBe(any.id);
    expect(programFor([dots], wanted({ inlay: 'heron' }))).toBeNull();
    expect(programFor(all, { ...wanted({}), modelId: 'other' })?.id).toBe(any.id);
    expect(programFor(all, { ...wanted({}), what: 'slots' })).toBeNull();
  });
  test('work runs what is released; a trial may run what is checked on the screen', () => {
    const states = [revision('withdrawn', 'A'), revision('released', 'B'), revision('checked', 'C'), revision('drawn', 'D')];
    const one = program({ revisions: states });
    expect(programFor([one], wanted({}))?.toRun?.name).toBe('B');
    expect(programFor([one], wanted({}, true))?.toRun?.name).toBe('C');
    expect(programFor([one], wanted({}))?.latest?.name).toBe('D');
    const none = program({ revisions: [revision('drawn'), revision('withdrawn', 'B')] });
    expect(programFor([none], wanted({}, true))?.toRun).toBeNull();
    expect([programState(one), programState(none), programState({ revisions: [] })]).toEqual(['released', 'drawn', 'asked']);
  });
});

describe('a program from being asked for to being released', () => {
  test('each state in its order, and none before its time', () => {
    const house = shop();
    const of = { programId: programIdOf({ modelId: 'short', what: 'slots', serves: ['inlay=heron'] }), revision: 'A' };
    const asking = { modelId: 'short', what: ' slots ', side: 'top', serves: ['inlay=heron'], ownerId: 'bob', note: 'for O1' };
    expect(said(house.give(AskForProgram, { ...asking, serves: ['inlay=fish'] }))).toEqual(['inlay=fish is no choice of this model']);
    expect(said(house.give(AskForProgram, { ...asking, ownerId: 'nobody' }))).toEqual(['Nobody of that name works here']);
    expect(said(house.give(AskForProgram, asking))).toBe('done');
    expect(said(house.give(AskForProgram, asking))).toEqual(['The program "slots" is on record already']);
    expect(said(house.give(AssignProgram, { programId: of.programId, ownerId: 'bob', note: '' }))).toEqual(['"slots" is theirs already']);
    expect(said(house.give(AssignProgram, { programId: of.programId, ownerId: 'ann', note: 'Bob is away' }))).toBe('done');
    expect(said(house.give(MoveRevision, { ...of, to: 'checked', note: '' }))).toEqual(['"slots" has no revision A']);
    const draw = { programId: of.programId, ...DRAWN };
    expect(said(house.give(DrawRevision, { ...draw, why: ' ' }))).toEqual(['Say what it is for, or what it changes']);
    expect(
      said(
        house.give(DrawRevision, {
          ...draw,
          cutters: [
            { cutter: '6 mm', minutes: 1 },
            { cutter: '6 MM', minutes: 2 },
          ],
        }),
      ),
    ).toEqual(['A cutter is named twice']);
    expect(said(house.give(DrawRevision, { ...draw, planned: { ...DRAWN.planned, run: -1 } }))).toEqual(['Minutes are not below nothing']);
    expect(said(house.give(DrawRevision, draw))).toBe('done');
    expect(said(house.give(MoveRevision, { ...of, to: 'released', note: '' }))).toEqual(['Revision A is drawn; it cannot become released']);
    const proof = { ...of, piece: 'B7-01', measures: [], note: '' };
    expect(said(house.give(ProveRevision, proof))).toEqual(['Revision A is drawn; it cannot become proven']);
    expect(said(house.give(MoveRevision, { ...of, to: 'checked', note: '' }))).toBe('done');
    expect(said(house.give(ProveRevision, proof))).toEqual(['Its steps measure nothing: say what was looked at']);
    expect(said(house.give(ProveRevision, { ...proof, note: 'edges clean' }))).toBe('done');
    expect(said(house.give(MoveRevision, { ...of, to: 'released', note: '' }))).toBe('done');
    expect(said(house.give(MoveRevision, { ...of, to: 'withdrawn', note: '' }))).toEqual(['Say why it is withdrawn']);
    const { revisions, version, ownerId } = house.rows.get(Program, of.programId);
    expect(revisions.map((r) => [r.name, r.steps.map((s) => s.state)])).toEqual([['A', ['drawn', 'checked', 'proven', 'released']]]);
    expect({ version, ownerId }).toEqual({ version: 6, ownerId: 'ann' });
  });

  test('a first piece is measured for all that its steps ask, and is in band', () => {
    const house = shop();
    const of = { programId: SIDES, revision: 'B' };
    house.give(DrawRevision, { programId: SIDES, ...DRAWN });
    house.give(MoveRevision, { ...of, to: 'checked', note: '' });
    const proof = { ...of, piece: 'B7-01', note: '' };
    expect(said(house.give(ProveRevision, { ...proof, measures: [] }))).toEqual(['Not measured yet: Pocket width']);
    expect(said(house.give(ProveRevision, { ...proof, measures: [{ characteristicId: 'depth', value: 3 }] }))).toEqual([
      'depth is not asked for, or said twice',
    ]);
    expect(said(house.give(ProveRevision, { ...proof, measures: [{ characteristicId: 'pocket', value: 56.2 }] }))).toEqual([
      'Pocket width 56.2\u00a0mm, band 55.9–56.1\u00a0mm',
    ]);
    expect(said(house.give(ProveRevision, { ...proof, measures: [{ characteristicId: 'pocket', value: 56.1 }] }))).toBe('done');
    expect(said(house.give(MoveRevision, { ...of, to: 'released', note: 'saves air' }))).toBe('done');
    const [a, b] = house.rows.get(Program, SIDES).revisions;
    expect([a?.state, a?.steps.at(-1)?.note, b?.state, b?.proof?.measures[0]?.value]).toEqual([
      'withdrawn',
      'Revision B takes its place',
      'released',
      56.1,
    ]);
  });

  test('other minutes are planned with a reason, and never by themselves', () => {
    const house = shop();
    const plan = { programId: SIDES, revision: 'A', planned: { setUp: 8, load: 2, run: 7, unload: 1 } };
    expect(said(house.give(PlanRevision, { ...plan, note: ' ' }))).toEqual(['Say where the minutes come from']);
    expect(said(house.give(PlanRevision, { ...plan, note: '21 loads observed' }))).toBe('done');
    expect(house.rows.get(Program, SIDES).revisions[0]?.planned.run).toBe(7);
  });
});

describe('before a machine starts', () => {
  test('the checklist is ticked, for this machine, and the machine shows what the card asks for', () => {
    const house = shop();
    const id = house.start('body', 4, { route: ROUTE });
    expect(said(begin(house, id, { check: undefined }))).toEqual(['Tick the start checklist of MC1 first']);
    expect(said(begin(house, id, { check: check({ machineId: 'MC1#3' }) }))).toEqual(['MC1#3 is no machine of MC1']);
    expect(said(begin(house, id, { check: check({ machineId: 'MC2#1' }) }))).toEqual(['MC2#1 is no machine of MC1']);
    expect(said(begin(house, id, { check: check({ revision: 'B' }) }))).toEqual([
      'The machine shows revision B; the card asks for A of "sides"',
    ]);
    expect(said(begin(house, id, { check: check({ ticks: TICKS.slice(1) }) }))).toEqual([`Not ticked yet: ${START_CHECKS[0]?.text ?? ''}`]);
    expect(house.rows.all(Machine)).toEqual([]);
    expect(said(begin(house, id, { check: check({ machineId: 'MC1#2', revision: ' a ' }) }))).toBe('done');
    expect(house.rows.get(Machine, machineIdOf('MC1', 2))).toMatchObject({
      what: 'sides',
      revision: 'A',
      batchId: id,
      personId: 'ann',
      bench: 2,
    });
    const other = house.start('body', 2, { route: ROUTE });
    expect(said(begin(house, other, { check: check({ machineId: 'MC1#2' }) }))).toEqual([`Its place is taken at MC1: ${id} (Ann)`]);
    expect(said(begin(house, other))).toBe('done');
  });

  test('a way without the machine needs neither program nor checklist', () => {
    const house = shop();
    house.give(MoveRevision, { programId: SIDES, revision: 'A', to: 'withdrawn', note: 'gouges' });
    const id = house.start('body', 4, { route: ROUTE });
    expect(said(begin(house, id))).toEqual(['The program "sides", revision A, is withdrawn, not released']);
    expect(said(begin(house, id, { wayId: 'pin' }))).toEqual(['cut runs no program this way']);
    expect(said(begin(house, id, { wayId: 'pin', check: undefined }))).toBe('done');
    expect(visitOf(house.rows, house.batch(id)).run).toBeNull();
  });

  test('what is checked on the screen runs for a trial, and for nothing else', () => {
    const house = shop();
    house.give(DrawRevision, { programId: SIDES, ...DRAWN });
    house.give(MoveRevision, { programId: SIDES, revision: 'B', to: 'checked', note: '' });
    const trial = house.start('body', 1, { route: ROUTE, workClass: 'trial' });
    expect(said(begin(house, trial))).toEqual(['The machine shows revision A; the card asks for B of "sides"']);
    expect(said(begin(house, trial, { check: check({ revision: 'B' }) }))).toBe('done');
    const usual = house.start('body', 1, { route: ROUTE });
    expect(said(begin(house, usual, { check: check({ machineId: 'MC1#2', revision: 'B' }) }))).toEqual([
      'The machine shows revision B; the card asks for A of "sides"',
    ]);
  });

  test('what is paused goes on where it was, and is looked over again where others have begun there since', () => {
    const house = shop();
    const [one, two] = [house.start('body', 2, { route: ROUTE }), house.start('body', 2, { route: ROUTE })];
    const resume = (over: object = {}) => said(house.command(one, { command: 'resume work', personId: 'ann', ...over }));
    const pause = (id: string) => house.command(id, { command: 'pause work', cause: 'machine' });
    begin(house, one);
    house.pass();
    pause(one);
    expect(resume()).toBe('done');
    house.pass();
    pause(one);
    expect(said(begin(house, two))).toBe('done');
    house.pass();
    expect(resume()).toEqual([`MC1 has been set up for ${two} since: tick its start checklist first`]);
    expect(resume({ check: check() })).toEqual([`Its place is taken at MC1: ${two} (Ann)`]);
    pause(two);
    expect(resume({ check: check({ revision: 'B' }) })).toEqual(['The machine shows revision B; the card asks for A of "sides"']);
    expect(resume({ check: check() })).toBe('done');
    expect(house.rows.get(Machine, 'MC1#1').batchId).toBe(one);
    expect(visitOf(house.rows, house.batch(one)).run).toMatchObject({ revision: 'A', pieces: 2, timed: false });
    pause(one);
    expect(resume()).toBe('done');
  });

  test('a load of two batches runs one program', () => {
    const house = shop();
    const [one, two] = [house.start('body', 2, { route: ROUTE }), house.start('body', 2, { route: ROUTE })];
    expect(said(begin(house, one, { withBatchIds: [two] }))).toBe('done');
    expect([one, two].map((id) => visitOf(house.rows, house.batch(id)).run?.machineId)).toEqual(['MC1#1', 'MC1#1']);
  });
});

describe('cutters', () => {
  const keep = (house: TestHouse, id: string, kind = '6 mm', lifeMinutes = 20) =>
    house.give(KeepCutter, { id, kind, lifeMinutes, note: '' });
  const log = (house: TestHouse, cutterId: string, act: string, over: object = {}) =>
    house.give(LogCutter, { cutterId, act, stationCode: null, bench: null, lifeMinutes: null, note: 'seen', ...over });
  const mount = (house: TestHouse, id: string, bench = 1) => log(house, id, 'mount', { stationCode: 'MC1', bench });
  const usedS = (house: TestHouse, useId: string) => house.rows.find(CutterUse, useId)?.seconds ?? 0;

  function cut(house: TestHouse, pieces: number, trial = false): string {
    const id = house.start('body', pieces, { route: PLAIN, workClass: trial ? 'trial' : 'order' });
    expect(said(begin(house, id))).toBe('done');
    house.pass(24 * MINUTE_MS);
    const done = house.command(id, { command: 'finish work', good: pieces, rework: 0, scrap: 0, outcomes: [] });
    expect(said(done)).toBe('done');
    return id;
  }

  test('one on each machine of a kind; broken ones and worn ones leave with a word', () => {
    const house = shop();
    expect(said(keep(house, 'K1'))).toBe('done');
    expect(said(keep(house, 'K1'))).toEqual(['There is a cutter K1 already']);
    keep(house, 'K2');
    expect(said(log(house, 'K1', 'take off'))).toEqual(['Cutter K1 is ready: it cannot be take off']);
    expect(said(log(house, 'K1', 'mount', { stationCode: 'MC1', bench: 3 }))).toEqual(['MC1 has no machine 3']);
    expect(said(mount(house, 'K1'))).toBe('done');
    expect(said(mount(house, 'K2'))).toEqual(['K1 is on that machine: take it off first']);
    expect(said(mount(house, 'K2', 2))).toBe('done');
    expect(said(log(house, 'K1', 'broken', { note: '' }))).toEqual(['Say how it broke: the next one breaks the same way']);
    expect(said(log(house, 'K1', 'broken'))).toBe('done');
    expect(said(mount(house, 'K1'))).toEqual(['Cutter K1 is broken: it cannot be put on']);
    expect(said(log(house, 'K1', 'put away'))).toBe('done');
  });

  test('what the program needs is on the machine, where the factory keeps cutters', () => {
    const house = shop();
    keep(house, 'K1', '12 mm');
    mount(house, 'K1');
    const id = house.start('body', 2, { route: PLAIN });
    expect(said(begin(house, id))).toEqual(['Not on this machine: 6 mm']);
    keep(house, 'K2');
    mount(house, 'K2', 2);
    expect(said(begin(house, id))).toEqual(['Not on this machine: 6 mm']);
    expect(said(begin(house, id, { check: check({ machineId: 'MC1#2' }) }))).toBe('done');
  });

  test('minutes count by the loads that were cut, until it is sharpened; taking it back takes them back', () => {
    const house = shop();
    keep(house, 'K1');
    mount(house, 'K1');
    const id = cut(house, 3);
    // A load of two and one that is half full, three minutes a load.
    expect(usedS(house, 'K1/0')).toBe(270);
    for (const kind of ['batch.moved', 'work.finished']) {
      const entryId = house.recorder.entries.findLast((e) => e.kind === kind)?.id ?? 0;
      expect(said(house.command(id, { command: 'undo entry', entryId, reason: 'counted wrong' }))).toBe('done');
    }
    expect(usedS(house, 'K1/0')).toBe(0);
    cut(house, 1, true);
    expect(usedS(house, 'K1/0')).toBe(90);
    log(house, 'K1', 'sharpened', { lifeMinutes: 15 });
    mount(house, 'K1');
    cut(house, 2);
    expect([usedS(house, 'K1/0'), usedS(house, 'K1/1')]).toEqual([90, 180]);
  });

  test('a batch that is split once it is done has cut what it cut', () => {
    const house = shop();
    keep(house, 'K1');
    mount(house, 'K1');
    const id = house.start('body', 4, { route: PLAIN });
    begin(house, id);
    expect(
      said(
        house.command(id, {
          command: 'split batch',
          pieceIds: house
            .live(id)
            .slice(0, 2)
            .map((p) => p.id),
        } as never),
      ),
    ).not.toBe('done');
    expect(house.rows.get(Visit, house.batch(id).visitId).run?.pieces).toBe(4);
  });

  test('how long loads take is told by station, without trials', () => {
    const house = shop();
    for (let i = 0; i < 3; i++) cut(house, 4);
    cut(house, 4, true);
    const [truth] = timeTruths(house.rows.all(RunTimes));
    expect(truth?.load?.count).toBe(3);
    expect(truth?.load?.medianMinutes).toBeCloseTo(12, 0);
    expect(truth?.setUp).toBeNull();
  });

  test('the answers name what can run, and what is on the machines', () => {
    const house = shop();
    keep(house, 'K1');
    mount(house, 'K1');
    cut(house, 4);
    const asked = { modelId: 'plain', what: 'sides', choices: {}, trial: false };
    expect(house.answer(ProgramFor, asked)?.toRun?.name).toBe('A');
  });
});

describe('observed minutes', () => {
  test('the middle of what was counted lies within a hundredth of the middle of what was timed', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.2, max: 400, noNaN: true }), { minLength: 1, maxLength: 40 }), (minutes) => {
        const times = minutes.map((m) => ({ minutesClass: Math.round(Math.log(m / 0.05) / Math.log(1.02)), count: 1 }));
        const sorted = [...minutes].sort((a, b) => a - b);
        const [below, above] = [sorted[Math.floor((sorted.length - 1) / 2)] ?? 0, sorted[Math.ceil((sorted.length - 1) / 2)] ?? 0];
        const found = observedOf(times);
        expect(found?.count).toBe(minutes.length);
        expect(Math.abs((found?.medianMinutes ?? 0) / ((below + above) / 2) - 1)).toBeLessThan(0.0101);
      }),
    );
  });
  test('nothing was timed', () => expect(observedOf([])).toBeNull());
  test('quarters lie between values as they do in any sample', () => {
    const at = (m: number) => Math.round(Math.log(m / 0.05) / Math.log(1.02));
    const found = observedOf([10, 20, 30, 40].map((m) => ({ minutesClass: at(m), count: 1 })));
    expect(found?.lowMinutes).toBeCloseTo(17.5, 0);
    expect(found?.medianMinutes).toBeCloseTo(25, 0);
    expect(found?.highMinutes).toBeCloseTo(32.5, 0);
  });
});
