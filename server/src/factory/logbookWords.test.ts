import { beforeAll, describe, expect, test } from '@jest/globals';
import { Factory, type EntryName, type LogbookEntry, type Route, LEDGER } from '@ample-crane/core';
import { simulate } from '../demo/habits/simulate.ts';
import { DEMO_MODELS } from '../demo/models.ts';
import { DEMO_VERSIONS } from '../demo/versions.ts';
import { DEMO_PEOPLE } from '../demo/people.ts';
import { demoScenario } from '../demo/scenario.ts';
import { DEMO_CARRIERS, DEMO_STATIONS, DEMO_ZONES } from '../demo/stations.ts';
import type { FactoryNow } from '../factory/factory.service.ts';
import { DEFAULT_SETTINGS } from '../platform/settings/settings.ts';
import type { LogbookEntity } from '../logbook/logbook.entity.ts';
import { sentenceOf } from './logbookWords.ts';

let entries: LogbookEntry[];
const factory = new Factory({
  models: new Map(DEMO_MODELS.map((m) => [m.id, m])),
  people: new Map(DEMO_PEOPLE.map((p) => [p.login, p])),
  stations: new Map(DEMO_STATIONS.map((s) => [s.code, s])),
  carriers: new Map(DEMO_CARRIERS.map((c) => [c.id, c])),
  routes: new Map<string, Route>(DEMO_VERSIONS.map(({ route }) => [route.id, route])),
  zoneNames: new Map(DEMO_ZONES.map((z) => [z.id, z.name])),
  versions: DEMO_VERSIONS.map(({ route: { id, version } }) => ({ id, version })),
  settings: DEFAULT_SETTINGS,
} as never) as unknown as FactoryNow;

beforeAll(() => {
  entries = simulate(demoScenario(Date.parse('2026-11-17T07:10:00Z'))).entries;
});

const first = (kind: EntryName) => {
  const found = entries.find((e) => e.kind === kind);
  if (!found) throw new Error(`The demo has no ${kind}`);
  return found as unknown as LogbookEntity;
};
const made = (kind: EntryName, payload: object, serial: string | null = null) =>
  ({ kind, payload, serial, schemaVersion: LEDGER.versionOf(kind) }) as unknown as LogbookEntity;
const told = (row: LogbookEntity) => sentenceOf(row, factory, null);

describe('an entry of the logbook', () => {
  test('reads as a sentence, whatever it is about', () => {
    for (const entry of entries) {
      const sentence = told(entry as unknown as LogbookEntity);
      expect(sentence.length).toBeGreaterThan(5);
      expect(sentence).not.toMatch(/undefined|NaN|\[object|null/);
    }
  });
  test.each<[EntryName, object, string]>([
    ['batch.placed', { placements: [{ carrierId: 'R01', pieces: 4 }] }, 'Put on Rack 1 (4)'],
    ['batch.placed', { placements: [] }, 'Taken off its carriers'],
    ['batch.split', { number: 7, pieceIds: ['a', 'b'] }, '2 pieces split off as B7'],
    ['batch.merged', { fromBatchId: 'B3' }, 'Took in B3'],
    ['batch.called', { orderId: 'O7', dueMs: null }, 'Called from the buffer for O7'],
    ['batch.moved', { from: 'a', to: 'b', override: null, round: 2, again: true }, 'Round 2 done; back to b'],
    ['pieces.scrapped', { pieces: [{ pieceId: 'B1-01', defect: 'crack' }] }, 'Scrapped: B1-01 (crack)'],
    ['parts.joined', { guestBatchIds: ['B2', 'B4'] }, 'Joined with B2, B4'],
    ['instruments.parted', { bodyNumber: 8, neckNumber: 9 }, 'Taken apart: bodies B8, necks B9'],
    ['instruments.refitted', { serials: ['S1', 'S2'] }, 'Fitted again: S1, S2'],
    [
      'setup.changed',
      { what: 'station', id: 'FN5', before: { places: 2 }, after: { places: 1 } },
      'Set-up changed: Buffing has 1 place instead of 2',
    ],
    ['stock.drawn', { count: 12, forBatchId: 'B5' }, '12 drawn for B5'],
    ['entry.undone', { undone: { kind: 'work.started' }, reason: 'Wrong card' }, 'Taken back: that work was begun (Wrong card)'],
  ])('%s reads as it is said', (kind, payload, sentence) => {
    expect(told(made(kind, payload))).toBe(sentence);
  });
  test('a refusal tells each fate', () => {
    const refusals = [
      { disposition: 'rework', toOperationId: 'sand', number: 9, pieces: [{ pieceId: 'B1-01', defect: 'run' }] },
      { disposition: 'use as is', toOperationId: null, number: null, pieces: [{ pieceId: 'B1-02', defect: 'dent' }] },
    ];
    expect(told(made('handover.refused', { operationId: 'buff', refusals }))).toBe(
      'Refused at buff: B1-01 (run): rework at sand; B1-02 (dent): use as is',
    );
  });
  test.each<[EntryName, RegExp]>([
    ['lot.received', /^Received: [a-zA-Z ]+, \d\.\d{3}\u00a0m³ from [A-Z]/],
    ['lot.read', /^\d+ readings: ([\d.]+ )+c[\d.]+$/],
    ['lot.released', /^Released to the mill$/],
    ['order.placed', /^Order for \d+ from \S/],
    ['batch.started', /^Started: \d+ pieces from lot L\d+$/],
    ['work.started', /started by [A-Z]\S+ \S/],
    ['work.paused', /^Paused: end of the shift$/],
    ['work.finished', /finished: \d+ good, \d+ rework, \d+ scrap/],
    ['coat.logged', /^Coat of \d+ µm wet, [\d.]+ µm dry$/],
    ['instruments.fitted', /^Fitted: B\d+-\d\d( \+ B\d+-\d\d)? = \d{5}[A-Z]{2}\d{3}/],
    ['instrument.shipped', /^\d{5}[A-Z]{2}\d{3} shipped to \S/],
  ])('%s', (kind, pattern) => {
    expect(told(first(kind))).toMatch(pattern);
  });
  test('names the step by its name where the route is known', () => {
    const row = first('work.started');
    const payload = row.payload as { operationId: string };
    const route = DEMO_VERSIONS.map((v) => v.route).find((r) => r.operations.some((o) => o.id === payload.operationId));
    const name = route?.operations.find((o) => o.id === payload.operationId)?.name ?? '';
    expect(sentenceOf(row, factory, route?.id ?? null)).toMatch(new RegExp(`^${name} started by`));
  });
  test('keeps an override’s reason in sight', () => {
    const override = { reason: 'Witness panel shows no more loss', findings: [] };
    expect(told(made('batch.moved', { from: 'i-cure', to: 'i-level', override }))).toBe(
      'Moved to i-level against its gate: Witness panel shows no more loss',
    );
    expect(told(made('lot.released', { override, findings: [] }))).toBe('Released against its gate: Witness panel shows no more loss');
  });
  test('names who is not there any more by what is known of them', () => {
    expect(told(made('work.resumed', { workerId: 'gone' }))).toBe('Resumed by gone');
    expect(told(made('reading.struck', { seq: 3, reason: 'Nail' }))).toBe('Reading 3 struck out: Nail');
    expect(told(made('setup.changed', { what: 'station', id: 'FN5' }))).toBe('Set-up changed: station FN5');
    const wheelLost = { what: 'station', id: 'FN9', before: { places: 2 }, after: { places: 1 } };
    expect(told(made('setup.changed', wheelLost))).toBe('Set-up changed: FN9 has 1 place instead of 2');
    expect(told(made('batch.held', { reason: 'Colour' }))).toBe('Held: Colour');
  });
});
