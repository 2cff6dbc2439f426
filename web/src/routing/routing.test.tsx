import { afterEach, describe, expect, test } from '@jest/globals';
import {
  CAUTIONS,
  changeStep,
  insertAfter,
  operationOf,
  simplestRoute,
  type Operation,
  type Route as Graph,
  type StepSeed,
} from '@ample-crane/core';
import { Route, Routes } from 'react-router';
import type { View } from '../ground/api.ts';
import { labelsOf, NOW_MS, render, wordsOf } from '../test/render.tsx';
import CompareScreen from './CompareScreen.tsx';
import { fieldInWords } from './fieldWords.ts';
import RouteDeskScreen from './RouteDeskScreen.tsx';
import RoutesScreen from './RoutesScreen.tsx';

type Version = View<'RouteVersionView'>;

const version = (over: Partial<Version> = {}): Version => ({
  id: 'r-1',
  modelId: 'r',
  modelName: 'Quayside',
  version: 1,
  state: 'released',
  inForce: true,
  effectiveMs: null,
  reason: 'As first built',
  revision: 1,
  steps: 3,
  inWork: 2,
  ...over,
});
const seed = (name: string, kind: StepSeed['kind'] = 'work', stationCode = 'RM1'): StepSeed => ({
  name,
  kind,
  stage: 'roughMill',
  stationCode,
  ...(kind === 'work' ? { setupMinutes: 5, minutesPerPiece: 12 } : {}),
});
const FIRST = simplestRoute(
  { id: 'r-1', modelId: 'r', version: 1 },
  { body: seed('Cut bodies'), fit: seed('Give a serial', 'fit', 'FT1'), ship: seed('Dispatch', 'dispatch', 'DP1') },
);
const view = (over: Partial<Version>, { operations, options }: Graph): View<'RouteView'> => ({
  version: version(over),
  graph: { operations, ...(options ? { options } : {}) } as View<'RouteView'>['graph'],
  problems: [],
});
const station = (code: string, stage: View<'StationView'>['stage']): View<'StationView'> => ({
  code,
  name: `Station ${code}`,
  stage,
  zoneId: 'hall',
  kind: 'work',
  places: 1,
  version: 1,
});
const setup = {
  people: [],
  stations: [station('RM1', 'roughMill'), station('FT1', 'fitting'), station('DP1', 'dispatch')],
  models: [
    { id: 'r', name: 'Quayside', code: 'QY', construction: 'set neck', batchSize: 4, scaleLengthMm: 645, wood: [], components: ['body'] },
  ],
  zones: [],
  materials: [],
  species: [{ name: 'mahogany' }, { name: 'wenge' }],
  adhesives: [],
  cautions: [...CAUTIONS],
  house: { name: 'Heron Lane', woodRoomZoneId: 'wood', boothZoneId: 'booth', currency: 'EUR' },
  skills: [],
  prerequisites: [],
} as unknown as View<'SetupView'>;

interface Seen {
  shown: View<'RouteView'>;
  role?: View<'SessionView'>['role'];
  others?: View<'RouteView'>[];
  at?: string;
}
const page = ({ shown, role = 'manager', others = [], at = `/setup/routes/${shown.version.id}` }: Seen): string =>
  render(
    <Routes>
      <Route path="/setup/routes" element={<RoutesScreen />} />
      <Route path="/setup/routes/:id" element={<RouteDeskScreen />} />
      <Route path="/setup/routes/:id/compare" element={<CompareScreen />} />
    </Routes>,
    {
      role,
      at,
      answers: [
        [['setup'], setup],
        [['carriers'], []],
        [['routes'], [shown, ...others].map((v) => v.version)],
        [['batches', 'to move', shown.version.id], []],
        ...[shown, ...others].map((v): [string[], View<'RouteView'>] => [['routes', v.version.id], v]),
      ],
    },
  );
afterEach(() => localStorage.clear());

describe('the route desk', () => {
  test('tells the state of a version first, and offers the next', () => {
    const said = wordsOf(page({ shown: view({ effectiveMs: NOW_MS, reason: 'Rest proved needless' }, FIRST) }));
    expect(said).toMatch(/Quayside, version 1/);
    expect(said).toMatch(
      /In force since 10 Mar 2026: 3 steps. Nothing keeps it from being built. 2 batches are on it. Rest proved needless./,
    );
    expect(said).toMatch(/Draft the next version from this/);
    expect(said).not.toMatch(/Save the draft/);
  });
  test('a draft is edited by a lead, and released by a manager alone', () => {
    const draft = view({ id: 'r-2', version: 2, state: 'draft', inForce: false, reason: '' }, FIRST);
    expect(wordsOf(page({ shown: draft, role: 'lead' }))).toMatch(/Save the draft Undo Redo Set the draft aside/);
    expect(wordsOf(page({ shown: draft }))).toMatch(/Save the draft Undo Redo Release… Set the draft aside/);
    expect(wordsOf(page({ shown: draft, role: 'operator' }))).not.toMatch(/Save the draft|Add a step/);
  });
  test('what keeps a route from being built is told and marked at its step', () => {
    const broken = changeStep(FIRST, 'cut-bodies', { skill: 'levitation', stationCode: 'XX9' });
    const html = page({ shown: view({ id: 'r-2', version: 2, state: 'draft' }, broken) });
    expect(wordsOf(html)).toMatch(/2 things keep it from being built/);
    expect(wordsOf(html)).toMatch(/levitation, which nobody holds/);
    expect(labelsOf(html)).toContain('Cut bodies: work of the body, has a problem');
  });
  test('what was changed on this device and not saved is there again', () => {
    const edited = changeStep(FIRST, 'cut-bodies', { name: 'Saw bodies' });
    localStorage.setItem('route draft r-2', JSON.stringify({ revision: 3, route: edited }));
    const html = (revision: number) => page({ shown: view({ id: 'r-2', version: 2, state: 'draft', revision }, { ...FIRST, id: 'r-2' }) });
    expect(wordsOf(html(3))).toMatch(/Saw bodies.*Changed and not saved yet/);
    // Somebody else has saved since: what they saved is shown.
    expect(wordsOf(html(4))).not.toMatch(/Saw bodies/);
  });
  test('a rule of several parts is shown part by part, to be changed in a draft alone', () => {
    const alder = { kind: 'species', component: 'body', in: ['red alder'] } as const;
    const carved = { kind: 'construction', in: ['carved'] } as const;
    const when = {
      kind: 'any',
      of: [
        { kind: 'not', of: carved },
        { kind: 'all', of: [alder, carved] },
      ],
    } as const;
    const shown = (state: Version['state']) => page({ shown: view({ state, inForce: false }, changeStep(FIRST, 'cut-bodies', { when })) });
    const draft = shown('draft');
    expect(wordsOf(draft)).toMatch(/Done if not carved, or \(body of red alder, and carved\)/);
    expect(wordsOf(draft)).toMatch(
      /orders that any of several rules fits.*Rule 1.*for all but these.*Rule 2.*orders that several rules all fit.*Rule 2.1.*Rule 2.2/,
    );
    expect(labelsOf(draft)).toEqual(expect.arrayContaining(['Rules of which any must fit', 'Rules that must all fit']));
    expect(wordsOf(draft)).toMatch(/Add a rule/);
    expect(wordsOf(shown('released'))).not.toMatch(/Add a rule/);
  });
  test('an empty route says how to begin', () => {
    const empty = view({ state: 'draft', inWork: 0, reason: '' }, { ...FIRST, operations: [] });
    expect(wordsOf(page({ shown: empty }))).toMatch(/Nothing is described yet. Begin with a body, a serial and dispatch/);
    expect(wordsOf(page({ shown: empty, role: 'viewer' }))).toMatch(/A lead can describe it/);
  });
});

describe('versions side by side', () => {
  const later = changeStep(insertAfter(FIRST, 'cut-bodies', seed('Weigh')).route, 'give-a-serial', { handOver: true });
  const shown = view({ id: 'r-2', version: 2, state: 'draft', inForce: false, reason: '' }, later);
  test('count and mark what differs, the earlier first, whichever was asked for', () => {
    for (const [one, other] of [
      [shown, view({}, FIRST)],
      [view({}, FIRST), shown],
    ] as const) {
      const html = page({ shown: one, others: [other], at: `/setup/routes/${one.version.id}/compare` });
      expect(wordsOf(html)).toMatch(/Steps: 1 new, 0 gone, 2 done otherwise/);
      expect(wordsOf(html)).toMatch(/Cut bodies leads to Give a serial Weigh/);
      expect(wordsOf(html)).toMatch(/Give a serial taken over no yes/);
      expect(labelsOf(html)).toContain('Weigh: work of the body, new');
    }
  });
  test('alone, a version has nothing beside it', () => {
    expect(wordsOf(page({ shown, at: '/setup/routes/r-2/compare' }))).toMatch(/There is no other version yet/);
  });
});

test('the list tells what is on a version that is no longer started', () => {
  const old = view({ id: 'r-1', inForce: false, inWork: 5 }, FIRST);
  const said = wordsOf(page({ shown: view({ id: 'r-2', version: 2 }, FIRST), others: [old], at: '/setup/routes' }));
  expect(said).toMatch(/1 models? .*described; 0 drafts are being written. 5 batches are on a version that is no longer started./);
});

describe('a property of a step in words', () => {
  const step: Operation = {
    ...operationOf(FIRST, 'cut-bodies'),
    place: { kind: 'press', outline: true },
    ways: [{ id: 'w2', name: 'By hand', stationCode: 'RM1', setupMinutes: 0, minutesPerPiece: 30 }],
    needs: [{ kind: 'program', what: 'Body, both sides' }],
    repeat: { kind: 'until accepted', backTo: 'cut-bodies', maximum: 5, expected: 2 },
    gate: [{ kind: 'elapsed', what: 'Rested', minimumMinutes: 48 * 60 }],
  };
  test.each<[keyof Operation, Operation | null, string, string]>([
    ['place', step, 'places', 'a press of its outline'],
    ['ways', step, 'other ways', 'By hand: 30 min each'],
    ['needs', step, 'must exist first', 'program Body, both sides'],
    ['repeat', step, 'rounds', 'until accepted, 5 at most, from Cut bodies'],
    ['repeat', { ...step, repeat: { kind: 'count', backTo: 'cut-bodies', times: 2 } }, 'rounds', '2, from Cut bodies'],
    ['repeat', null, 'rounds', 'once'],
    ['gate', step, 'gate', 'Rested at least 2 d'],
    ['when', step, 'only for', 'every order'],
    ['noWait', { ...step, noWait: true }, 'may wait after it', 'no'],
    ['skillLevel', step, 'skill level', '1'],
    ['cautions', null, 'cautions', '—'],
    ['name', step, 'name', 'Cut bodies'],
    ['grit', step, 'grit', '—'],
  ])('%s', (field, of, name, value) => {
    const words = fieldInWords(field);
    expect([words.name, words.of(of, FIRST)]).toEqual([name, value]);
  });
});
