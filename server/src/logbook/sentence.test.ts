import { beforeAll, describe, expect, test } from '@jest/globals';
import { simulate, type EntryKind, type LogbookEntry, type Route } from '@ample-crane/core';
import { DEMO_MODELS } from '../demo/models.ts';
import { DEMO_PEOPLE } from '../demo/people.ts';
import { demoScenario } from '../demo/scenario.ts';
import type { Shop } from '../setup/shop.service.ts';
import type { LogbookEntity } from './logbook.entity.ts';
import { sentenceOf } from './sentence.ts';

let entries: LogbookEntry[];
const shop = {
  people: new Map(DEMO_PEOPLE.map((p) => [p.login, p])),
  routes: new Map<string, Route>(DEMO_MODELS.map((m) => [m.route.id, m.route])),
} as unknown as Shop;

beforeAll(() => {
  entries = simulate(demoScenario(Date.parse('2026-11-17T07:10:00Z'))).entries;
});

const first = (kind: EntryKind) => {
  const found = entries.find((e) => e.kind === kind);
  if (!found) throw new Error(`The demo has no ${kind}`);
  return found as unknown as LogbookEntity;
};
const made = (kind: EntryKind, payload: object, serial: string | null = null) => ({ kind, payload, serial }) as unknown as LogbookEntity;
const told = (row: LogbookEntity) => sentenceOf(row, shop, null);

describe('an entry of the logbook', () => {
  test('reads as a sentence, whatever it is about', () => {
    for (const entry of entries) {
      const sentence = told(entry as unknown as LogbookEntity);
      expect(sentence.length).toBeGreaterThan(5);
      expect(sentence).not.toMatch(/undefined|NaN|\[object|null/);
    }
  });
  test.each<[EntryKind, RegExp]>([
    ['lot.received', /^Received: [a-zA-Z ]+, \d\.\d{3} m³ from [A-Z]/],
    ['lot.read', /^7 readings: ([\d.]+ ){6}c[\d.]+$/],
    ['lot.released', /^Released to the mill$/],
    ['order.placed', /^Order for \d+ from \S/],
    ['batch.started', /^Started: \d+ pieces from lot L\d+$/],
    ['work.started', /started by [A-Z]\S+ \S/],
    ['work.paused', /^Paused: shift end$/],
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
    const route = DEMO_MODELS.map((m) => m.route).find((r) => r.operations.some((o) => o.id === payload.operationId));
    const name = route?.operations.find((o) => o.id === payload.operationId)?.name ?? '';
    expect(sentenceOf(row, shop, route?.id ?? null)).toMatch(new RegExp(`^${name} started by`));
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
    expect(told(made('batch.held', { reason: 'Colour' }))).toBe('Held: Colour');
  });
});
