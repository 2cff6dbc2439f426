import { describe, expect, test } from '@jest/globals';
import type { View } from '../ground/api.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import DimensionsScreen from './DimensionsScreen.tsx';
import { parseStudy } from './parseStudy.ts';

type Dimension = View<'DimensionView'>;
const index = (value: number) => ({ value, from: value - 0.2, to: value + 0.2 });
const dimension = (over: Partial<Dimension> = {}): Dimension => ({
  id: 'skiff/pocket/width',
  modelName: 'Skiff',
  operationId: 'pocket',
  stepName: 'Machine bodies',
  stage: 'machining',
  stationCode: 'MC1',
  stationName: 'Body machining centre',
  name: 'Pocket width',
  unit: 'mm',
  low: 55.95,
  high: 56.15,
  instrument: 'inside caliper',
  holds: true,
  decidingSkill: null,
  count: 90,
  lacking: 0,
  lastMs: NOW_MS,
  lastValue: 56.05,
  state: 'in control',
  limits: { centre: 56.05, lower: 55.98, upper: 56.12 },
  signal: null,
  found: null,
  capability: { count: 60, mean: 56.05, sigmaOverall: 0.03, pp: index(1.2), ppk: index(1.1), cp: index(1.4), cpk: index(1.3) },
  drift: null,
  ...over,
});
const off = (over: Partial<Dimension> = {}): Dimension =>
  dimension({
    id: 'dory/pocket/width',
    modelName: 'Dory',
    state: 'out of control',
    signal: { rule: 'beyond', sentence: 'one value above the upper limit', atMs: NOW_MS, batchId: 'B7', pieceId: 'B7-02', value: 56.14 },
    capability: { count: 60, mean: 56.05, sigmaOverall: 0.03, pp: index(1.2), ppk: index(1.1), cp: null, cpk: null },
    ...over,
  });
const screen = (all: readonly Dimension[], over: Parameters<typeof render>[1] = {}, studies: readonly View<'InstrumentStudyView'>[] = []) =>
  wordsOf(
    render(<DimensionsScreen />, {
      answers: [
        [['dimensions'], all],
        [['instrument studies'], studies],
      ],
      at: '/machining/dimensions',
      ...over,
    }),
  );

describe('the answer', () => {
  test('names what is out of control, and what it says', () => {
    const text = screen([off(), dimension()]);
    expect(text).toContain(
      'Pocket width of Dory is out of control: one value above the upper limit. 1 of 2 characteristics is in control.',
    );
  });
  test('counts several, and those with too few values', () => {
    const few = dimension({ id: 'c', state: 'too few', lacking: 12, limits: null, capability: null });
    const text = screen([off(), off({ id: 'b' }), few]);
    expect(text).toContain('2 charts are out of control, first Pocket width of Dory');
    expect(text).toContain('0 of 3 characteristics are in control, 1 has too few values for a chart.');
    expect(text).toContain('12 more for a chart');
  });
  test('says what will leave its tolerance next', () => {
    const drift = { slope: 0.002, slopeFrom: 0.001, slopeTo: 0.003, now: 56.07, left: { x: 40, from: 25, to: 90, edge: 'high' as const } };
    const text = screen([dimension({ drift })]);
    expect(text).toContain('Pocket width of Skiff leaves its tolerance in about 40 parts. 1 of 1 characteristic is in control.');
    expect(text).toMatch(/Rises by 0\.0020\s?mm a part \(0\.0010 to 0\.0030\): leaves its tolerance in about 40 parts \(25 to 90\)/);
  });
  test('nothing measured tells where it is said what is', () => {
    expect(screen([])).toContain('Nothing has been measured yet. What a step measures is said on its route, under Setup.');
  });
});

describe('one of them', () => {
  test('tells what it is, what fired and how well it keeps its tolerance', () => {
    const text = screen([off({ found: { note: 'Cutter changed', atMs: NOW_MS, by: 'Ann Field' } })]);
    expect(text).toContain(
      'Machine bodies at Body machining centre · by inside caliper · 90 values so far · its batch is held when a rule fires',
    );
    expect(text).toMatch(/one value above the upper limit, the last 56\.14\s?mm on B7-02/);
    expect(text).toContain('Ppk 1.10 (0.90 to 1.30) over the latest 60 values; Cpk is told only of what is in control.');
    expect(text).toMatch(/Last found, by Ann Field, .*: Cutter changed/);
  });
  test('is settled by a lead, and begun anew where nothing fired', () => {
    expect(screen([off()], { role: 'lead' })).toContain('Say what was found');
    expect(screen([off()], { role: 'operator' })).not.toContain('Say what was found');
    expect(screen([dimension()], { role: 'lead' })).toContain('Begin the chart anew');
    expect(screen([dimension()], { role: 'viewer' })).not.toContain('Begin the chart anew');
  });
  test('is found by what it is called, and by its state', () => {
    const all = [off(), dimension()];
    const list = (query: string) => screen(all, { at: `/machining/dimensions?id=skiff%2Fpocket%2Fwidth&${query}` });
    expect(list('find=dory')).toContain('Pocket width, Dory');
    expect(list('find=dory')).not.toContain('Pocket width, Skiff Machine bodies');
    expect(list('state=in+control')).not.toContain('Pocket width, Dory');
    expect(list('find=gremlin')).toContain('None of them is called so.');
  });
});

describe('instruments', () => {
  const gauge = {
    repeatability: 0.01,
    reproducibility: 0.002,
    gauge: 0.011,
    part: 0.1,
    ofTolerancePct: 33,
    ofTotalPct: 11,
    categories: 12,
  };
  const study: View<'InstrumentStudyView'> = {
    id: 'caliper/Pocket width',
    instrument: 'caliper',
    what: 'Pocket width',
    unit: 'mm',
    people: ['Ann', 'Ben'],
    parts: 10,
    repeats: 3,
    atMs: NOW_MS,
    by: 'Ann Field',
    verdict: 'not fit',
    sentence: 'The caliper takes 33 % of the tolerance for itself',
    byVariance: gauge,
    byRange: { ...gauge, ofTolerancePct: 31 },
  };
  test('are told with what they are worth, and how they were studied', () => {
    const text = screen([dimension()], {}, [study]);
    expect(text).toContain('The caliper takes 33 % of the tolerance for itself.');
    expect(text).toContain('10 parts, 3 times each by Ann, Ben. It tells 12 kinds of part apart; by ranges 31 %.');
    expect(screen([dimension()], {}, [{ ...study, byRange: null, byVariance: { ...gauge, categories: null } }])).toContain(
      'It tells any number of kinds of part apart.',
    );
  });
  test('none studied says so; a lead may study one', () => {
    expect(screen([dimension()], { role: 'lead' })).toContain('None has been studied');
    expect(screen([dimension()], { role: 'lead' })).toContain('Study an instrument');
    expect(screen([dimension()], { role: 'operator' })).not.toContain('Study an instrument');
  });
  test('values are typed a line a part, by whoever measured it', () => {
    expect(parseStudy('Ann: 1 1,1\n\nben : 2; 2.1\nann: 3 3')).toEqual({
      people: [
        { name: 'Ann', parts: [{ again: [1, 1.1] }, { again: [3, 3] }] },
        { name: 'ben', parts: [{ again: [2, 2.1] }] },
      ],
      problems: [],
    });
    expect(parseStudy('1 2 3\nAnn:\nAnn: one').problems).toHaveLength(3);
  });
});
