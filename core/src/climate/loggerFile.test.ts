import { describe, expect, test } from '@jest/globals';
import { HOUR_MS } from '../units/index.ts';
import { guessLoggerColumns, heldBy, readLogger, type LoggerColumns } from './index.ts';

describe('a logger’s file', () => {
  const NOW = Date.parse('2026-12-01T00:00Z');
  const read = (csv: string, said: Partial<LoggerColumns> = {}) => {
    const [header = [], ...rows] = csv.split('\n').map((line) => line.split(';'));
    const columns = guessLoggerColumns(header, rows);
    if (!columns) throw new Error('No columns');
    return { columns, ...readLogger(header, rows, { ...columns, ...said }, { timeZone: 'Europe/Vienna' }, NOW) };
  };
  test('with a clock change and a gap keeps both apart', () => {
    const { samples, gaps, clockChanges, clock } = read(
      'Date/Time;Temp °C;RH %\n25.10.2026 1:50;20,5;44\n25.10.2026 2:50;20,6;45\n25.10.2026 2:20;20,6;45\n25.10.2026 12:00;20,4;46',
    );
    expect(clock).toBe('local');
    expect(samples.map((s) => new Date(s.atMs).toISOString().slice(11, 16))).toEqual(['23:50', '00:50', '01:20', '11:00']);
    expect(clockChanges).toHaveLength(1);
    expect(gaps.map((g) => (g.toMs - g.fromMs) / HOUR_MS)).toEqual([9 + 40 / 60]);
  });
  test('in Fahrenheit and fractions is told by its values', () => {
    const { columns, samples } = read('time;temperature;humidity\n2026-05-01 08:00;69.8;0.45\n2026-05-01 09:00;70.7;0.46');
    expect(columns).toMatchObject({ tempUnit: 'F', humidityUnit: 'fraction' });
    expect(samples[0]).toMatchObject({ tempC: expect.closeTo(21, 6), relativeHumidity: 0.45 });
  });
  test('tells each line it cannot read, and why', () => {
    const { lines, samples } = read(
      [
        'time;temp;rh',
        '2026-05-01 08:00;21;45',
        '2026-05-01 08:00;21;45',
        'yesterday;21;45',
        '2026-05-01 10:00;warm;45',
        '2026-05-01 11:00;21;',
        '2026-05-01 12:00;21;140',
        '2026-05-01 13:00;140;45',
        '2027-05-01 13:00;21;45',
        '2026-05-01 14:00;−2.5 °C;45 %',
      ].join('\n'),
    );
    expect(lines.map((l) => l.problem)).toEqual([
      null,
      'The same time again',
      '"yesterday" is not a time, or not one that was',
      '"warm" is not a temperature',
      '"" is not a humidity',
      '140 % is no humidity',
      '140.0 °C is no air wood lies in',
      'The time lies in the future',
      null,
    ]);
    expect(lines.at(-1)?.line).toBe(10);
    expect(samples.at(-1)?.tempC).toBe(-2.5);
  });
  test('with dates that can be read two ways gives nothing before somebody says which', () => {
    const csv = 'time;temp;rh\n03/04/2026 08:00;21;45\n03/04/2026 09:00;21;45';
    expect(read(csv)).toMatchObject({ samples: [], lines: [], order: null, clock: null, question: { about: 'order' } });
    const said = read(csv, { dateOrder: 'day first' });
    expect(said).toMatchObject({ question: null, order: 'day first' });
    expect(said.samples[0]?.atMs).toBe(Date.parse('2026-04-03T06:00Z'));
  });
  test('with date and time in columns of their own', () => {
    const { columns, samples } = read('Date;Time;Temp;RH\n13.04.2026;08:00;21;45');
    expect(columns).toMatchObject({ time: 'Date', timeOfDay: 'Time' });
    expect(samples).toHaveLength(1);
  });
  test('tells rows of another width, a clock that was reset and one that jumped', () => {
    const { lines, samples } = read(
      [
        'time;temp;rh',
        '2026-05-01 08:00;21;45',
        '2026-05-01 09:00;21,5;;45',
        '2000-01-01 00:00;21;45',
        '2026-05-01 11:00;21;45',
        '2026-04-30 12:00;21;45',
        '2026-09-30 12:00;21;45',
        '2026-05-01 12:00;21;45',
      ].join('\n'),
    );
    expect(lines.map((l) => l.problem)).toEqual([
      null,
      'The line has 4 cells, the heading 3: a comma too many, or one missing',
      'The device’s clock stood at 2000: it had been reset',
      null,
      'The clock jumped: this time does not follow the lines around it',
      'The clock jumped: this time does not follow the lines around it',
      null,
    ]);
    expect(samples).toHaveLength(3);
  });
  test('with the newest line first is read as well', () => {
    const { lines, samples } = read('time;temp;rh\n2026-05-01 10:00;21;45\n2026-05-01 09:00;22;45\n2026-05-01 08:00;23;45');
    expect(lines.every((l) => l.problem === null)).toBe(true);
    expect(samples.map((s) => s.tempC)).toEqual([23, 22, 21]);
  });
  test.each([
    [
      'Timestamp;Dew point °C;Temperature °C;Absolute humidity g/m³;Relative humidity %;Battery %',
      'Temperature °C',
      'Relative humidity %',
      'C',
    ],
    ['time;temp of room;RH', 'temp of room', 'RH', 'C'],
    ['time;Temp max;Temp;RH max;RH', 'Temp', 'RH', 'C'],
    ['Zeit;Temperatur;Luftfeuchte', 'Temperatur', 'Luftfeuchte', 'C'],
    ['time;Temp (°F);Hum', 'Temp (°F)', 'Hum', 'F'],
    ['time;humidity sensor temp;humidity', 'humidity sensor temp', 'humidity', 'C'],
  ])('headed %s takes temperature and humidity for what they are', (heading, temp, humidity, tempUnit) => {
    expect(guessLoggerColumns(heading.split(';'), [])).toMatchObject({ temp, humidity, tempUnit });
  });
  test('obeys a unit in a cell', () => {
    const { samples } = read('time;temp;rh\n2026-05-01 08:00;20 °C;0,45\n2026-05-01 09:00;68 °F;45 %\n2026-05-01 10:00;68 degF;46 % RH');
    expect(samples.map((s) => Math.round(s.tempC * 1e6) / 1e6)).toEqual([20, 20, 20]);
    expect(samples[1]?.relativeHumidity).toBe(0.45);
  });
  test('goes on in frost', () => {
    expect(read('time;temp;rh\n2026-01-01 08:00;−18;85').samples).toHaveLength(1);
  });
  test('speaks for no time of its silences', () => {
    const { samples } = read('time;temp;rh\n2026-05-01 08:00;21;45\n2026-05-01 09:00;21;45\n2026-05-02 09:00;21;45');
    const at = (iso: string) => Date.parse(iso);
    expect(heldBy(samples)).toEqual([
      { fromMs: at('2026-05-01T06:00Z'), toMs: at('2026-05-01T07:00Z') },
      { fromMs: at('2026-05-02T07:00Z'), toMs: at('2026-05-02T07:00Z') },
    ]);
  });
  test('without its columns cannot be guessed', () => {
    expect(guessLoggerColumns(['a', 'b'], [])).toBeUndefined();
  });
});
