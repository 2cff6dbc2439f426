import { describe, expect, test } from '@jest/globals';
import { Batch } from '../batches/index.ts';
import { judge, NOT_ANSWERED, Rows } from '../ledger/index.ts';
import { testFactory } from '../test/factory.ts';
import { TestHouse } from '../test/house.ts';
import { changed, SHORT_ROUTE } from '../test/routes.ts';
import { said } from '../test/wideHouse.ts';
import { CountKits } from './countKits.ts';
import { kitIdsOf, kitsServing, KitStock, shortageFor, shortOf } from './kitStock.ts';

const kit = (what: string, serves: string, sets: number): KitStock => ({ id: `${serves}/${what}`, what, serves, sets });

describe('which kit serves', () => {
  const onRecord = (['m', null, 'n'] as const).map((modelId) => ({ kind: 'kit' as const, what: 'tuners', modelId }));
  test('a model’s own comes before one for every model', () => {
    expect(kitIdsOf(onRecord, 'm')).toEqual(['m/tuners']);
    expect(kitIdsOf(onRecord, 'other')).toEqual(['any/tuners']);
    const counted = [kit('tuners', 'any', 1), kit('tuners', 'm', 2), kit('knobs', 'm', 3)];
    const of = (modelId: string) => ({ modelId, onRecord });
    const needs = [
      { kind: 'kit' as const, what: 'tuners' },
      { kind: 'program' as const, what: 'knobs' },
    ];
    expect(kitsServing(needs, of('m'), counted)).toEqual(['m/tuners']);
    expect(kitsServing(needs, of('other'), counted)).toEqual(['any/tuners']);
    expect(kitsServing(undefined, of('m'), counted)).toEqual([]);
    // Its own kit is not counted: it takes none of those for every model.
    expect(kitsServing(needs, of('n'), counted)).toEqual([]);
  });
  test('the scarcest says for how many there is enough', () => {
    const kits = [kit('tuners', 'm', 5), kit('knobs', 'm', 3), kit('strings', 'm', 9)];
    expect(shortageFor(3, kits)).toBeNull();
    expect(shortageFor(8, kits)).toEqual({ sentence: 'tuners: 5 of 8 sets are here; knobs: 3 of 8 sets are here', enoughFor: 3 });
    expect(shortageFor(2, [kit('tuners', 'm', 0)])).toEqual({ sentence: 'tuners: no set is here', enoughFor: 0 });
    expect(shortOf(4, kits)).toEqual(['knobs (3 of 4 here)']);
  });
});

/** Bodies at a cut that needs a kit, of which so many sets lie ready. */
function atCut(pieces: number, sets: number | null) {
  const route = changed(SHORT_ROUTE, ['cut', { needs: [{ kind: 'kit', what: 'tuners' }] }]);
  const house = new TestHouse(new Map([[route.id, route]]));
  if (sets !== null)
    house.recorder.record('kits.counted', house.nowMs, 'ann', {}, { what: 'tuners', serves: route.modelId, sets, note: '' });
  return { house, id: house.start('body', pieces), left: () => house.rows.find(KitStock, `${route.modelId}/tuners`)?.sets };
}
const begin = { command: 'start work', personId: 'ann' } as const;

describe('work that needs a kit', () => {
  test('takes a set a piece, and puts them back when it was not begun after all', () => {
    const { house, id, left } = atCut(3, 5);
    house.command(id, begin);
    expect(left()).toBe(2);
    const last = house.recorder.entries.at(-1);
    house.command(id, { command: 'undo entry', entryId: last?.id ?? 0, reason: 'Wrong card' });
    expect([house.batch(id).status, left()]).toEqual(['queued', 5]);
  });
  test('is begun on as many as there are sets for; only the rest waits', () => {
    const { house, id, left } = atCut(5, 3);
    expect(said(house.command(id, begin))).toEqual(['tuners: 3 of 5 sets are here']);
    expect(said(house.command(id, { ...begin, quantity: 4 }))).toEqual(['tuners: 3 of 4 sets are here']);
    expect(said(house.command(id, { ...begin, quantity: 3 }))).toEqual(['batch.split', 'work.started']);
    expect([house.batch(id).quantity, house.batch(id).status, left()]).toEqual([3, 'running', 0]);
    const rest = house.rows.all(Batch).find((b) => b.parentId === id);
    expect(rest).toMatchObject({ quantity: 2, status: 'queued', operationId: 'cut' });
    expect(said(house.command(rest?.id ?? '', begin))).toEqual(['tuners: no set is here']);
  });
  test('asks for none that nobody counts', () => {
    const { house, id } = atCut(3, null);
    expect(said(house.command(id, begin))).toEqual(['work.started']);
  });
  test('cannot be begun on more, or fewer than one', () => {
    const { house, id } = atCut(3, 9);
    for (const quantity of [0, 4, 1.5])
      expect(said(house.command(id, { ...begin, quantity }))).toEqual([`Batch ${id} has 3 pieces to begin`]);
    expect(said(house.command(id, { ...begin, quantity: 3 }))).toEqual(['work.started']);
  });
});

describe('a count', () => {
  const route = changed(SHORT_ROUTE, ['cut', { needs: [{ kind: 'kit', what: 'tuners' }] }]);
  const factory = testFactory(new Map([[route.id, route]]), []);
  const count = (request: object, ...stock: KitStock[]) => {
    const rows = new Rows();
    for (const row of stock) rows.load(KitStock, row);
    const asked = { what: 'tuners', modelId: route.modelId, sets: 4, before: null, note: '', ...request };
    const sight = { rows, factory, nowMs: 1, by: { personId: 'ann', role: 'lead' as const } };
    const decision = judge(CountKits, asked, sight, () => NOT_ANSWERED);
    return decision.kind === 'accept' ? decision.entries : decision.because.map((f) => f.sentence);
  };
  const there = kit('tuners', route.modelId, 2);
  test.each<[string, object, KitStock[], unknown]>([
    ['of a kit that is not on record', { what: 'gears' }, [], ['There is no kit "gears" on record']],
    ['of one that is on record for a model alone', { modelId: null }, [], ['There is no kit "tuners" on record']],
    ['that somebody else has made meanwhile', {}, [there], ['tuners: 2 are here now; count again']],
    ['of what is no longer counted', { before: 2 }, [], ['tuners: it is not counted now; count again']],
    ['that changes nothing', { sets: 2, before: 2 }, [there], ['tuners: 2 it is already']],
    ['of nothing, twice', { sets: null }, [], ['tuners: it is not counted']],
  ])('%s is refused', (_, request, stock, sentences) => {
    expect(count(request, ...stock)).toEqual(sentences);
  });
  test('is written down as it was made', () => {
    expect(count({ before: 2, note: 'came' }, there)).toEqual([
      { kind: 'kits.counted', payload: { what: 'tuners', serves: route.modelId, sets: 4, note: 'came' } },
    ]);
  });
});
