import { describe, expect, test } from '@jest/globals';
import { START_MS, TestHouse } from '../../test/house.ts';
import { DAY_MS, MINUTE_MS } from '../../units/index.ts';
import { CorrectReading, ImportReadings, Lot, Reading, ReadingSession, ReadLot, StrikeReading } from '../index.ts';

const AT = START_MS + DAY_MS;
const read = (house: TestHouse, text: string, over: object = {}) =>
  house.give(ReadLot, { lotId: 'L1', text, woodTempC: 20, meter: 'pin', ...over });
const sessions = (house: TestHouse) => house.rows.all(ReadingSession).map(({ id, meanPct, spreadPct }) => ({ id, meanPct, spreadPct }));
const raw = (house: TestHouse, sessionId: string) =>
  house.rows
    .all(Reading)
    .filter((r) => r.sessionId === sessionId)
    .map((r) => `${r.depth === 'core' ? 'c' : ''}${r.rawPct}`);

function withSession(text = '8 9 10'): TestHouse {
  const house = new TestHouse();
  house.nowMs = AT;
  read(house, text);
  return house;
}

describe('a value typed a minute later', () => {
  test('belongs to the session it follows', () => {
    const house = withSession();
    house.nowMs = AT + MINUTE_MS;
    expect(read(house, 'c11').kind).toBe('accept');
    expect(raw(house, 'L1/1')).toEqual(['8', '9', '10', 'c11']);
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ sessions: 1, lastReadMs: AT });
    const [session] = sessions(house);
    expect(house.rows.get(Lot, 'L1').meanPct).toBe(session?.meanPct);
    expect(house.recorder.entries.at(-1)).toMatchObject({ kind: 'session.continued', atMs: AT + MINUTE_MS });
  });
  test('at another temperature of the wood is corrected by that', () => {
    const house = withSession();
    read(house, '10', { woodTempC: 5 });
    expect(house.rows.get(Reading, 'L1/1/4')).toMatchObject({ woodTempC: 5, correctedPct: 11.27 });
    expect(house.rows.get(Reading, 'L1/1/3')).toMatchObject({ woodTempC: null, correctedPct: 9.99 });
  });
  test.each([
    ['half an hour later', 30, {}],
    ['through a plate', 1, { meter: 'pinless' }],
  ])('%s begins a session', (_, minutes, over) => {
    const house = withSession();
    house.nowMs = AT + minutes * MINUTE_MS;
    read(house, '9', over);
    expect(sessions(house)).toHaveLength(2);
  });
});

test('sample boards weighed one after the other are a session; the same board again is the next', () => {
  const house = withSession();
  const weigh = (text: string) => read(house, text, { meter: 'sample board' });
  weigh('S1=1190@19');
  weigh('S2=1210@19');
  expect(sessions(house)).toHaveLength(2);
  weigh('S1=1185');
  expect(sessions(house)).toHaveLength(3);
});

describe('a reading that was written down wrong', () => {
  const correct = (house: TestHouse, over: object = {}) =>
    house.give(CorrectReading, { lotId: 'L1', sessionId: 'L1/1', seq: 2, text: '9.4', ...over });
  test('is put right where it stands; what was written first stays with it', () => {
    const house = withSession('8 94 10');
    expect(correct(house).kind).toBe('accept');
    expect(raw(house, 'L1/1')).toEqual(['8', '9.4', '10']);
    expect(house.rows.get(Reading, 'L1/1/2')).toMatchObject({ firstRawPct: 94, struck: null });
    const [session] = sessions(house);
    expect(session?.meanPct).toBeCloseTo(9.1, 1);
    expect(house.rows.get(Lot, 'L1').meanPct).toBe(session?.meanPct);
    correct(house, { text: 'c9.6' });
    expect(house.rows.get(Reading, 'L1/1/2')).toMatchObject({ depth: 'core', rawPct: 9.6, firstRawPct: 94 });
  });
  test.each([
    ['9', 'That is what it says already'],
    ['9 10', 'Type the one reading as it should be'],
    ['about 9', '"about" is not a reading'],
  ])('as "%s" is refused', (text, sentence) => {
    const decision = correct(withSession(), { text });
    expect(decision).toMatchObject({ kind: 'refuse', because: [{ field: 'text', sentence: expect.stringContaining(sentence) }] });
  });
  test('and struck out is not put right any more', () => {
    const house = withSession();
    house.give(StrikeReading, { lotId: 'L1', sessionId: 'L1/1', seq: 2, reason: 'A nail' });
    expect(correct(house)).toMatchObject({ kind: 'refuse', because: [{ sentence: 'That reading is struck out already' }] });
  });
});

describe('a file’s sessions', () => {
  const session = (...pct: number[]) => ({
    lotId: 'L1',
    atMs: AT,
    readings: pct.map((rawPct, i) => ({ depth: 'shell' as const, rawPct, woodTempC: i === 0 ? 15 : 25 })),
  });
  const bring = (house: TestHouse, ...brought: object[]) => house.give(ImportReadings, { sessions: brought });
  const house = () => {
    const made = new TestHouse();
    made.nowMs = AT + MINUTE_MS;
    return made;
  };
  test('correct each reading by its own temperature', () => {
    const made = house();
    bring(made, session(10, 10));
    expect(made.rows.get(ReadingSession, 'L1/1').woodTempC).toBe(20);
    const [cold, warm] = made.rows.all(Reading);
    expect([cold?.woodTempC, warm?.woodTempC]).toEqual([15, 25]);
    expect(cold?.correctedPct).toBeGreaterThan(warm?.correctedPct ?? Infinity);
  });
  test('are one session however often they are brought, also in one file, and after one is put right', () => {
    const made = house();
    bring(made, session(10, 9), session(9, 10));
    made.give(CorrectReading, { lotId: 'L1', sessionId: 'L1/1', seq: 1, text: '8' });
    expect(bring(made, session(10, 9))).toEqual({ kind: 'accept', entries: [] });
    expect(sessions(made)).toHaveLength(1);
    bring(made, session(10, 9, 9));
    expect(sessions(made)).toHaveLength(2);
  });
  test('without a reading are refused', () => {
    expect(bring(house(), session())).toMatchObject({ kind: 'refuse', because: [{ sentence: 'This session has no reading' }] });
  });
});
