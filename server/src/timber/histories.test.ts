import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import { DAY, LOT, openFactory, type Answer, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let first = '';
let second = '';

const ODD_LOT = { ...LOT, supplier: '=1+1', origin: 'Vermont, "north"' };

const rowsOf = (answer: Answer): Record<string, string>[] => parse(answer.text, { columns: true, bom: true });
const versionOf = async (id: string): Promise<number> => (await manager.get(`/lots/${id}`)).body.lot.version;
const act = async (id: string, what: string, body: object) => {
  const answer = await manager.post(`/lots/${id}/${what}`, { version: await versionOf(id), ...body });
  expect(answer.status).toBe(200);
};

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  first = (await manager.post('/lots', ODD_LOT)).body.id;
  second = (await manager.post('/lots', { ...LOT, species: 'mahogany', use: 'body', supplier: 'Calder' })).body.id;
  factory.clock.pass(DAY);
  await act(first, 'readings', { text: '10 30 c10', woodTempC: -2, meter: 'pin' });
  await act(first, 'strike', { sessionId: `${first}/1`, seq: 2, reason: 'a knot' });
  factory.clock.pass(DAY);
  await act(first, 'move', { zoneId: 'cabinet', place: null, scheduleId: null });
  factory.clock.pass(DAY);
  await act(first, 'readings', { text: '8.0', woodTempC: 20, meter: 'pinless' });
  await act(first, 'release', { overrideReason: 'the factory stands still' });
});
afterAll(() => factory.close());

describe('the history of a lot as CSV', () => {
  test('tells in time order what happened to it and every reading', async () => {
    const answer = await manager.get(`/lots/${first}/history.csv`);
    expect(answer.headers['content-type']).toBe('text/csv; charset=utf-8');
    expect(answer.headers['content-disposition']).toContain(`lot-history-${first}.csv`);
    const rows = rowsOf(answer);
    expect(rows.map((r) => [r['event'], r['zone'], r['reading'], r['depth'], r['raw_pct']])).toEqual([
      ['received', 'Wood room', '', '', ''],
      ['read', 'Wood room', '1', 'shell', '10'],
      ['read', 'Wood room', '2', 'shell', '30'],
      ['read', 'Wood room', '3', 'core', '10'],
      ['moved', 'Drying cabinet', '', '', ''],
      ['read', 'Drying cabinet', '1', 'shell', '8'],
      ['released', 'Drying cabinet', '', '', ''],
    ]);
    expect(rows.map((r) => r['at_utc'])).toEqual([...rows.map((r) => r['at_utc'])].sort());
    expect(rows[0]).toMatchObject({ lot: first, species: 'sugar maple', thickness_mm: '27', origin: 'Vermont, "north"' });
  });
  test('keeps what was struck out, with the reason, and who overrode the gate', async () => {
    const rows = rowsOf(await manager.get(`/lots/${first}/history.csv`));
    expect(rows[2]?.['note']).toBe('struck out: a knot');
    expect(rows[1]).toMatchObject({ note: '', meter: 'pin', by: 'Maren Holloway' });
    expect(rows.at(-1)).toMatchObject({ note: 'override: the factory stands still', by: 'Maren Holloway' });
  });
  test('has numbers as numbers, and no text a spreadsheet would reckon with', async () => {
    const [, read] = rowsOf(await manager.get(`/lots/${first}/history.csv`));
    expect(read?.['wood_temp_c']).toBe('-2');
    expect(read?.['supplier']).toBe("'=1+1");
    // Cold wood reads drier than it is.
    expect(Number(read?.['corrected_pct'])).toBeGreaterThan(11);
    expect(Number(read?.['room_emc_pct'])).toBeGreaterThan(5);
    expect(Number(read?.['room_emc_pct'])).toBeLessThan(12);
  });
  test('of all lots is one file, the oldest lot first', async () => {
    const answer = await manager.get('/lots/histories.csv');
    expect(answer.headers['content-disposition']).toContain('lot-histories.csv');
    expect([...new Set(rowsOf(answer).map((r) => r['lot']))]).toEqual([first, second]);
    expect(rowsOf(answer)).toHaveLength(8);
  });
  test('of a lot there is not is said before a file is begun', async () => {
    const answer = await manager.get('/lots/L1/history.csv');
    expect(answer.status).toBe(404);
    expect(answer.body.detail).toContain('L1');
  });
});
