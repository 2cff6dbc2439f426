import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { HOUR_MS } from '../units/index.ts';
import { longestRising, WallClock } from './index.ts';

describe('wall clocks', () => {
  const vienna = new WallClock('Europe/Vienna');
  const at = (iso: string) => Date.parse(iso);
  test.each([
    ['2026-01-15T12:00Z', 1],
    ['2026-07-15T12:00Z', 2],
    ['2026-03-29T00:59Z', 1],
    ['2026-03-29T01:00Z', 2],
    ['2026-10-25T00:59Z', 2],
    ['2026-10-25T01:00Z', 1],
  ])('at %s are %i h ahead', (iso, hours) => {
    expect(vienna.offsetMs(at(iso))).toBe(hours * HOUR_MS);
  });
  test('skip an hour in spring and show one twice in autumn', () => {
    expect(vienna.instantsOf(at('2026-03-29T02:30Z'))).toEqual([]);
    expect(vienna.instantsOf(at('2026-10-25T02:30Z'))).toEqual([at('2026-10-25T00:30Z'), at('2026-10-25T01:30Z')]);
    expect(vienna.instantsOf(at('2026-06-01T08:00Z'))).toEqual([at('2026-06-01T06:00Z')]);
  });
  test('shown twice are read in the order they were written', () => {
    const { atMs, clock } = vienna.instants(['25.10.2026 1:30', '25.10.2026 2:30', '25.10.2026 2:30', '25.10.2026 3:30']);
    expect(atMs.map((ms) => (ms === null ? null : new Date(ms).toISOString().slice(11, 16)))).toEqual(['23:30', '00:30', '01:30', '02:30']);
    expect(clock).toBe('local');
  });
  test('that tell the skipped hour kept standard time', () => {
    const { atMs, clock } = vienna.instants(['2026-03-29 01:30', '2026-03-29 02:30', '2026-03-29 03:30']);
    expect(clock).toBe('standard');
    expect(atMs.slice(1).map((ms, i) => (ms ?? 0) - (atMs[i] ?? 0))).toEqual([HOUR_MS, HOUR_MS]);
  });
  test('that went through the doubled hour once are asked about, with both readings', () => {
    const texts = ['25.10.2026 1:30', '25.10.2026 2:00', '25.10.2026 2:30', '25.10.2026 3:00'];
    const asked = vienna.instants(texts);
    expect(asked.atMs).toEqual([null, null, null, null]);
    expect(asked.question).toEqual({
      about: 'clock',
      choices: [
        { value: 'standard', fromMs: at('2026-10-25T00:30Z'), toMs: at('2026-10-25T02:00Z') },
        { value: 'summer', fromMs: at('2026-10-24T23:30Z'), toMs: at('2026-10-25T01:00Z') },
      ],
    });
    expect(vienna.instants(texts, { clock: 'summer' })).toMatchObject({
      question: null,
      clock: 'summer',
      atMs: expect.arrayContaining([at('2026-10-25T01:00Z')]),
    });
  });
  test('that were silent then are not', () => {
    expect(vienna.instants(['25.10.2026 0:30', '25.10.2026 6:30']).question).toBeNull();
  });
  test('of a list with the newest first are read alike', () => {
    const texts = ['25.10.2026 1:30', '25.10.2026 2:30', '25.10.2026 2:30', '25.10.2026 3:30'];
    expect(vienna.instants([...texts].reverse()).atMs).toEqual([...vienna.instants(texts).atMs].reverse());
  });
  test('with dates that say more than one order are asked about, until somebody says', () => {
    const texts = ['2/3/2026 10:00 PM', '4/3/2026 9:00 am'];
    expect(vienna.instants(texts)).toEqual({
      atMs: [null, null],
      order: null,
      clock: null,
      question: {
        about: 'order',
        choices: [
          { value: 'day first', fromMs: at('2026-03-02T21:00Z'), toMs: at('2026-03-04T08:00Z') },
          { value: 'month first', fromMs: at('2026-02-03T21:00Z'), toMs: at('2026-04-03T07:00Z') },
        ],
      },
    });
    expect(vienna.instants(texts, { order: 'month first' })).toMatchObject({
      question: null,
      order: 'month first',
      atMs: [at('2026-02-03T21:00Z'), at('2026-04-03T07:00Z')],
    });
  });
  test('are not read in an order that was said, where the dates say another', () => {
    expect(vienna.instants(['13/2/2026 10:00'], { order: 'month first' })).toMatchObject({ order: 'day first', question: null });
  });
  test.each([
    [['2026-03-01T10:00:00Z', '2026-03-01T12:00+01:00'], null, '2026-03-01T10:00Z'],
    [['13/2/2026 10:00', '1/3/2026 10:00'], 'day first', '2026-02-13T09:00Z'],
    [['2/13/2026 10:00', '3/1/2026 10:00'], 'month first', '2026-02-13T09:00Z'],
    [['01.03.2026 08:05', '13.03.2026 00:30'], 'day first', '2026-03-01T07:05Z'],
    [['2026-03-01T00:00', '2026-03-01 09:05'], 'year first', '2026-02-28T23:00Z'],
    [['2026/3/1 00:00:01.250'], 'year first', '2026-02-28T23:00:01Z'],
    [['13.03.26 8:05'], 'day first', '2026-03-13T07:05Z'],
    [['13-Mar-2026, 12:05 a.m.'], 'day first', '2026-03-12T23:05Z'],
    [['13 march 2026 12:05 pm'], 'day first', '2026-03-13T11:05Z'],
    [['99-03-31 8:05'], 'year first', '1999-03-31T06:05Z'],
    [['13/3/2026'], 'day first', '2026-03-12T23:00Z'],
  ])('%j are read %s', (texts, order, first) => {
    const { atMs, ...read } = vienna.instants(texts);
    expect(read).toMatchObject({ order, question: null });
    expect(new Date(atMs[0] ?? 0).toISOString()).toBe(new Date(first).toISOString());
  });
  test.each([['nonsense'], [''], ['31.02.2026 10:00'], ['13.3.2026 25:00'], ['13.3.2026 13:00 pm'], ['13.3.2026 10:61']])(
    '%j is no time',
    (text) => {
      expect(vienna.instants([text]).atMs).toEqual([null]);
    },
  );
});

describe('what was written in order', () => {
  test('leaves out the fewest', () => {
    expect([...longestRising([10, 20, 999, 30, 5, 40])].sort()).toEqual([0, 1, 3, 5]);
    expect([...longestRising([null, 2, null, 1])]).toEqual([3]);
    expect(longestRising([]).size).toBe(0);
  });
  test('rises, and no longer run does, whatever the values', () => {
    const longest = (values: number[]): number =>
      Math.max(0, ...values.map((v, i) => 1 + longest(values.slice(i + 1).filter((later) => later > v))));
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 12 }), { maxLength: 9 }), (values) => {
        const run = [...longestRising(values)].sort((a, b) => a - b).map((place) => values[place] ?? 0);
        expect(run.every((v, i) => i === 0 || v > (run[i - 1] ?? 0))).toBe(true);
        expect(run).toHaveLength(longest(values));
      }),
    );
  });
});
