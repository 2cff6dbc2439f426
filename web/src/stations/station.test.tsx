import { afterEach, describe, expect, test } from '@jest/globals';
import { Route, Routes } from 'react-router';
import type { View } from '../ground/api.ts';
import type { OutboxEntry } from '../ground/outbox.ts';
import { stationOutbox } from '../ground/stationOutbox.ts';
import { aBatch } from '../test/batch.ts';
import { aCard } from '../test/card.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import { OutboxPanel } from './OutboxPanel.tsx';
import { asSeen } from '../batches/overlay.ts';
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
  const queued = { id: 'B7', status: 'queued', accepted: false } as const;
  const running = { ...queued, status: 'running' } as const;
  test.each<[string, Pick<Batch, 'id' | 'status' | 'accepted'>, OutboxEntry[], object]>([
    ['nothing done', queued, [], { status: 'queued', waiting: 0, gone: false }],
    ['begun', queued, [entry()], { status: 'running', accepted: true, waiting: 1, gone: false }],
    ['begun and paused', queued, [entry(), entry({ command: 'pause' })], { status: 'paused', waiting: 2 }],
    ['paused and gone on with', running, [entry({ command: 'pause' }), entry({ command: 'resume' })], { status: 'running', waiting: 2 }],
    ['taken over', queued, [entry({ command: 'accept' })], { status: 'queued', accepted: true, gone: false }],
    ['begun and finished', queued, [entry(), entry({ command: 'finish' })], { gone: true, waiting: 2 }],
    ['refused to the step before', queued, [entry({ command: 'refuse' })], { gone: true }],
    ['moved on', { ...queued, status: 'finished' }, [entry({ command: 'move' })], { gone: true }],
    ['a coat logged', running, [entry({ command: 'coats' })], { status: 'running', gone: false, waiting: 1 }],
    ['of another batch', queued, [entry({ batchId: 'B8' })], { status: 'queued', waiting: 0 }],
    ['put aside by choice', queued, [entry({ state: 'aside' })], { status: 'queued', waiting: 0 }],
    ['refused by the server, not chosen yet', queued, [entry({ state: 'conflict' })], { status: 'running', waiting: 1 }],
  ])('%s', (_, batch, entries, seen) => {
    expect(asSeen(batch, entries)).toMatchObject(seen);
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
    ['what is paused goes on', { status: 'paused' }, /Resume/],
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
  test('what must exist first is said, and nothing offered to begin', () => {
    const missing = [
      { rule: 'parts', verdict: 'stop', sentence: 'The program "Body" is withdrawn', remedy: null, untilMs: null, done: null },
    ];
    const said = words({ batch: { missing: missing as never } });
    expect(said).toContain('The program "Body" is withdrawn'.replaceAll('"', '&quot;'));
    expect(said).not.toMatch(/Start/);
  });
  test('what was done here and not sent yet shows as done', () => {
    onDevice(entry(), entry({ key: 'k2', command: 'finish', version: null }));
    expect(words({})).toMatch(/2 of your entries wait to be sent. Finished here. It goes on when the entry is sent./);
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
