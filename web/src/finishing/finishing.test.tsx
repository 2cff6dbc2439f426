import { describe, expect, test } from '@jest/globals';
import { DAY_MS, HOUR_MS } from '@ample-crane/core';
import type { View } from '../ground/api.ts';
import { aBatch } from '../test/batch.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import FinishingScreen from './FinishingScreen.tsx';

type Batch = View<'BatchView'>;

const SPRAY = { zoneId: 'finish', minTempC: 18, maxTempC: 27, minHumidity: 0.35, maxHumidity: 0.65, dewMarginC: 3 };
const air = (tempC: number, relativeHumidity: number) => ({
  id: 'finish',
  name: 'Finish room',
  tempC,
  relativeHumidity,
  emcPct: 8,
  atMs: NOW_MS,
});
const curing = (over: Partial<Batch>) =>
  aBatch({
    component: 'instrument',
    stage: 'finishing',
    operationId: 'i-cure',
    operationName: 'Cure',
    stationCode: 'FN3',
    stationName: 'Cure racks',
    nextOperationName: 'Level sand',
    findings: [{ rule: 'equivalent', verdict: 'wait', sentence: 'Cured 9.3 of 14 days at 21 °C; cool air cost 0.8 days' }],
    ...over,
  });
const words = (batches: Batch[], zone = air(21, 0.5), role: View<'SessionView'>['role'] = 'operator') =>
  wordsOf(
    render(<FinishingScreen />, {
      role,
      answers: [
        [
          ['floor'],
          {
            nowMs: NOW_MS,
            stations: [],
            batches,
            limit: {
              kind: 'nothing',
              stationCode: null,
              stationName: null,
              sentence: 'No work came to any station. All that is on order is begun.',
            },
          },
        ],
        [['zones'], [zone]],
        [['setup'], { spray: SPRAY }],
      ],
    }),
  );

describe('Finishing', () => {
  test('says what may be touched now, and which comes next', () => {
    const text = words([
      curing({ id: 'B1', verdict: 'pass', untilMs: null }),
      curing({ id: 'B2', untilMs: NOW_MS + 3 * DAY_MS }),
      curing({ id: 'B3', untilMs: NOW_MS + DAY_MS }),
    ]);
    expect(text).toMatch(/1 of 3 curing batches may be touched now; next is B3 , expected Wed 07:10 · 1 d/);
  });
  test('orders the wall by what comes out first', () => {
    const text = words([
      curing({ id: 'B2', untilMs: NOW_MS + 3 * DAY_MS }),
      curing({ id: 'B3', untilMs: NOW_MS + DAY_MS }),
      curing({ id: 'B1', verdict: 'pass', untilMs: null }),
    ]);
    const wall = text.slice(text.indexOf('The cure wall'));
    expect(['B1', 'B3', 'B2'].map((id) => wall.indexOf(id))).toEqual(
      ['B1', 'B3', 'B2'].map((id) => wall.indexOf(id)).sort((a, b) => a - b),
    );
    expect(wall).toContain('cool air cost 0.8 days');
  });
  test('offers to move what is cured, to those who may', () => {
    const cured = curing({ id: 'B1', verdict: 'pass', untilMs: null });
    expect(words([cured])).toContain('Move B1');
    expect(words([cured], air(21, 0.5), 'viewer')).not.toContain('Move B1');
  });
  test('judges the booth by the factory’s own limits', () => {
    expect(words([], air(21, 0.5))).toMatch(/Fit to spray: 10\.8 °C above dew point, 3 °C needed/);
    expect(words([], air(16, 0.5))).toContain('Booth is 16.0 °C; the sheet asks at least 18 °C');
    expect(words([], air(20, 0.9))).toMatch(/Surface is 1\.7 °C above dew point; spraying needs 3 °C.*Humidity is 90 %/);
    expect(words([], { ...air(21, 0.5), id: 'elsewhere' })).toContain('No sensor reports from the booth.');
  });
  test('leaves other stages’ batches to them', () => {
    expect(words([aBatch({ id: 'B99', untilMs: NOW_MS + HOUR_MS })])).not.toContain('B99');
  });
});
