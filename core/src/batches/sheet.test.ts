import { describe, expect, test } from '@jest/globals';
import { checkRoute, operationOf, type Operation, type Route, type StepSheet } from '../routing/index.ts';
import { TestHouse } from '../test/house.ts';
import { step } from '../test/parts.ts';
import { SHORT_ROUTE } from '../test/routes.ts';
import { sheetGiven, sheetSentence } from './sheet.ts';

const SHEET: StepSheet = {
  instructions: ['Long grain first'],
  ticks: [
    { key: 'dust', text: 'Dust port open' },
    { key: 'edge', text: 'Edges looked at' },
  ],
  notes: [
    { id: 'feed', name: 'Feed', figure: { unit: 'm/min', low: 3, high: 6 } },
    { id: 'belt', name: 'Belt' },
  ],
};
const ALL = {
  ticks: ['edge', 'dust'],
  notes: [
    { id: 'feed', figure: 4 },
    { id: 'belt', words: ' P120, new ' },
  ],
};
const sentences = (said: ReturnType<typeof sheetGiven>) => (said.kind === 'refuse' ? said.because.map((f) => f.sentence) : []);

describe('a step sheet that comes back', () => {
  test('is kept in the words that were vouched for, in the order of the sheet', () => {
    const back = sheetGiven(SHEET, ALL);
    expect(back).toEqual({
      kind: 'given',
      given: {
        ticks: ['Dust port open', 'Edges looked at'],
        notes: [
          { id: 'feed', name: 'Feed', value: 4, unit: 'm/min' },
          { id: 'belt', name: 'Belt', value: 'P120, new', unit: '' },
        ],
      },
      findings: [],
    });
    expect(back.kind === 'given' && back.given && sheetSentence(back.given)).toBe(
      '; feed 4 m/min; belt P120, new; ticked: Dust port open, Edges looked at',
    );
  });
  test('tells all that is missing at once; a blank is nothing', () => {
    expect(sentences(sheetGiven(SHEET, { ticks: ['dust'], notes: [{ id: 'belt', words: '  ' }] }))).toEqual([
      'Not ticked yet: Edges looked at. Not noted yet: Feed, Belt',
    ]);
    expect(sentences(sheetGiven(SHEET))).toEqual(['Not ticked yet: Dust port open; Edges looked at. Not noted yet: Feed, Belt']);
  });
  test('says what happened, also where it lies out of its bounds', () => {
    const notes = [{ id: 'feed', figure: 9 }, ALL.notes[1] ?? { id: '' }];
    const back = sheetGiven(SHEET, { ...ALL, notes });
    expect(back.kind === 'given' && back.findings.map((f) => f.sentence)).toEqual(['Feed: 9 m/min was noted, 3–6 m/min is asked for']);
  });
  test.each([
    ['a tick that is not on it', { ...ALL, ticks: ['dust', 'edge', 'oil'] }],
    ['a tick given twice', { ...ALL, ticks: ['dust', 'edge', 'edge'] }],
    ['a note that is not asked for', { ...ALL, notes: [...ALL.notes, { id: 'water', figure: 3 }] }],
    ['a note given twice', { ...ALL, notes: [...ALL.notes, { id: 'feed', figure: 5 }] }],
  ])('is refused with %s', (_, said) => {
    expect(sheetGiven(SHEET, said).kind).toBe('refuse');
    expect(sheetGiven(undefined, said).kind).toBe('refuse');
  });
  test('a step without one asks for nothing', () =>
    expect(sheetGiven({ instructions: ['Only told'] })).toEqual({ kind: 'given', given: null, findings: [] }));
});

describe('at the bench', () => {
  const route: Route = { ...SHORT_ROUTE, operations: SHORT_ROUTE.operations.map((o) => (o.id === 'cut' ? { ...o, sheet: SHEET } : o)) };
  const begun = () => {
    const house = new TestHouse(new Map([[route.id, route]]));
    const id = house.start('body', 2, { route });
    house.command(id, { command: 'start work', personId: 'ann' });
    house.pass();
    return { house, id };
  };
  const done = { command: 'finish work', good: 2, rework: 0, scrap: 0, outcomes: [] } as const;
  const because = (decision: { kind: string; because?: readonly { sentence: string }[] }) => decision.because?.map((f) => f.sentence) ?? [];

  test('nothing is finished before its sheet is given back, and the logbook tells what was', () => {
    const { house, id } = begun();
    expect(because(house.command(id, done))).toEqual(['Not ticked yet: Dust port open; Edges looked at. Not noted yet: Feed, Belt']);
    expect(house.command(id, { ...done, sheet: ALL }).kind).toBe('accept');
    expect(house.recorder.entries.find((e) => e.kind === 'work.finished')?.payload).toMatchObject({
      sheet: { ticks: ['Dust port open', 'Edges looked at'] },
    });
  });
  test('a figure out of its bounds is accepted by a lead, with a reason that stays', () => {
    const { house, id } = begun();
    const fast = {
      ...ALL,
      notes: [
        { id: 'feed', figure: 9 },
        { id: 'belt', words: 'P120' },
      ],
    };
    expect(because(house.command(id, { ...done, sheet: fast }))).toEqual(['Feed: 9 m/min was noted, 3–6 m/min is asked for']);
    expect(house.command(id, { ...done, sheet: fast, acceptReason: 'The new belt takes it' }).kind).toBe('accept');
    expect(house.recorder.entries.find((e) => e.kind === 'work.finished')?.payload).toMatchObject({
      override: { reason: 'The new belt takes it' },
    });
  });
  test('what is ready before the rest is vouched for too; of what was spoilt nobody need vouch', () => {
    const { house, id } = begun();
    const [first = '', second = ''] = house.live(id).map((p) => p.id);
    expect(house.command(id, { command: 'finish some', pieceIds: [first] }).kind).toBe('refuse');
    expect(house.command(id, { command: 'finish some', pieceIds: [first], sheet: ALL }).kind).toBe('accept');
    const outcomes = [{ pieceId: second, outcome: 'scrap', defect: 'crack', originOperationId: 'cut', note: '' }] as const;
    expect(house.command(id, { ...done, good: 0, scrap: 1, outcomes: [...outcomes] }).kind).toBe('accept');
  });
});

describe('a sheet on a route', () => {
  const problems = (over: Partial<Operation>) => {
    const here = step('here', 'body', ['ship'], over);
    const found = checkRoute({ ...SHORT_ROUTE, operations: [here, operationOf(SHORT_ROUTE, 'ship')] });
    return found.map((p) => p.message).filter((said) => /sheet|Nobody|notes|bounds|picture/i.test(said));
  };
  test('asks only where somebody finishes, and only once for each', () => {
    expect(problems({ sheet: SHEET })).toEqual([]);
    expect(problems({ kind: 'dwell', sheet: { instructions: ['Cool and dark'] } })).toEqual([]);
    expect(problems({ kind: 'dwell', sheet: SHEET })).toEqual(['Nobody finishes "here": nothing can be ticked or noted there']);
    expect(
      problems({
        sheet: {
          ticks: [
            { key: 'a', text: 'Looked at' },
            { key: 'b', text: ' Looked at' },
          ],
        },
      }),
    ).toEqual(['The sheet of "here" asks twice for the same tick']);
    expect(problems({ sheet: { lookFor: ['  '] } })).toEqual(['The sheet of "here" has an empty line']);
    expect(problems({ sheet: { pictures: [{ id: 'P1', caption: '' }] } })).toEqual([
      'A picture of "here" does not say what is to be seen on it',
    ]);
    expect(problems({ sheet: { notes: [{ id: 'f', name: 'Feed', figure: { unit: '', low: 6, high: 3 } }] } })).toEqual([
      'At "here" the bounds of Feed are the wrong way round',
    ]);
  });
});
