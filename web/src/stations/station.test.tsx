import { afterEach, describe, expect, test } from '@jest/globals';
import { factoryOf, type Batch as CoreBatch } from '@ample-crane/core';
import { Route, Routes } from 'react-router';
import type { View } from '../ground/api.ts';
import { forgetDrafts, keepDraft } from '../ground/keptDraft.ts';
import type { OutboxEntry } from '../ground/outbox.ts';
import { stationOutbox } from '../ground/stationOutbox.ts';
import { aBatch } from '../test/batch.ts';
import { aCard } from '../test/card.ts';
import { FACTORY_TOLD, heldB7 } from '../test/held.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import { OutboxPanel } from './OutboxPanel.tsx';
import { asSeen, cardAsSeen } from '../batches/seen.ts';
import { StationDue } from './StationDue.tsx';
import StationScreen from './StationScreen.tsx';

type Batch = View<'BatchView'>;

const entry = (over: Partial<OutboxEntry> = {}): OutboxEntry => ({
  key: 'k1',
  personId: 'manager',
  batchId: 'B7',
  command: 'start',
  given: { personId: 'joss' },
  version: 4,
  atMs: NOW_MS - 60_000,
  sentence: 'Start bind body, by Joss Abara',
  state: 'waiting',
  ...over,
});
/** Puts entries on the device as they would be after a reload. */
function onDevice(...entries: OutboxEntry[]): void {
  localStorage.setItem('outbox', JSON.stringify(entries));
  stationOutbox.reread();
}
afterEach(() => {
  stationOutbox.forgetUnreadable();
  onDevice();
});

describe('what a person at the station sees', () => {
  const factory = factoryOf(FACTORY_TOLD);
  const MINUTE_MS = 60_000;
  const done = (command: OutboxEntry['command'], given: object = {}, minutesAgo = 1): OutboxEntry =>
    entry({ key: command, command, given: given, atMs: NOW_MS - minutesAgo * MINUTE_MS });
  const begun = entry({ atMs: NOW_MS - 50 * MINUTE_MS });
  const finish = done('finish', { good: 6, rework: 0, scrap: 0, outcomes: [] });
  const running = { status: 'running' } as const;
  const spraying = { ...running, operationId: 'b-spray' } as const;
  const coat = (minutesAgo: number) => ({ ...done('coats', { wetUm: 100 }, minutesAgo), key: `coat ${minutesAgo}` });
  const seen = (batch: Partial<CoreBatch>, entries: OutboxEntry[]) =>
    asSeen({ id: 'B7', status: batch.status ?? 'queued' }, entries, heldB7(batch), factory);
  test.each<[string, Partial<CoreBatch>, OutboxEntry[], object]>([
    ['nothing done', {}, [], { status: 'queued', waiting: 0, gone: false, objection: null }],
    ['begun', {}, [begun], { status: 'running', waiting: 1, gone: false }],
    ['begun and paused', {}, [begun, done('pause', { cause: 'break' })], { status: 'paused', waiting: 2 }],
    [
      'paused and gone on with',
      running,
      [done('pause', { cause: 'break' }, 9), done('resume', { personId: 'joss' })],
      { status: 'running', waiting: 2 },
    ],
    ['taken over', { accepted: false }, [done('accept')], { status: 'queued', gone: false, objection: null }],
    ['begun and finished', {}, [begun, finish], { gone: true, waiting: 2, objection: null }],
    [
      'one piece to be done again',
      running,
      [
        done('finish', {
          good: 5,
          rework: 1,
          scrap: 0,
          outcomes: [{ pieceId: 'B7-01', outcome: 'rework', defect: 'binding gap', originOperationId: 'b-bind', note: '' }],
        }),
      ],
      { status: 'queued', gone: false },
    ],
    ['moved on', { status: 'finished' }, [done('move')], { gone: true }],
    ['one coat of two', spraying, [coat(20), finish], { status: 'running', gone: false, objection: '1 of 2 coats logged' }],
    ['both coats', spraying, [coat(31), coat(1), { ...finish, atMs: NOW_MS }], { gone: true, objection: null }],
    ['a coat too soon', spraying, [coat(20), coat(10)], { objection: 'Flashed 10 min of 30 min' }],
    [
      'begun before it was taken over',
      { accepted: false },
      [begun],
      { status: 'queued', objection: 'Batch B7 has not been taken over yet' },
    ],
    [
      'begun by somebody who may not',
      {},
      [done('start', { personId: 'ines' })],
      { status: 'queued', objection: 'This person is not signed off for binding' },
    ],
    ['of another batch', {}, [entry({ batchId: 'B8' })], { status: 'queued', waiting: 0 }],
    ['put aside by choice', {}, [entry({ state: 'aside' })], { status: 'queued', waiting: 0 }],
    ['refused by the server, not chosen yet', {}, [{ ...begun, state: 'conflict' }], { status: 'running', waiting: 1 }],
  ])('%s', (_, batch, entries, expected) => {
    expect(seen(batch, entries)).toMatchObject(expected);
  });
  test('of a batch that the device was told too little of: what the server said last, and what waits', () => {
    expect(asSeen({ id: 'B7', status: 'queued' }, [begun], undefined, factory)).toMatchObject({ status: 'queued', waiting: 1, card: null });
  });
  test('a coat logged here counts at once, and the wait after it is told', () => {
    const told = aCard({ batch: { status: 'running' }, coatPlan: { coats: 2 } as never });
    const shown = cardAsSeen(told, seen(spraying, [coat(10)]), NOW_MS);
    expect(shown.coatsThisVisit).toBe(1);
    expect(shown.coatFindings).toMatchObject([{ sentence: 'Flashed 10 min of 30 min', verdict: 'wait' }, { verdict: 'pass' }]);
  });
  test('a rest that began here says until when', () => {
    const entries = [coat(31), coat(1), { ...finish, atMs: NOW_MS }];
    const { batch } = cardAsSeen(aCard(), seen(spraying, entries), NOW_MS);
    expect(batch).toMatchObject({ status: 'dwelling', verdict: 'wait', findings: [{ untilMs: NOW_MS + 60 * MINUTE_MS }] });
  });
});

describe('entries on the device', () => {
  const words = () => wordsOf(render(<OutboxPanel />));
  test('none: nothing is said', () => {
    expect(words()).toBe('');
  });
  test('each that waits is told, with when it happened; somebody else’s wait for them', () => {
    onDevice(entry(), entry({ key: 'k2', personId: 'ines', batchId: 'B8', sentence: 'Finish buff' }));
    expect(words()).toMatch(/2 entries wait on this device to be sent; each is sent once/);
    expect(words()).toMatch(/1 is somebody else’s and waits until they sign in here/);
    expect(words()).toMatch(/07:09 B7 Start bind body, by Joss Abara.*07:09 B8 Finish buff/);
  });
  test('what cannot be read any more is told, and can be saved before it is removed', () => {
    localStorage.setItem('outbox', '[{"key":');
    stationOutbox.reread();
    expect(words()).toMatch(/cannot be read any more and were not sent.*Save it as a file.*Remove it from this device/);
    stationOutbox.forgetUnreadable();
    expect(words()).toBe('');
  });
  test('a refusal says why and offers what can be done; nothing is dropped', () => {
    onDevice(
      entry({
        state: 'conflict',
        problem: { status: 409, title: 'Changed', detail: 'Batch B7 has been changed since you looked at it.' },
      }),
    );
    expect(words()).toMatch(/Not taken:.*Start bind body.*has been changed since you looked/);
    expect(words()).toMatch(/Send it on the batch as it is now.*Set it aside/);
  });
  test('what is wrong is told from findings and fields before all else', () => {
    const finding = { rule: 'state', verdict: 'stop', sentence: 'Batch B7 is held', remedy: null } as never;
    onDevice(entry({ state: 'conflict', problem: { status: 422, title: 'Not now', detail: 'No', findings: [finding] } }));
    expect(words()).toContain('Batch B7 is held');
    onDevice(
      entry({
        state: 'conflict',
        problem: { status: 400, title: 'No', detail: 'No', fields: [{ field: 'atMs', message: 'In the future' }] },
      }),
    );
    expect(words()).toContain('In the future');
  });
  test('one set aside stays until somebody removes it', () => {
    onDevice(entry({ state: 'aside' }));
    expect(words()).toMatch(/Set aside, not sent:.*Send it after all.*Remove it from this device/);
  });
});

describe('the one act that is due', () => {
  const words = (card: Parameters<typeof aCard>[0], role: View<'SessionView'>['role'] = 'operator', isHere = true) =>
    wordsOf(render(<StationDue batchId="B7" isHere={isHere} />, { role, answers: [[['batches', 'card', 'B7'], aCard(card)]] }));
  test.each<[string, Partial<Batch>, RegExp]>([
    ['what waits is begun', {}, /Bind body B7 · 6 bodies of Weirstone · Rack 3 · for Harbour Hall Music.*Start/],
    ['what is taken over is checked first', { handOver: true }, /Check the step before this one, then take it over. Take it over/],
    ['what runs is finished', { status: 'running', worker: 'Joss Abara' }, /Finish, all 6 good.*Not all are good….*Pause…/],
    [
      'what is paused goes on, by whoever paused it',
      { status: 'paused', worker: 'Ines Quarrie', workerId: 'ines' },
      /Ines Quarrie.*Resume/,
    ],
    ['what it needs is told', { touchMinutes: 48, stage: 'roughMill' }, /lot L101 in Bay 3 · about 48 min/],
    ['the wood’s bay only where it is cut', { touchMinutes: 48 }, /Harbour Hall Music about 48 min/],
    ['what is free moves', { status: 'finished', operationKind: 'dwell', nextOperationName: 'Sand body' }, /Move to Sand body/],
    [
      'a loop asks its question',
      { status: 'finished', question: 'Round 1 of at most 5: accepted?', nextOperationName: 'Sand body' },
      /Round 1 of at most 5: accepted\? Accepted: move to sand body Round again/,
    ],
    ['a later round says which', { pass: 3 }, /Bind body, pass 3/],
    ['a bench for joining is on the card', { operationKind: 'join' }, /To its card/],
    ['what is held is on the card', { status: 'held' }, /To its card/],
  ])('%s', (_, batch, said) => {
    expect(words({ batch })).toMatch(said);
  });
  const spraying = (finding: object, role: 'operator' | 'lead' = 'operator') =>
    words(
      {
        batch: { status: 'running' },
        coatPlan: { materialId: 'lacquer', materialName: 'Lacquer', coats: 3, wetUm: 100, flashMinutes: 60 },
        coatsThisVisit: 1,
        coatFindings: [{ rule: 'window', remedy: null, untilMs: null, done: null, ...finding } as never],
      },
      role,
    );
  test('a coat that flashes says from when the next may be laid', () => {
    const said = spraying({ verdict: 'wait', sentence: 'Flashed 24 min of 1 h', untilMs: NOW_MS + 36 * 60_000 });
    expect(said).toMatch(/Log coat from \d\d:\d\d · 36 min/);
    expect(spraying({ verdict: 'wait', sentence: 'Flashed', untilMs: NOW_MS - 1 })).toMatch(/Log coat(?! from)/);
  });
  test('a window that closed asks for scuffing; bare wood does not', () => {
    const closed = { verdict: 'stop', sentence: 'Recoat window closed 5 min ago' };
    expect(spraying({ ...closed, remedy: 'Scuff sand before the next coat' })).toMatch(/Grit.*Scuffed/);
    expect(spraying({ ...closed, sentence: 'No coat on it yet', remedy: 'Coat it first' })).not.toMatch(/Scuffed/);
  });
  test('pieces that were half marked are as they were after a reload', () => {
    const running = { batch: { status: 'running' as const } };
    expect(words(running)).not.toMatch(/1 rework/);
    const judged = ['B7-01', 'B7-02', 'B7-03', 'B7-04', 'B7-05', 'B7-06'].map((pieceId, i) => ({
      ...{ pieceId, outcome: i === 2 ? 'rework' : 'good', defect: i === 2 ? 'dent' : '', note: '' },
      originOperationId: 'b-bind',
    }));
    keepDraft('finish B7 b-bind 1', { judged, acceptReason: '' });
    expect(words(running)).toMatch(/5 good · 1 rework · 0 scrap/);
    forgetDrafts();
    expect(words(running)).not.toMatch(/1 rework/);
  });
  test('what must exist first is said, and nothing offered to begin', () => {
    const missing = [
      { rule: 'parts', verdict: 'stop', sentence: 'The program "Body" is withdrawn', remedy: null, untilMs: null, done: null },
    ];
    const said = words({ batch: { missing: missing as never } });
    expect(said).toContain('The program "Body" is withdrawn'.replaceAll('"', '&quot;'));
    expect(said).not.toMatch(/Start/);
  });
  test('of what lacks a kit as much is begun as there is enough for', () => {
    const short = { sentence: 'Tuners: 4 of 6 sets are here', enoughFor: 4 };
    const said = words({ kitShortage: short });
    expect(said).toContain('Tuners: 4 of 6 sets are here');
    expect(said).toContain('Start 4');
    expect(words({ kitShortage: { ...short, enoughFor: 0 } })).not.toMatch(/Start/);
  });
  test('something wrong that is found in the middle of work can be sent back at once', () => {
    const running = (redo: boolean) => words({ batch: { status: 'running', redo } });
    expect(running(false)).toContain('Send pieces back…');
    expect(running(true)).not.toContain('Send pieces back…');
  });
  test('what was done here and not sent yet shows as done', () => {
    onDevice(
      entry({ atMs: NOW_MS - 60_000 }),
      entry({ key: 'k2', command: 'finish', version: null, atMs: NOW_MS, given: { good: 6, rework: 0, scrap: 0, outcomes: [] } }),
    );
    const said = wordsOf(
      render(<StationDue batchId="B7" isHere />, {
        role: 'operator',
        answers: [
          [['batches', 'card', 'B7'], aCard({})],
          [['batches', 'held', 'B7'], heldB7()],
          [['factory'], FACTORY_TOLD],
        ],
      }),
    );
    expect(said).toMatch(/2 of your entries wait to be sent. Finished here. It goes on when the entry is sent./);
  });
  test('what has gone elsewhere says where it is', () => {
    expect(words({}, 'operator', false)).toContain('It is at Binding bench now.');
  });
  test('who may only look is told so', () => {
    expect(words({}, 'viewer')).toContain('An operator or above can log work here.');
  });
});

test('a station tells its queue in the order to take it, and why', () => {
  const work: View<'StationWorkView'> = {
    code: 'BD2',
    name: 'Binding bench',
    stage: 'bodies',
    kind: 'work',
    places: 1,
    running: [aBatch({ id: 'B3', status: 'running', worker: 'Joss Abara', operationName: 'Bind body' })],
    queue: [
      { batch: aBatch({ id: 'B7', status: 'queued', operationName: 'Bind body' }), reason: 'Late by 4 days even if taken now' },
      { batch: aBatch({ id: 'B5', status: 'queued', operationName: 'Bind body' }), reason: '20 days to spare' },
    ],
    elsewhere: [{ batch: aBatch({ id: 'B9', stationName: 'Fret bench' }), reason: '3 days to spare' }],
    cautions: [],
  };
  const said = wordsOf(
    render(
      <Routes>
        <Route path="/station/:code" element={<StationScreen />} />
      </Routes>,
      {
        at: '/station/BD2',
        role: 'operator',
        answers: [
          [['stations', 'BD2'], work],
          [['batches', 'card', 'B3'], aCard({ batch: { id: 'B3', status: 'running' } })],
        ],
      },
    ),
  );
  expect(said).toMatch(/1 of 1 bench taken; 2 batches wait. Next B7 : late by 4 days even if taken now./);
  expect(said).toMatch(
    /On the bench.*B3.*being worked on, Joss Abara.*To take, in this order.*B7.*B5.*Could be done here in another way.*B9/,
  );
  expect(said).toMatch(/Waits at Fret bench. 3 days to spare/);
});
