import { describe, expect, test } from '@jest/globals';
import { HOUR_MS } from '../units/index.ts';
import { limitInWords, limitOf, type Pace, type PersonHours, type StationWork } from './index.ts';

const h = (hours: number) => hours * HOUR_MS;
const station = (name: string, arrived: number, over: Partial<StationWork> = {}): StationWork => ({
  code: name,
  name,
  arrivedMs: h(arrived),
  hoursMs: h(160),
  queuedMs: h(4),
  weeklyMs: h(40),
  holders: null,
  starves: false,
  ...over,
});
const ann: PersonHours = { id: 'ann', name: 'Ann', hoursMs: h(160) };
const bob: PersonHours = { id: 'bob', name: 'Bob', hoursMs: h(160) };
const pace: Pace = { startedPerDay: 3.1, shippedPerDay: 3, notBegun: 0, noRoom: 0 };

describe('what limits the factory', () => {
  test('is a station from eight tenths of its hours on', () => {
    const limit = limitOf([station('Mill', 90), station('Booth', 147, { queuedMs: h(31) })], [], pace);
    expect(limitInWords(limit)).toBe('Booth holds the line: work for 92 % of its hours came in, 31 h queued, 40 h a week available.');
  });
  test('is no station that has work for less, whatever the others have', () => {
    const limit = limitOf([station('Mill', 60), station('Buffing', 100)], [], pace);
    expect(limitInWords(limit)).toBe(
      'No station is narrow: the busiest, Buffing, had work for 63 % of its hours, and 4 h wait there. All that is on order is begun.',
    );
  });
  test('is a station with less that starves those after it, its own week before it', () => {
    const starving = station('Booth', 100, { starves: true, queuedMs: h(20) });
    expect(limitInWords(limitOf([starving], [], pace))).toContain('Booth holds the line: work for 63 %');
    expect(limitInWords(limitOf([starving], [], pace))).toContain('what follows it has nothing to do');
    expect(limitOf([station('Booth', 100, { starves: true })], [], pace).kind).toBe('nothing');
  });
  test('is a station with weeks of work before it, though it had hours enough while it had more places', () => {
    const limit = limitOf([station('Binding', 115), station('Buffing', 112, { queuedMs: h(111), weeklyMs: h(42) })], [], {
      ...pace,
      notBegun: 105,
    });
    expect(limitInWords(limit)).toBe('Buffing holds the line: work for 70 % of its hours came in, 111 h queued, 42 h a week available.');
    expect(limitOf([station('Buffing', 112, { queuedMs: h(42), weeklyMs: h(42) })], [], pace).kind).toBe('nothing');
  });
  test('is one person who is needed at two benches, neither of which is short of its own hours', () => {
    const benches = [
      station('Scrape', 80, { holders: ['ann'] }),
      station('Burst', 70, { holders: ['ann'] }),
      station('Sand', 100, { holders: ['ann', 'bob'] }),
    ];
    const limit = limitOf(benches, [ann, bob], pace);
    expect(limitInWords(limit)).toBe(
      'Ann holds the line: nobody else can work at Scrape and Burst, where work for 94 % of those hours came in.',
    );
  });
  test('is two people whose three benches ask for more than both have', () => {
    const benches = ['A', 'B', 'C'].map((name) => station(name, 100, { holders: ['ann', 'bob'] }));
    expect(limitOf(benches, [ann, bob], pace)).toMatchObject({ kind: 'people', share: 300 / 320, people: [ann, bob] });
  });
  test('is nobody while the station itself is shorter', () => {
    const benches = [station('Scrape', 150, { holders: ['ann'], hoursMs: h(160) }), station('Burst', 1, { holders: ['ann'] })];
    expect(limitOf([...benches, station('Booth', 155)], [ann], pace)).toMatchObject({ kind: 'station', station: { name: 'Booth' } });
  });
  test('is room where several batches find none', () => {
    expect(limitInWords(limitOf([station('Mill', 60)], [], { ...pace, noRoom: 7 }))).toMatch(/^Room holds the line: 7 batches/);
  });
  test('is what is started where orders wait to be begun', () => {
    expect(limitInWords(limitOf([station('Mill', 60)], [], { ...pace, notBegun: 14 }))).toBe(
      'No station is narrow: the busiest, Mill, had work for 38 % of its hours, and 4 h wait there. What is started sets the pace: 3.1 bodies a day were, 3.0 instruments a day were shipped; 14 instruments on order are not begun.',
    );
  });
  test('is not what is started where more is begun than leaves', () => {
    expect(limitInWords(limitOf([station('Mill', 60)], [], { ...pace, shippedPerDay: 2, notBegun: 14 }))).toBe(
      'No station is narrow: the busiest, Mill, had work for 38 % of its hours, and 4 h wait there. More is begun than leaves: 3.1 bodies a day were begun, 2.0 instruments a day shipped; the rest is under way.',
    );
  });
  test('is nothing in an empty factory, and a station without places is closed, not busy', () => {
    expect(limitInWords(limitOf([], [], { ...pace, startedPerDay: 0, shippedPerDay: 0 }))).toBe(
      'No work came to any station. All that is on order is begun.',
    );
    expect(limitOf([station('Closed', 10, { hoursMs: 0 })], [], pace).kind).toBe('nothing');
  });
});
