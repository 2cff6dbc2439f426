import { describe, expect, test } from '@jest/globals';
import {
  Answers,
  asked,
  commandKind,
  entryKind,
  judge,
  Ledger,
  NOT_ANSWERED,
  question,
  refuse,
  rowKind,
  rowsOf,
  Rows,
  type Entry,
  type Room,
} from './index.ts';

/** A room nobody else knows of: panels that are weighed. */
interface Panel {
  id: string;
  rack: string;
  massG: number | null;
}
const Panel = rowKind<Panel>('panel', { key: 'id', by: ['rack'] });
const Scale = question<{ id: string }, number>('scale');

const PanelHung = entryKind('panel.hung')<{ id: string; rack: string }>({
  version: 2,
  readers: { 1: (older: { id: string }) => ({ ...older, rack: 'first' }) },
  apply: (rows, { payload }) => rows.put(Panel, { massG: null, ...payload }),
  sentence: ({ payload }, nameOf) => `Hung on ${nameOf('rack', payload.rack)}`,
});
const PanelWeighed = entryKind('panel.weighed')<{ id: string; massG: number }, { offsetG: number }>({
  apply: (rows, { payload }, { offsetG }) => void rows.change(Panel, payload.id, { massG: payload.massG - offsetG }),
  sentence: ({ payload }) => `Weighed ${payload.massG} g`,
});
const WeighPanel = commandKind('weigh panel')<{ id: string }, { offsetG: number }>({
  role: 'operator',
  concerns: ({ id }) => ({ about: [rowsOf(Panel, [id])] }),
  asks: ({ id }) => [asked(Scale, { id })],
  decide({ id }, { answers }) {
    const massG = answers.to(Scale, { id });
    return massG === NOT_ANSWERED
      ? refuse('The scale is silent')
      : { kind: 'accept', entries: [{ kind: 'panel.weighed', payload: { id, massG } }] };
  },
});
const panels = {
  name: 'panels',
  rows: [Panel],
  entries: [PanelHung, PanelWeighed],
  commands: [WeighPanel],
  answers: [],
} as const satisfies Room<{ offsetG: number }, { offsetG: number }>;

const factory = { offsetG: 2 };
const ledger = new Ledger<{ offsetG: number }, { offsetG: number }>([panels]);
const entry = (kind: string, payload: unknown, schemaVersion = 1): Entry => ({
  kind,
  payload,
  schemaVersion,
  atMs: 0,
  personId: null,
  lotId: null,
  batchId: null,
  serial: null,
});

describe('a room of its own', () => {
  test('is told, applied and judged without anything else knowing of it', () => {
    const rows = ledger.replay(
      [entry('panel.hung', { id: 'P1', rack: 'R1' }, 2), entry('panel.weighed', { id: 'P1', massG: 102 })],
      factory,
    );
    expect(rows.get(Panel, 'P1')).toEqual({ id: 'P1', rack: 'R1', massG: 100 });
    expect(ledger.sentence(entry('panel.hung', { id: 'P1', rack: 'R1' }, 2), (what, id) => `${what} ${id ?? ''}`)).toBe('Hung on rack R1');
    const sight = { rows, factory, nowMs: 0, by: { personId: null, role: 'operator' as const } };
    expect(judge(WeighPanel, { id: 'P1' }, sight, () => 90)).toEqual({
      kind: 'accept',
      entries: [{ kind: 'panel.weighed', payload: { id: 'P1', massG: 90 } }],
    });
    expect(judge(WeighPanel, { id: 'P1' }, sight, () => NOT_ANSWERED)).toMatchObject({ kind: 'refuse' });
  });
  test('an entry of an older version is read as one of now, for ever', () => {
    const rows = new Rows();
    ledger.apply(rows, entry('panel.hung', { id: 'P1' }, 1), factory);
    expect(rows.get(Panel, 'P1').rack).toBe('first');
    expect(ledger.versionOf('panel.hung')).toBe(2);
    expect(ledger.sentence(entry('panel.hung', { id: 'P1' }, 1), (_, id) => id ?? '')).toBe('Hung on first');
  });
  test('an entry of a later version, or of a kind nobody knows, stops the reading', () => {
    expect(() => ledger.apply(new Rows(), entry('panel.hung', {}, 3), factory)).toThrow(/version 3; this program reads up to 2/);
    expect(() => ledger.apply(new Rows(), entry('panel.burnt', {}), factory)).toThrow(/a kind nobody knows: panel.burnt/);
  });
  test('a version without a reader cannot be defined', () => {
    const define = () => entryKind('x')<object>({ version: 3, readers: { 1: () => ({}) }, apply: () => undefined, sentence: () => '' });
    expect(define).toThrow(/no reader of version 2/);
  });
  test('each kind of entry is written by one room', () => {
    const other: Room = { name: 'other', rows: [], entries: [], commands: [], answers: [] };
    const both = new Ledger<never, never>([other, panels]);
    expect(both.roomOf('panel.hung')).toBe(panels);
    expect(() => both.roomOf('panel.burnt')).toThrow('Nobody writes entries of kind panel.burnt');
  });
  test('a room that answers nothing is asked nothing', () => {
    expect(ledger.answererOf(asked(question<{ id: string }, number>('nobody'), { id: 'P1' }))).toBeUndefined();
  });
  test('an entry of now is read as it is, one of before whose reader is gone is told', () => {
    const now = entry('panel.hung', { id: 'P7', rack: 'R7' }, 2);
    const rows = new Rows();
    ledger.apply(rows, now, factory);
    expect(rows.get(Panel, 'P7')).toMatchObject({ rack: 'R7' });
    expect(() => ledger.apply(new Rows(), entry('panel.hung', {}, 0), factory)).toThrow('Nothing reads panel.hung of version 0');
  });
  test('two rooms share no name', () => {
    const twin = (part: Partial<Room>) =>
      new Ledger<never, never>([panels, { name: 'twin', rows: [], entries: [], commands: [], answers: [], ...part }]);
    expect(() => twin({ entries: [PanelHung] })).toThrow(/entries of kind panel.hung/);
    expect(() => twin({ rows: [Panel] })).toThrow(/rows of kind panel/);
    expect(() => twin({ commands: [WeighPanel] })).toThrow(/a command called weigh panel/);
    expect(() => twin({})).not.toThrow();
  });
});

describe('answers', () => {
  test('are those to the very question, about the very thing', () => {
    const answers = new Answers().give(Scale, { id: 'P1' }, 12).put(asked(Scale, { id: 'P3' }), NOT_ANSWERED);
    expect(answers.to(Scale, { id: 'P1' })).toBe(12);
    expect(answers.to(Scale, { id: 'P2' })).toBe(NOT_ANSWERED);
    expect(answers.to(Scale, { id: 'P3' })).toBe(NOT_ANSWERED);
    expect(answers.to(question<{ id: string }, number>('other scale'), { id: 'P1' })).toBe(NOT_ANSWERED);
    const more = answers.with(new Answers().give(Scale, { id: 'P1' }, 13).give(Scale, { id: 'P2' }, 7));
    expect([more.to(Scale, { id: 'P1' }), more.to(Scale, { id: 'P2' }), answers.to(Scale, { id: 'P2' })]).toEqual([13, 7, NOT_ANSWERED]);
  });
});

describe.each([false, true])('rows changed where they stand: %s', (inPlace) => {
  const hung = () => {
    const rows = new Rows(inPlace);
    for (const [id, rack] of [
      ['P1', 'R1'],
      ['P2', 'R1'],
      ['P3', 'R2'],
    ] as const)
      rows.put(Panel, { id, rack, massG: null });
    return rows;
  };
  const ids = (rows: Rows, rack: string) => rows.where(Panel, 'rack', rack).map((p) => p.id);
  test('are found together, also after they moved, were replaced or went', () => {
    const rows = hung();
    rows.change(Panel, 'P1', { rack: 'R2' });
    expect([ids(rows, 'R1'), ids(rows, 'R2')]).toEqual([['P2'], ['P3', 'P1']]);
    rows.put(Panel, { id: 'P3', rack: 'R1', massG: 5 });
    expect([ids(rows, 'R1'), ids(rows, 'R2')]).toEqual([['P2', 'P3'], ['P1']]);
    rows.drop(Panel, 'P2');
    rows.drop(Panel, 'nothing');
    expect([ids(rows, 'R1'), rows.find(Panel, 'P2'), rows.all(Panel)]).toEqual([['P3'], undefined, [expect.anything(), expect.anything()]]);
  });
  test('tell what was touched and dropped since it was last asked, but not while a history is told again', () => {
    const rows = hung();
    rows.load(Panel, { id: 'P9', rack: 'R9', massG: 1 });
    rows.drop(Panel, 'P1');
    const told = () => [rows.takeTouched(Panel).map((p) => p.id), rows.takeDropped(Panel)];
    expect(told()).toEqual(inPlace ? [[], []] : [['P2', 'P3'], ['P1']]);
    expect(told()).toEqual([[], []]);
    rows.put(Panel, { id: 'P1', rack: 'R1', massG: 3 });
    expect(told()).toEqual(inPlace ? [[], []] : [['P1'], []]);
  });
  test('that were never introduced are told, not guessed at', () => {
    expect(() => hung().get(Panel, 'P7')).toThrow(/speaks of panel P7/);
    expect(() => hung().get(Panel, null)).toThrow(/panel \(none\)/);
    expect(() => hung().where(Panel, 'id', 'P1')).toThrow(RangeError);
  });
});

test('rows put aside are found together once they are asked for', () => {
  const Aside = rowKind<Panel>('aside', { key: 'id', by: ['rack'], seldom: true });
  const rows = new Rows(true);
  const at = (rack: string) => rows.where(Aside, 'rack', rack).map((p) => p.id);
  rows.put(Aside, { id: 'P1', rack: 'R1', massG: null });
  rows.amend(Aside, rows.get(Aside, 'P1'), { rack: 'R2' });
  rows.put(Aside, { id: 'P2', rack: 'R2', massG: null });
  rows.put(Aside, { id: 'P1', rack: 'R3', massG: null });
  expect([at('R1'), at('R2'), at('R3')]).toEqual([[], ['P2'], ['P1']]);
});
