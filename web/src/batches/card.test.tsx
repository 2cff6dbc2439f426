import { describe, expect, test } from '@jest/globals';
import type { View } from '../ground/api.ts';
import { aCard } from '../test/card.ts';
import { render, wordsOf } from '../test/render.tsx';
import { BatchAct } from './BatchAct.tsx';
import { settingsSaid } from './SettingFields.tsx';
import { placingObjection } from './PlaceForm.tsx';

type Batch = View<'BatchView'>;
type Given = Parameters<typeof aCard>[0];

const acts = (card: Given, role: View<'SessionView'>['role'] = 'lead') =>
  wordsOf(
    render(<BatchAct card={aCard(card)} />, {
      role,
      answers: [
        [['carriers'], []],
        [['orders'], []],
      ],
    }),
  );

describe('the act that is due on a card', () => {
  test.each<[string, Partial<Batch>, RegExp]>([
    ['work that waits', {}, /Who \(binding\).*Start.*Refuse pieces…/],
    ['work to be taken over', { handOver: true }, /Check the step before this one, then take it over. Take it over/],
    ['work taken over', { handOver: true, accepted: true }, /Start/],
    ['what came back begins without being taken over', { handOver: true, redo: true }, /Start/],
    ['work that runs', { status: 'running' }, /6 good · 0 rework · 0 scrap.*Pause because of/],
    ['work that is paused', { status: 'paused' }, /Resume/],
    ['what goes to another house', { operationKind: 'outside' }, /Where it goes.*Due back.*Send/],
    ['what is there', { status: 'away', operationKind: 'outside' }, /Receive.*6 good/],
    ['what lies in a buffer', { status: 'stocked', operationKind: 'buffer' }, /How many.*For.*Call/],
    ['small parts lie in their box', { status: 'stocked', operationKind: 'buffer', nextOperationName: null }, /stay in their box/],
    ['what is to be taken apart', { operationKind: 'part' }, /keep their serial.*Take apart/],
    ['what is fitted', { operationKind: 'fit' }, /To the fitting bench/],
    ['what is shipped', { operationKind: 'dispatch' }, /To the ledger/],
    ['what waits for a person', { status: 'finished', acceptFor: 'neck fitting', verdict: 'wait' }, /neck fitting.*Move with a reason/],
    ['what is free', { status: 'dwelling', operationKind: 'dwell', verdict: 'pass' }, /Move to Binding sets/],
    ['what still waits', { status: 'dwelling', operationKind: 'dwell', verdict: 'wait' }, /Move with a reason/],
    [
      'a loop',
      { status: 'finished', question: 'Round 2 of at most 5: accepted?' },
      /accepted\? Accepted: move to binding sets Round again/,
    ],
    ['nothing more', { status: 'done' }, /^This batch is done\.$/],
  ])('%s', (_, batch, said) => {
    expect(acts({ batch })).toMatch(said);
  });
  test('what still waits is not for an operator to move', () => {
    const said = acts({ batch: { status: 'dwelling', operationKind: 'dwell', verdict: 'wait' } }, 'operator');
    expect(said).toContain('A lead may move it before that, with a reason.');
    expect(said).not.toMatch(/Move (to|with)/);
  });
  test('what is joined to it is named; the guest is told where to look', () => {
    const besides = [
      { id: 'B11', component: 'fingerboard' as const, quantity: 6 },
      { id: 'B12', component: 'body' as const, quantity: 2 },
    ];
    expect(acts({ batch: { operationKind: 'join' }, besides })).toMatch(/B11, 6 fingerboards.*Join them/);
    expect(acts({ batch: { operationKind: 'join' }, besides, hostsHere: false })).toMatch(/open that batch’s card/);
    expect(acts({ batch: { operationKind: 'join' } })).toMatch(/has not come yet/);
  });
  test('a pair comes together from the card of its bodies', () => {
    const necks = [{ id: 'B12', component: 'neck' as const, quantity: 6 }];
    expect(acts({ batch: { operationKind: 'refit' }, besides: necks })).toMatch(/B12, 6 necks.*Bring each pair together/);
    expect(acts({ batch: { operationKind: 'refit', component: 'neck' } })).toMatch(/from the card of its bodies/);
    expect(acts({ batch: { operationKind: 'refit' } })).toMatch(/Their necks have not come yet/);
  });
  test('more ways than one are to choose from', () => {
    const way = (id: string, name: string, minutesPerPiece: number) => ({ id, name, stationName: 'Pin router', minutesPerPiece });
    expect(acts({ ways: [way('own', 'By machine', 12), way('pin', 'By template and pin', 31)] })).toMatch(
      /How.*By machine, 12 min a piece/,
    );
  });
  test('what waits beside it may go into one load with it', () => {
    expect(acts({ together: [{ id: 'B9', component: 'neck', quantity: 4 }] })).toMatch(/In one load with/);
    expect(acts({})).not.toMatch(/In one load/);
  });
  test('what a step asks to be noted is asked for as it begins, and not when it goes on', () => {
    const settings = [
      { id: 'pressure', name: 'Gauge pressure', figure: { unit: 'bar', low: 3, high: 5 } },
      { id: 'cauls', name: 'Cauls', figure: null },
    ];
    expect(acts({ settings })).toMatch(/Gauge pressure, bar.*3 to 5.*Cauls.*Start/);
    expect(acts({ settings, batch: { status: 'paused' } })).not.toMatch(/Cauls/);
    const typed = { settings: [{ text: ' 4,5 ' }, { text: ' Set 2 ' }] };
    expect(settingsSaid(settings, typed)).toEqual([
      { id: 'pressure', figure: 4.5 },
      { id: 'cauls', words: 'Set 2' },
    ]);
  });
  test('nobody who can is told as such', () => {
    expect(acts({ workers: [] })).toMatch(/Nobody is signed off for binding. Add the skill in Setup./);
  });
});

describe('what else may be done', () => {
  test.each<[View<'SessionView'>['role'], RegExp, RegExp]>([
    ['viewer', /^An operator or above can log work here\.$/, /Split|Hold|Scrap/],
    ['operator', /Put on another carrier….*Split…/, /Hold this batch|Scrap pieces/],
    ['lead', /Put on another carrier….*Split….*Scrap pieces….*Hold this batch…/, /nothing/],
  ])('by a %s', (role, offered, not) => {
    expect(acts({}, role)).toMatch(offered);
    expect(acts({}, role)).not.toMatch(not);
  });
  test('one that is alike can be taken in, and the last entry taken back', () => {
    const undo = { entryId: 7, sentence: 'Bind body started by Joss Abara' };
    const said = acts({ besides: [{ id: 'B9', component: 'body', quantity: 2 }], undo });
    expect(said).toMatch(/Take another batch in….*Take the last entry back…/);
    expect(acts({ batch: { quantity: 1 } })).not.toMatch(/Split…/);
    expect(acts({ batch: { status: 'running' } })).toMatch(/Some are ready…/);
  });
});

describe('putting a batch on carriers', () => {
  const free = (id: string) => ({ R1: 8, R2: 2 })[id] ?? 0;
  test.each<[string, [string, string][], string | null]>([
    ['one with room', [['R1', '6']], null],
    [
      'shared over two',
      [
        ['R1', '4'],
        ['R2', '2'],
      ],
      null,
    ],
    ['none chosen', [['', '6']], 'Choose a carrier'],
    ['more than it holds', [['R2', '6']], 'R2 has 2 places free'],
    ['half a piece', [['R1', '5.5']], 'A whole number of pieces on each'],
    ['not all', [['R1', '5']], '5 of 6 pieces are placed'],
    [
      'twice the same',
      [
        ['R1', '3'],
        ['R1', '3'],
      ],
      'The same carrier is named twice',
    ],
  ])('%s', (_, rows, objection) => {
    expect(
      placingObjection(
        rows.map(([carrierId, pieces]) => ({ carrierId, pieces })),
        6,
        free,
      ),
    ).toBe(objection);
  });
});
