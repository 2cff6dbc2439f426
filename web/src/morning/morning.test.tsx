import { describe, expect, test } from '@jest/globals';
import { DAY_MS, HOUR_MS } from '@ample-crane/core';
import type { View } from '../ground/api.ts';
import { aMonth } from '../test/month.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import MorningScreen from './MorningScreen.tsx';

type Morning = View<'MorningView'>;

const decision = (over: Partial<View<'DecisionView'>>): View<'DecisionView'> => ({
  stage: 'finishing',
  act: 'move',
  subject: 'batch',
  id: 'B7',
  version: 4,
  sentence: 'Move B7 (6 Weirstone instruments) from Cure racks to Level sand',
  way: null,
  findings: [],
  ...over,
});

const morning = (over: Partial<Morning> = {}): Morning => ({
  nowMs: NOW_MS,
  canMove: 0,
  canRelease: 0,
  comingFreeToday: 0,
  late: 0,
  decisions: [],
  comingFree: [],
  lateOrders: [],
  people: [
    { fromMs: NOW_MS, gaps: [], alone: [] },
    { fromMs: NOW_MS + DAY_MS, gaps: [], alone: [] },
  ],
  makeNext: [],
  changed: [],
  shippedSinceYesterday: 0,
  finishedSinceYesterday: 0,
  limit: { kind: 'nothing', stationCode: null, stationName: null, sentence: 'No work came to any station. All that is on order is begun.' },
  ...over,
});

const order = (n: number): View<'OrderView'> => ({
  id: `O${1000 + n}`,
  number: 1000 + n,
  modelId: 'skiff',
  modelName: 'Skiff',
  quantity: 8,
  shipped: 0,
  customer: 'Stock',
  options: [],
  routeId: 'skiff-1',
  choices: {},
  extraPrice: 0,
  tell: 'Your 8 Skiff are in finishing.',
  placedMs: NOW_MS - 60 * DAY_MS,
  dueMs: NOW_MS + n * DAY_MS,
  batchIds: [],
  earliestMs: NOW_MS + 2 * n * DAY_MS,
  lateDays: n,
  lacks: [{ component: 'body', count: 8 }],
  status: 'Not started',
  why: `Late by ${n === 1 ? '1 day' : `${n} days`} at least: 8 bodies are not begun`,
});

const screen = (over: Partial<Morning> = {}, role: View<'SessionView'>['role'] = 'manager') =>
  render(<MorningScreen />, { role, answers: [[['morning'], morning(over)]] });
const words = (over: Partial<Morning> = {}, role?: View<'SessionView'>['role']) => wordsOf(screen(over, role));

describe('Morning', () => {
  test('what goes the same way is one line, which opens', () => {
    const way = 'from Cure racks to Level sand';
    const moves = ['B7', 'B8', 'B9'].map((id) => decision({ id, way, sentence: `Move ${id} (6 Weirstone instruments) ${way}` }));
    const text = words({
      decisions: [...moves, decision({ id: 'B5', way: 'from Cure racks to Buff', sentence: 'Move B5 from Cure racks to Buff' })],
    });
    expect(text).toMatch(/Move 3 batches from Cure racks to Level sand Show 3/);
    expect(text).toMatch(/Move B5 from Cure racks to Buff/);
    expect(text).not.toMatch(/B8/);
  });
  test('on a quiet day says so, part by part', () => {
    const text = words();
    expect(text).toContain('0 batches can move now; 0 more come free today. 0 orders will be late even at the earliest.');
    for (const said of ['Nothing waits for a decision.', 'Every order can still be in time.', 'No wait ends today.', 'Everybody is in.'])
      expect(text).toContain(said);
  });
  test('counts one as one', () => {
    const text = words({ canMove: 1, canRelease: 1, comingFreeToday: 1, late: 1 });
    expect(text).toContain('1 batch can move now, 1 lot can be released; 1 more comes free today. 1 order will be late');
  });
  test('puts the act beside each decision, for those who may', () => {
    const decisions = [
      decision({ act: 'release', subject: 'lot', id: 'L9', stage: 'woodRoom', sentence: 'Release lot L9 to the mill' }),
      decision({}),
    ];
    const as = (role: View<'SessionView'>['role']) => words({ decisions }, role);
    expect(as('manager')).toMatch(/Release lot L9 to the mill Release L9.*Level sand Move B7/);
    expect(as('operator')).toMatch(/Move B7/);
    expect(as('operator')).toContain('Open L9');
    expect(as('viewer')).toContain('Open B7');
    expect(as('viewer')).not.toMatch(/Move B7(?! \()/);
  });
  test('only looks at what nobody can decide here', () => {
    const text = words({ decisions: [decision({ act: 'look', subject: 'lot', id: 'L9', sentence: 'Lot L9 will not get there' })] });
    expect(text).toContain('Lot L9 will not get there Open L9');
    const booth = words({
      decisions: [decision({ act: 'hold', subject: 'zone', id: 'finish', sentence: 'Hold spraying: Booth is 15.0 °C' })],
    });
    expect(booth).toContain('Hold spraying: Booth is 15.0 °C');
    expect(booth).not.toContain('Open finish');
  });
  test('tells what comes free by the clock and by what is left', () => {
    const comingFree = [
      {
        subject: 'batch' as const,
        id: 'B9',
        stage: 'machining' as const,
        sentence: 'B9 · 6 Towpath bodies',
        untilMs: NOW_MS + 5 * HOUR_MS,
      },
    ];
    expect(words({ comingFree })).toContain('12:10 B9 · 6 Towpath bodies 5 h');
  });
  test('shows the latest orders and how many more there are', () => {
    const text = words({ lateOrders: Array.from({ length: 10 }, (_, i) => order(i + 1)) });
    expect(text).toContain('O1001 8 × Skiff for Stock Due 11 Mar 2026. Late by 1 day at least: 8 bodies are not begun');
    expect(text).toContain('2 more in the order book');
    expect(text).not.toContain('O1009');
  });
  test('marks an absence that nobody can fill, and says who stands in otherwise', () => {
    const people = (alone: boolean) => [
      {
        fromMs: NOW_MS,
        gaps: [
          {
            name: 'Lena',
            fromMs: NOW_MS - DAY_MS,
            toMs: NOW_MS + DAY_MS,
            alone,
            sentence: `Can stand in — binding: ${alone ? 'nobody else' : 'Ana'}`,
          },
        ],
        alone: [{ skill: 'inlay', name: 'Piet' }],
      },
    ];
    expect(screen({ people: people(true) })).toContain('aria-label="look"');
    const text = words({ people: people(false) });
    expect(text).toContain('Lena is away until 11 Mar 2026 Can stand in — binding: Ana');
    expect(text).toContain('On one person alone: inlay (Piet).');
  });
  test('says what to make next for stock, and by when', () => {
    const kind = { modelId: 'braces', component: 'small part' as const, name: 'Braces', inStock: 20, coming: 0, asked: 28, short: 8 };
    const at = (beginByMs: number) => words({ makeNext: [{ ...kind, shortMs: NOW_MS + 4 * DAY_MS, beginByMs }] });
    expect(at(NOW_MS + 2 * DAY_MS)).toContain(
      'Braces: begin 8 more by 12 Mar 2026 20 in stock, 0 coming, 28 asked for; the first is lacking on 14 Mar 2026',
    );
    expect(at(NOW_MS - DAY_MS)).toContain('Braces: begin 8 more now');
    expect(words({ makeNext: [{ ...kind, asked: 12, short: 0, shortMs: null, beginByMs: null }] })).toContain(
      'Braces: enough 20 in stock, 0 coming, 12 asked for',
    );
  });
  test('tells why the last whole month came to what it did', () => {
    const why = 'February 2026: 90 instruments sent off, 10 fewer than in January 2026. Otherwise than then: 2 working days fewer.';
    const months = {
      sinceMs: 0,
      months: [aMonth('2026-01', { whole: false }), aMonth('2026-02', { why }), aMonth('2026-03', { whole: false })],
    };
    const drawn = render(<MorningScreen />, {
      answers: [
        [['morning'], morning()],
        [['months', 3], months],
      ],
    });
    expect(wordsOf(drawn)).toContain(`${why} Months side by side`);
    expect(words()).not.toContain('Last month');
  });
});
