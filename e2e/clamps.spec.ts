import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { get, letTimePass, signIn, violations, walkTo } from './steps.ts';

interface Rigs {
  rigs: {
    id: string;
    name: string;
    loads: { isOver: boolean; batches: { batchId: string }[] }[];
    waiting: { batchId: string; state: string; fits: number }[];
  }[];
}
const rig = (page: Page, name: string) => page.getByRole('article', { name, exact: true });
const operationOf = async (page: Page, id: string) =>
  (await get<{ batch: { operationName: string } }>(page, `/batches/${id}`)).batch.operationName;

test('what is glued goes into the clamps from its bench, without network too', async ({ page, context }) => {
  await signIn(page);
  const { rows } = await get<{ rows: { id: string; operationName: string; status: string; stationCode: string }[] }>(
    page,
    '/batches?size=200',
  );
  const gluing = rows.find(
    (b) => b.stationCode === 'BD1' && (b.status === 'running' || b.status === 'paused') && b.operationName === 'Press top and back',
  );
  if (!gluing) throw new Error('Nobody glues tops in the demo');
  await page.setViewportSize({ width: 1024, height: 768 });
  await page.goto(`/station/BD1?batch=${gluing.id}`);
  const due = page.getByRole('region', { name: `Batch ${gluing.id}` });
  const rigs = due.getByRole('group', { name: 'Rigs for In the press' });
  const put = rigs.getByRole('button', { name: /^Put \d+ in Stack press/ });
  await expect(put).toBeVisible();
  await context.setOffline(true);
  await put.click();
  await expect(due.getByText(/of your entries waits to be sent/)).toBeVisible();
  await expect(rigs.getByText(/of it in, still open/)).toBeVisible();
  await context.setOffline(false);
  await expect(due.getByText(/of your entries/)).toBeHidden({ timeout: 30_000 });
  await expect(rigs.getByText(/of it in, still open/)).toBeVisible();
  await rigs.getByRole('button', { name: 'Put back' }).click();
  await expect(put).toBeVisible();
});

test('clamps are emptied when their glue has had its time; a press is filled, closed over all, and opened', async ({ page }) => {
  await signIn(page);
  const { rigs } = await get<Rigs>(page, '/rigs?stage=roughMill');
  const full = rigs.find((r) => r.loads.some((l) => l.isOver));
  const batchId = full?.loads[0]?.batches[0]?.batchId;
  if (!full || batchId === undefined) throw new Error('Nothing is free in the clamps of the demo');
  // In the morning it stands among what is to be decided.
  await expect(page.getByText(new RegExp(`${batchId} .*clamped 45 min: take them out of ${full.name}`))).toBeVisible();
  await walkTo(page, 'Rough mill');
  await page.getByRole('tab', { name: 'Clamps' }).click();
  await expect(page.getByRole('status').first()).toContainText(/pieces may come out, the first since/);
  expect(await violations(page)).toEqual([]);
  const rack = rig(page, full.name);
  await expect(rack.getByRole('list', { name: `Places of ${full.name}` }).getByText('free')).toHaveCount(full.loads.length);
  await rack.getByRole('button', { name: `Take out ${full.loads.length}` }).click();
  await expect(rack.getByText('0 of 12 places taken')).toBeVisible();
  expect(await operationOf(page, batchId)).toBe('Glue hardens');

  await page.goto('/bodies/clamps');
  const bodies = await get<Rigs>(page, '/rigs?stage=bodies');
  const waiting = bodies.rigs.find((r) => r.id === 'P1')?.waiting.find((w) => w.fits > 0 && w.state === 'being glued');
  if (!waiting) throw new Error('Nothing is being glued for the press of the demo');
  const press = rig(page, 'Stack press');
  await expect(press.getByText(/Next load: wait for/)).toBeVisible();
  await press.getByRole('button', { name: `Put ${waiting.fits} in` }).click();
  await expect(press.getByText('in and still open')).toBeVisible();
  await press.getByRole('button', { name: 'Close it' }).click();
  await expect(press.getByText(/places taken, closed/)).toBeVisible();
  await expect(press.getByRole('button', { name: /^Put/ })).toBeHidden();
  await expect(page.getByRole('status').first()).toContainText('none may come out yet');
  expect(await violations(page)).toEqual([]);
  await letTimePass(page, '1 day');
  await expect(press.getByText(/free since/)).toBeVisible();
  await press.getByRole('button', { name: `Take out ${waiting.fits}` }).click();
  await expect(press.getByText('0 of 100 places taken')).toBeVisible();
});
