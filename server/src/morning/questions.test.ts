import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { DAY, openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';
import type { PersonView } from '../factory/people.dto.ts';
import type { MorningView } from './morning.dto.ts';

// What a manager asks at seven besides what can move: who is in, what to make ahead, and how the last month went.

let factory: TestFactory;
let manager: Caller;
beforeAll(async () => {
  factory = await openFactory('setup');
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const morning = async () => (await manager.get('/morning')).body as MorningView;
const localDay = (ms: number) => new Date(ms).toLocaleDateString('sv-SE', { timeZone: 'Europe/Dublin' });

describe('people', () => {
  test('who is away on the next working day is told with who stands in, and no sooner', async () => {
    const [, next] = (await morning()).people;
    const { people } = (await manager.get('/setup')).body as { people: PersonView[] };
    const skilled = people.filter((p) => p.active && p.skills.length > 0);
    const person = skilled.find((p) =>
      p.skills.every(({ skill }) => skilled.some((o) => o.id !== p.id && o.skills.some((s) => s.skill === skill))),
    );
    if (!person || !next) throw new Error('Nobody has a stand-in');
    const { id, version, name, role, skills, week, active } = person;
    const away = [{ fromMs: next.fromMs, toMs: next.fromMs + DAY }];
    const put = await manager.put(`/people/${id}`, { version, name, ...(role === null ? {} : { role }), skills, week, active, away });
    expect(put.status).toBe(200);
    const [today, then] = (await morning()).people;
    expect(today?.gaps.map((g) => g.name)).not.toContain(name);
    const gap = then?.gaps.find((g) => g.name === name);
    expect(gap).toMatchObject({ ...away[0], alone: false });
    for (const { skill } of skills) expect(gap?.sentence).toContain(`${skill}: `);
    expect(gap?.sentence).not.toContain(name);
  });

  test('on a Friday the next working day is Monday', async () => {
    const before = factory.clock.nowMs();
    while (new Date(factory.clock.nowMs()).getUTCDay() !== 5) factory.clock.pass(DAY);
    const [today, next] = (await morning()).people;
    expect(localDay(today?.fromMs ?? 0)).toBe(localDay(factory.clock.nowMs()));
    expect(localDay(next?.fromMs ?? 0)).toBe(localDay(factory.clock.nowMs() + 3 * DAY));
    expect(factory.clock.nowMs()).toBeGreaterThanOrEqual(before);
  });
});

test('what is made ahead is asked for by orders, and begun in time for them', async () => {
  const necks = async () => (await morning()).makeNext.find((m) => m.modelId === 'millrace' && m.component === 'neck');
  expect(await necks()).toMatchObject({ inStock: 0, asked: 0, short: 0, beginByMs: null });
  const dueMs = factory.clock.nowMs() + 90 * DAY;
  await manager.post('/orders', { modelId: 'millrace', quantity: 4, customer: 'Stock', dueMs });
  const asked = await necks();
  expect(asked).toMatchObject({ name: 'Millrace necks', asked: 4, short: 4 });
  expect(asked?.shortMs).toBeLessThan(dueMs);
  expect(asked?.beginByMs).toBeLessThan(asked?.shortMs ?? 0);
});

describe('months', () => {
  const months = async () => (await manager.get('/flow/months')).body;
  test('begin with the first body, and the one that goes on is not whole', async () => {
    expect(await months()).toEqual({ sinceMs: null, months: [] });
    await startedBatch(factory, manager);
    const { months: all, sinceMs } = await months();
    expect(all).toHaveLength(1);
    expect(all[0]).toMatchObject({ id: localDay(sinceMs).slice(0, 7), whole: false, shipped: 0, why: null });
    expect(all[0].begun).toBeGreaterThan(0);
  });
  test('are compared when two are over', async () => {
    while (new Date(factory.clock.nowMs()).getUTCDate() !== 3) factory.clock.pass(DAY);
    factory.clock.pass(62 * DAY);
    const { months: all } = await months();
    expect(all.map((m: { whole: boolean }) => m.whole)).toEqual([false, true, true, false]);
    expect(all.map((m: { why: string | null }) => m.why === null)).toEqual([true, true, false, true]);
    expect(all[2].why).toMatch(/0 instruments sent off, as many as in/);
  });
  test.each(['1', '14', 'x'])('no %s of them', async (most) => {
    expect((await manager.get(`/flow/months?most=${most}`)).status).toBe(400);
  });
});
