import { describe, expect, test } from '@jest/globals';
import type { View } from '../ground/api.ts';
import { ClassedWork } from '../parts/ClassedWork.tsx';
import { aCard } from '../test/card.ts';
import { render, wordsOf } from '../test/render.tsx';
import { RigActs } from './RigActs.tsx';
import { VerdictAct } from './VerdictAct.tsx';

const NOW = Date.parse('2026-03-10T07:10:00Z');
type Rigs = NonNullable<View<'CardView'>['rigs']>;
const TABLE: Rigs['rigs'][number] = {
  rigId: 'T1',
  name: 'Hose table',
  cycle: 'all places together',
  places: 10,
  free: 8,
  isClosed: false,
  own: 0,
  ownOver: 0,
  nextMs: null,
  closeByMs: null,
  others: [],
};
const rigActs = (rigs: Partial<Rigs>, role: View<'SessionView'>['role'] = 'lead') =>
  wordsOf(
    render(<RigActs card={aCard({ rigs: { stepName: 'Fingerboard in clamps', outside: 4, wipe: null, rigs: [TABLE], ...rigs } })} />, {
      role,
    }),
  );

describe('at the rigs', () => {
  test('oily faces are wiped first: how many, for how long it holds, and by when the others have to be in', () => {
    const wipe = { withWhat: 'acetone', minutes: 20, due: 3, untilMs: null };
    expect(rigActs({ wipe })).toMatch(/3 pieces to be wiped with acetone before glue; a wipe holds 20 min\. .*They are wiped/);
    expect(rigActs({ wipe: { ...wipe, due: 1, untilMs: NOW } })).toMatch(/1 piece to be wiped .* The others are to be in by /);
    const wiped = rigActs({ wipe: { ...wipe, due: 0, untilMs: NOW } });
    expect(wiped).toMatch(/Wiped with acetone: to be in by /);
    expect(wiped).not.toContain('They are wiped');
    expect(rigActs({})).not.toContain('wipe');
  });
  test('what lies open in a press says by when to close it; later it takes a lead and a reason', () => {
    const open = (closeByMs: number) => ({ rigs: [{ ...TABLE, own: 4, closeByMs }], outside: 0 });
    expect(rigActs(open(Date.now() + 600_000))).toMatch(/close it by .*Close Hose table/);
    expect(rigActs(open(Date.now() + 600_000))).not.toContain('all the same');
    expect(rigActs(open(0))).toContain('Close it all the same…');
  });
});

describe('a trial', () => {
  const judged = { verdict: 'take it up' as const, words: 'Two hours less by hand', by: 'Ann', atMs: NOW };
  const said = (batch: Partial<View<'BatchView'>>, role: View<'SessionView'>['role'] = 'lead') =>
    wordsOf(render(<VerdictAct card={aCard({ batch })} />, { role }));
  test('says what it has shown, or that nobody has said; only a lead judges it', () => {
    expect(said({ workClass: 'trial' })).toMatch(/nobody has said yet what it shows\. ?Say what it shows…/);
    expect(said({ workClass: 'trial' }, 'operator')).not.toContain('Say what it shows…');
    expect(said({ workClass: 'trial', judged })).toMatch(/Trial: take it up\. Two hours less by hand \(Ann, .*Judge it anew…/);
    expect(said({ workClass: 'tooling' })).toBe('');
  });
});

describe('work that is not for orders and stock', () => {
  const batch = {
    batchId: 'B9',
    workClass: 'tooling' as const,
    what: '2 Neck forms',
    stage: 'machining' as const,
    operationName: 'Machine the forms',
    stationCode: 'MC2',
    stationName: 'Neck machining centre',
    status: 'queued' as const,
    sinceMs: NOW,
  };
  const station = {
    stationCode: 'MC2',
    stationName: 'Neck machining centre',
    stage: 'machining' as const,
    busyMinutes: 600,
    specialMinutes: 0,
    trialMinutes: 60,
    toolingMinutes: 120,
  };
  const told = (classes: Partial<View<'ClassesView'>>, stage?: 'machining' | 'fitting') =>
    wordsOf(
      render(<ClassedWork {...(stage ? { stage } : {})} />, {
        answers: [[['classes'], { days: 28, stations: [], open: [], unjudged: [], ...classes }]],
      }),
    );
  test('stands out with its hours, at its stage and in all', () => {
    const all = { stations: [station], open: [batch], unjudged: [{ ...batch, workClass: 'trial' as const, what: '1 Millrace body' }] };
    expect(told(all)).toMatch(/In 28 days 3(\.0)? h of the 10 h worked at these stations: trials 1 h, tooling 2 h\./);
    expect(told(all, 'machining')).toMatch(/B9 tooling, 2 Neck forms: machine the forms at Neck machining centre, queued since/);
    expect(told(all, 'machining')).toMatch(/B9 trial, 1 Millrace body: ended .*, and nobody has said what it showed/);
    expect(told(all, 'fitting')).toBe('');
    expect(told({})).toBe('');
  });
});
