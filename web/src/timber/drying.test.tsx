import { describe, expect, test } from '@jest/globals';
import type { View } from '../ground/api.ts';
import { aLotCard } from '../test/lot.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import { LotDrying } from './LotDrying.tsx';
import { rowsOf } from './Readings.tsx';

const DAY_MS = 86_400_000;

const drying = (over: Partial<View<'DryingView'>> = {}, outlook: Partial<View<'OutlookView'>> = {}): View<'DryingView'> => ({
  outlook: {
    kind: 'on its way',
    emcPct: 8.3,
    nowPct: 11.2,
    earlyMs: NOW_MS + 20 * DAY_MS,
    likelyMs: NOW_MS + 30 * DAY_MS,
    lateMs: NOW_MS + 44 * DAY_MS,
    piecesMs: NOW_MS + 50 * DAY_MS,
    pastBandMs: null,
    ratePerDay: 0.021,
    basis: 'measured',
    fan: [],
    ...outlook,
  },
  curve: [],
  emc: [],
  excursions: [],
  oddSessions: [],
  rateLowPerDay: 0.018,
  rateHighPerDay: 0.024,
  scatter: 1,
  driftPct: 0.3,
  pieceSdPct: 0.4,
  ...over,
});
const said = (card: Parameters<typeof aLotCard>[0]) =>
  wordsOf(render(<LotDrying card={aLotCard(card)} />, { answers: [[['setup'], { kilns: KILNS }]] }));
const KILNS = [
  {
    id: 'cabinet',
    name: 'Cabinet, after air drying',
    targetPct: 8,
    steps: [
      { fromPct: 20, tempC: 30, relativeHumidity: 0.5 },
      { fromPct: 12, tempC: 35, relativeHumidity: 0.32 },
    ],
    conditioning: { tempC: 35, relativeHumidity: 0.58, hours: 24 },
  },
];

describe('how a lot dries, in words', () => {
  test('rate with its interval, the air, and when most pieces are ready', () => {
    expect(said({ drying: drying() })).toMatch(
      /Rate 0\.021 a day \(0\.018–0\.024, measured\); the air tends to 8\.3 % ?, give or take 0\.3\. Nine pieces in ten by/,
    );
  });
  test('says nothing of a curve before the first session', () => {
    expect(said({})).not.toMatch(/Rate/);
  });
  test.each<[string, Partial<View<'DryingView'>>, Partial<View<'OutlookView'>>, RegExp]>([
    ['a room that goes on past the band', {}, { pastBandMs: NOW_MS + 60 * DAY_MS }, /goes on past the band: out of it again about/],
    ['one session that does not fit', { oddSessions: ['L118/3'] }, {}, /One session does not fit the others/],
    ['two that do not', { oddSessions: ['L118/3', 'L118/4'] }, {}, /2 sessions do not fit the others/],
    ['sessions that scatter', { scatter: 2.1 }, {}, /scatter 2\.1 times as much/],
    [
      'a room that was too damp',
      { excursions: [{ kind: 'too wet', fromMs: NOW_MS - 20 * DAY_MS, toMs: NOW_MS - 8 * DAY_MS, worstPct: 12.1 }] },
      {},
      /too damp for 12 d from .*: up to 12\.1 %/,
    ],
  ])('tells of %s', (_, over, outlook, words) => {
    expect(said({ drying: drying(over, outlook) })).toMatch(words);
  });
  test('on a schedule tells which step it has come to', () => {
    const words = said({ lot: { scheduleId: 'cabinet' }, drying: drying() });
    expect(words).toMatch(
      /Cabinet, after air drying.*from 20 %: 30 °C, 50 %, which tends to 9\.0 % · done.*▸ from 12 %: 35 °C, 32 %, which tends to 6\.\d % · now, about \d.*at 8 % conditioned: 35 °C, 58 %, which tends to 10\.\d % · about 24 h/,
    );
  });
  test('on a schedule tells when the kiln’s air is not what the step asks for, and nothing of the band', () => {
    const excursions = [{ kind: 'too dry' as const, fromMs: NOW_MS - DAY_MS, toMs: NOW_MS, worstPct: 6 }];
    const words = said({ lot: { scheduleId: 'cabinet' }, drying: drying({ excursions }) });
    expect(words).toMatch(/Its air tends to 8\.3 %, the step asks for 6\.2 %.*slower than planned/);
    expect(words).not.toMatch(/too dry/);
    const fitting = said({ lot: { scheduleId: 'cabinet' }, drying: drying({}, { emcPct: 6.5 }) });
    expect(fitting).not.toMatch(/the step asks for/);
    const hard = said({ lot: { scheduleId: 'cabinet' }, drying: drying({}, { emcPct: 5 }) });
    expect(hard).toMatch(/may check: set it damper/);
  });
  test('once released asks no more about other air', () => {
    expect(said({ drying: drying() })).toMatch(/What if its air were/);
    expect(said({ lot: { state: 'released', releasedMs: NOW_MS }, drying: drying() })).not.toMatch(/What if its air were/);
  });
});

test('a reading that stands apart is marked, one struck out is not, and none is dropped', () => {
  const reading = (seq: number, correctedPct: number, struck: string | null = null) => ({
    seq,
    depth: 'shell' as const,
    rawPct: correctedPct,
    correctedPct,
    massG: null,
    dryMassG: null,
    woodTempC: null,
    firstRawPct: null,
    struck,
  });
  const session = {
    id: 'L118/1',
    atMs: NOW_MS - DAY_MS,
    by: 'Ines Quarrie',
    meter: 'pin',
    woodTempC: 20,
    meanPct: 9,
    spreadPct: 4,
    readings: [8.4, 8.6, 8.5, 8.7, 12.9].map((v, i) => reading(i + 1, v)).concat(reading(6, 30, 'Nail')),
  };
  const rows = rowsOf(session);
  expect(rows).toHaveLength(6);
  expect(rows.filter((r) => r.odd).map((r) => r.correctedPct)).toEqual([12.9]);
});
