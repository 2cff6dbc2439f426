import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { FROM_VISITS } from '../batches/migrations/1700000000035-step-times.ts';
import { advanceTo, openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let viewer: Caller;
beforeAll(async () => {
  factory = await openFactory();
  viewer = await factory.as('viewer');
});
afterAll(() => factory.close());

const price = (query: string) => viewer.get(`/flow/price?${query}`);

describe('the price of a policy', () => {
  test('is nothing against itself, and tells how the model is made now', async () => {
    const { status, body } = await price('modelId=weirstone&perWeek=10');
    expect([status, body.sentence]).toEqual([200, 'The two come to the same.']);
    expect(body.from).toEqual(body.to);
    expect(body.from).toMatchObject({ routeId: 'weirstone-1', version: 1, waits: 'as asked', machining: 'as routed', logged: [] });
    expect(body.from.lying.find((w: { rig: string | null }) => w.rig === 'clamp rack')).toMatchObject({
      name: 'Blank in clamps',
      places: 24,
    });
  });
  test('of letting everything wait overnight: nothing to do less, days more', async () => {
    const { body } = await price('modelId=weirstone&perWeek=10&thenWaits=overnight');
    expect(body.sentence).toMatch(/^The second takes \d+ places more for what waits, [\d.]+ days more from the first start/);
    expect(body.to.touchHours).toBe(body.from.touchHours);
    expect(body.to.waitingPieces).toBeGreaterThan(body.from.waitingPieces);
  });
  test('of leaving to hands what a program does names what has no other way', async () => {
    const { body } = await price('modelId=weirstone&perWeek=10&thenMachining=without%20programs');
    expect(body.to.onlyByProgram).toContain('Machine bodies');
    expect(body.to.touchHours).not.toBe(body.from.touchHours);
  });
  test('of smaller batches: more is set up, at every station', async () => {
    const { body } = await price('modelId=weirstone&perWeek=10&thenBatchSize=2');
    const hours = new Map(body.from.stations.map((s: { code: string; hours: number }) => [s.code, s.hours]));
    for (const { code, hours: then } of body.to.stations) expect(then).toBeGreaterThanOrEqual(Number(hours.get(code)));
    expect(body.to.touchHours).toBeGreaterThan(body.from.touchHours);
  });
  test.each([
    ['a model that is not there', 'modelId=goat&perWeek=10', /Nothing is built by that name/],
    ['a version of another model', 'modelId=weirstone&perWeek=10&routeId=skiff-1', /has no such version/],
    ['no rate', 'modelId=weirstone&perWeek=0', /perWeek/],
    ['no policy', 'modelId=weirstone&perWeek=10&waits=fortnight', /waits/],
    ['half an instrument in a batch', 'modelId=weirstone&perWeek=10&batchSize=0.5', /batchSize/],
  ])('%s is refused', async (_, query, said) => {
    const { status, body } = await price(query);
    expect([status, JSON.stringify(body)]).toEqual([400, expect.stringMatching(said)]);
  });
  test('rests on what is logged, which is told the same from all passes at once', async () => {
    const manager = await factory.as('manager');
    for (let i = 0; i < 5; i++) await advanceTo(factory, manager, await startedBatch(factory, manager), 'b-clamp');
    const kept = await factory.database.query('select * from step_times order by id');
    expect(kept.length).toBeGreaterThan(0);
    expect(kept).toEqual(await factory.database.query(`select * from (${FROM_VISITS}) told order by id`));
    const { body } = await price('modelId=weirstone&perWeek=10');
    expect(body.from.logged).toEqual(['Cut and joint bodies', 'Glue up blanks']);
  });
});
