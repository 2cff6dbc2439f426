import { describe, expect, test } from '@jest/globals';
import { LEDGER } from '../ledger.ts';
import { checkRoute, type JobSetting, type Operation } from '../routing/index.ts';
import { TestHouse } from '../test/house.ts';
import { changed, SHORT_ROUTE } from '../test/routes.ts';
import { said } from '../test/wideHouse.ts';
import { Job } from './index.ts';

const PRESSURE: JobSetting = { id: 'pressure', name: 'Pressure', figure: { unit: 'bar', low: 3, high: 5 } };
const TOOL: JobSetting = { id: 'tool', name: 'Tool' };
const noting = (settings: readonly JobSetting[], over: Partial<Operation> = {}) => changed(SHORT_ROUTE, ['cut', { settings, ...over }]);

function cutting(settings: readonly JobSetting[]) {
  const route = noting(settings);
  const house = new TestHouse(new Map([[route.id, route]]));
  const begin = (id: string, what: object = {}) => said(house.command(id, { command: 'start work', personId: 'ann', ...what } as never));
  return {
    house,
    begin,
    ids: [house.start('body', 3, { route }), house.start('body', 2, { route }), house.start('body', 1, { route })] as const,
  };
}

describe('what a step asks to be noted when work begins', () => {
  test('is noted in its job and told in the logbook', () => {
    const { house, begin, ids } = cutting([PRESSURE, TOOL]);
    const settings = [
      { id: 'tool', words: '  Cutter 12 ' },
      { id: 'pressure', figure: 4.5 },
    ];
    expect(begin(ids[0], { settings })).toEqual(['work.started']);
    expect(house.rows.get(Job, house.batch(ids[0]).jobId).settings).toEqual([
      { id: 'pressure', name: 'Pressure', value: 4.5, unit: 'bar' },
      { id: 'tool', name: 'Tool', value: 'Cutter 12', unit: '' },
    ]);
    const entry = house.recorder.entries.at(-1);
    expect(entry && LEDGER.sentence(entry, (_, id) => id ?? '')).toBe('cut started by ann, pressure 4.5 bar, tool Cutter 12');
  });
  test.each<[string, object[], string]>([
    ['nothing of it', [], 'Not noted yet: Pressure, Tool'],
    ['one of two', [{ id: 'pressure', figure: 3 }], 'Not noted yet: Tool'],
    [
      'words for a figure',
      [
        { id: 'pressure', words: '4' },
        { id: 'tool', words: 'x' },
      ],
      'Not noted yet: Pressure',
    ],
    [
      'a figure for words',
      [
        { id: 'pressure', figure: 4 },
        { id: 'tool', figure: 4 },
      ],
      'Not noted yet: Tool',
    ],
    [
      'blanks',
      [
        { id: 'pressure', figure: 4 },
        { id: 'tool', words: '  ' },
      ],
      'Not noted yet: Tool',
    ],
    [
      'too little',
      [
        { id: 'pressure', figure: 2.9 },
        { id: 'tool', words: 'x' },
      ],
      'Pressure is to be 3–5 bar; 2.9 bar was noted',
    ],
    [
      'too much',
      [
        { id: 'pressure', figure: 5.1 },
        { id: 'tool', words: 'x' },
      ],
      'Pressure is to be 3–5 bar; 5.1 bar was noted',
    ],
    ['what nobody asked for', [{ id: 'glue', words: 'x' }], 'glue is not asked for, or said twice'],
    [
      'it twice',
      [
        { id: 'tool', words: 'x' },
        { id: 'tool', words: 'y' },
      ],
      'tool is not asked for, or said twice',
    ],
  ])('%s is refused', (_, settings, told) => {
    const { begin, ids } = cutting([PRESSURE, TOOL]);
    expect(begin(ids[0], { settings })).toEqual([told]);
  });
  test('is noted once for a load', () => {
    const { house, begin, ids } = cutting([PRESSURE]);
    const settings = [{ id: 'pressure', figure: 5 }];
    expect(begin(ids[0], { settings, withBatchIds: [ids[1], ids[2]] })).toHaveLength(3);
    const job = house.rows.get(Job, house.batch(ids[2]).jobId);
    expect([job.shares.length, job.settings.map((s) => s.value)]).toEqual([3, [5]]);
  });
  test('a step that asks for nothing is begun without, and stays as it was told before', () => {
    const { house, begin, ids } = cutting([]);
    expect(begin(ids[0])).toEqual(['work.started']);
    expect(house.recorder.entries.at(-1)?.payload).not.toHaveProperty('settings');
    expect(house.rows.get(Job, house.batch(ids[0]).jobId).settings).toEqual([]);
  });
});

test.each<[string, JobSetting[], Partial<Operation>, RegExp | null]>([
  ['figures and words', [PRESSURE, TOOL], {}, null],
  ['one twice', [TOOL, TOOL], {}, /"cut" notes Tool twice/],
  ['two of one name', [TOOL, { ...TOOL, id: 'other' }], {}, /"cut" notes Tool twice/],
  [
    'bounds the wrong way round',
    [{ ...PRESSURE, figure: { unit: 'bar', low: 5, high: 3 } }],
    {},
    /bounds of Pressure are the wrong way round/,
  ],
  ['one without a name', [{ id: 'a', name: ' ' }], {}, /notes something without a name/],
  ['at a wait', [TOOL], { kind: 'dwell' }, /not work that somebody begins/],
])('a route that notes %s', (_, settings, over, wrong) => {
  const problems = checkRoute(noting(settings, over)).map((p) => p.message);
  if (wrong === null) expect(problems).toEqual([]);
  else expect(problems.join('\n')).toMatch(wrong);
});
