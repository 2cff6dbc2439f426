import { describe, expect, test } from '@jest/globals';
import type { Decision, Written } from '../ledger/index.ts';
import { TestHouse } from '../test/house.ts';
import { InstrumentStudy, studyInWords, StudyInstrument, studyResult, type StudyInstrumentRequest } from './index.ts';

/** Two people, three parts, two repeats: parts a tenth apart, a hundredth between repeats. */
const VALUES = [
  [
    [10, 10.01],
    [10.1, 10.11],
    [10.2, 10.21],
  ],
  [
    [10, 10.01],
    [10.1, 10.11],
    [10.2, 10.21],
  ],
];
const study = (over: Partial<StudyInstrumentRequest> = {}): StudyInstrumentRequest => ({
  instrument: 'caliper',
  what: 'Pocket width',
  unit: 'mm',
  low: 9.5,
  high: 10.5,
  people: ['Ann', 'Ben'],
  values: VALUES,
  ...over,
});
const told = (decision: Decision<Written>) =>
  decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => `${f.field ?? ''}: ${f.sentence}`);

describe('what an instrument is worth', () => {
  test('is told of the tolerance, or of all that varies where a side is open', () => {
    const result = studyResult(study());
    expect(result.byRange?.method).toBe('range');
    expect(result.pct).toBeCloseTo(result.byVariance.ofTolerancePct ?? NaN, 12);
    expect(result.verdict).toBe('fit');
    expect(studyInWords(study(), result)).toMatch(
      /^The caliper takes \d % of the tolerance for itself at pocket width, more by the instrument than by who measures: it is fit for that$/,
    );
    const open = studyResult(study({ high: null }));
    expect(open.byVariance.ofTolerancePct).toBeNull();
    expect(open.pct).toBeCloseTo(open.byVariance.ofTotalPct, 12);
  });
  test('is judged at a tenth and at three tenths', () => {
    const verdict = (width: number) => studyResult(study({ low: 10, high: 10 + width })).verdict;
    const gauge = studyResult(study()).byVariance.gauge;
    expect(verdict((6 * gauge) / 0.099)).toBe('fit');
    expect(verdict((6 * gauge) / 0.101)).toBe('may do');
    expect(verdict((6 * gauge) / 0.299)).toBe('may do');
    expect(verdict((6 * gauge) / 0.301)).toBe('not fit');
  });
  test('more than ranges are read of is told by the variance alone', () => {
    const many = Array.from({ length: 2 }, () => Array.from({ length: 11 }, (_, part) => [part, part + 0.1]));
    expect(studyResult(study({ values: many })).byRange).toBeNull();
  });
});

describe('a study', () => {
  test('is kept, and a later one takes its place', () => {
    const house = new TestHouse();
    expect(told(house.give(StudyInstrument, study({ instrument: ' caliper ' })))).toEqual(['instrument.studied']);
    house.pass();
    house.give(StudyInstrument, study({ people: ['Ann', 'Cai'] }));
    expect(house.rows.all(InstrumentStudy)).toMatchObject([{ id: 'caliper/Pocket width', people: ['Ann', 'Cai'], atMs: house.nowMs }]);
  });
  test.each<[Partial<StudyInstrumentRequest>, string]>([
    [{ instrument: ' ' }, 'instrument: Say which instrument'],
    [{ what: '' }, 'what: Say what was measured'],
    [{ low: 2, high: 1 }, 'high: The tolerance ends before it begins'],
    [{ people: ['Ann'] }, 'people: Each row of values has the name of whoever measured it, each another'],
    [{ people: ['Ann', ' ann '] }, 'people: Each row of values has the name of whoever measured it, each another'],
    [{ values: [VALUES[0] ?? [], [[1, 2]]] }, 'values: Everybody measures every part as often'],
  ])('that is not whole is refused: %j', (over, sentence) => {
    expect(told(new TestHouse().give(StudyInstrument, study(over)))).toEqual([sentence]);
  });
});
