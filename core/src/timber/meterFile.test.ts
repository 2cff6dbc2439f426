import { describe, expect, test } from '@jest/globals';
import { guessMeterColumns, readMeterFile, type MeterColumns } from './index.ts';

describe('a meter’s file', () => {
  const read = (csv: string, said: Partial<MeterColumns> = {}) => {
    const [header = [], ...rows] = csv.split('\n').map((line) => line.split(';'));
    const columns = guessMeterColumns(header, rows);
    if (!columns) throw new Error('No columns');
    return { columns, ...readMeterFile(header, rows, { ...columns, ...said }, { timeZone: 'Europe/Vienna' }) };
  };
  test('with a row of values in one cell', () => {
    const { sessions } = read('lot;date;wood_temp_c;readings\nl118;2026-05-04 08:00;20,5;8,4 8.6 c9.6');
    expect(sessions).toMatchObject([{ line: 2, lotId: 'L118', problem: null, atMs: Date.parse('2026-05-04T06:00Z') }]);
    expect(sessions[0]?.readings[0]).toEqual({ depth: 'shell', rawPct: 8.4, woodTempC: 20.5 });
    expect(sessions[0]?.readings.map((r) => r.depth)).toEqual(['shell', 'shell', 'core']);
  });
  test('with a column for each value, in Fahrenheit', () => {
    const { columns, sessions } = read('Pack;Date;Temp F;MC1;MC2;MC3\nL7;5/14/2026 8:00;68;8.4;;9.1');
    expect(columns).toMatchObject({ lot: 'Pack', tempUnit: 'F', readings: ['MC1', 'MC2', 'MC3'] });
    expect(sessions[0]?.readings.map((r) => r.rawPct)).toEqual([8.4, 9.1]);
    expect(sessions[0]?.readings[0]?.woodTempC).toBeCloseTo(20, 9);
  });
  test('with a line for each value makes sessions of them', () => {
    const { sessions } = read(
      'lot;time;depth;value %\nL7;2026-05-04 08:00;shell;8.4\nL7;2026-05-04 08:00;core;9.4\nL8;2026-05-04 08:00;shell;7',
    );
    expect(sessions.map((s) => [s.lotId, s.readings.map((r) => `${r.depth} ${r.rawPct}`)])).toEqual([
      ['L7', ['shell 8.4', 'core 9.4']],
      ['L8', ['shell 7']],
    ]);
  });
  test('with a bad line does not take half a session', () => {
    const { sessions } = read('lot;time;value\nL7;2026-05-04 08:00;8.4\nL7;2026-05-04 08:00;840\nL8;soon;8\nL9;2026-05-04 08:00;');
    expect(sessions.map((s) => s.problem)).toEqual([
      'Line 3: 840 % is outside what a meter shows (2–100 %)',
      '"soon" is not a time, or not one that was',
      'No readings',
    ]);
  });
  test('keeps each line’s temperature with its own readings', () => {
    const { sessions } = read('lot;time;wood temp;value\nL7;2026-05-04 08:00;15;8.4\nL7;2026-05-04 08:00;25;8.6');
    expect(sessions[0]?.readings).toEqual([
      { depth: 'shell', rawPct: 8.4, woodTempC: 15 },
      { depth: 'shell', rawPct: 8.6, woodTempC: 25 },
    ]);
  });
  test('with shell and core side by side takes two readings of a line', () => {
    const { columns, sessions } = read('lot;time;Shell MC;Core MC\nL7;2026-05-04 08:00;8.4;9.9 %');
    expect(columns).toMatchObject({ depth: null, readings: ['Shell MC', 'Core MC'] });
    expect(sessions[0]?.readings.map((r) => [r.depth, r.rawPct])).toEqual([
      ['shell', 8.4],
      ['core', 9.9],
    ]);
  });
  test.each([
    ['surface', 'shell'],
    ['Core', 'core'],
    ['c', 'core'],
    ['centre', 'core'],
    ['s', 'shell'],
    ['', 'shell'],
  ])('knows that %j is of the %s', (depth, expected) => {
    expect(read(`lot;time;depth;value\nL7;2026-05-04 08:00;${depth};8.4`).sessions[0]).toMatchObject({
      problem: null,
      readings: [{ depth: expected }],
    });
  });
  test('tells a depth it does not know', () => {
    expect(read('lot;time;depth;value\nL7;2026-05-04 08:00;12;8.4').sessions[0]?.problem).toBe('"12" says neither shell nor core');
  });
  test('takes humidity, battery and room air for no readings', () => {
    const { columns } = read(
      'Lot;Date;Time;Room temp;Wood temp;RH %;Battery %;EMC %;Reading no;MC %;Mean MC\nL7;2026-05-04;08:00;21;19;45;80;8.5;1;9;9',
    );
    expect(columns).toMatchObject({ time: 'Date', timeOfDay: 'Time', woodTemp: 'Wood temp', readings: ['MC %'] });
  });
  test('with dates that can be read two ways gives no session before somebody says which', () => {
    const csv = 'lot;time;value\nL7;03/04/26 08:00;8.4';
    expect(read(csv)).toMatchObject({ sessions: [], question: { about: 'order' } });
    expect(read(csv, { dateOrder: 'month first' }).sessions).toMatchObject([{ atMs: Date.parse('2026-03-04T07:00Z'), problem: null }]);
  });
  test('tells rows of another width and a clock that was reset', () => {
    const { sessions } = read('lot;time;value\nL7;2026-05-04 08:00;8.4;\nL8;1970-01-01 00:10;8.4');
    expect(sessions.map((s) => s.problem)).toEqual([
      'The line has 4 cells, the heading 3: a comma too many, or one missing',
      'The device’s clock stood at 1970: it had been reset',
    ]);
  });
  test('without its columns cannot be guessed', () => {
    expect(guessMeterColumns(['when', 'what'], [])).toBeUndefined();
  });
});
