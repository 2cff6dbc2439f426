import { expect } from '@playwright/test';
import { test } from './factory.ts';
import { get, openList, signIn, walkTo } from './steps.ts';

interface Batch {
  id: string;
  status: string;
}

test('when the server cannot be reached it is said, nothing typed is lost, and it goes on by itself', async ({ page, context }) => {
  await signIn(page);
  const [lot] = await get<{ id: string }[]>(page, '/lots?states=drying');
  await page.goto(`/lots/${lot?.id}`);
  const entry = page.getByRole('textbox', { name: 'Readings' });
  await entry.fill('9.1 9.2 c9.5');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Log session' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'The server cannot be reached' })).toContainText('what you typed is still here');
  await expect(entry).toHaveValue('9.1 9.2 c9.5');
  await context.setOffline(false);
  const saved = page.waitForResponse((r) => r.url().endsWith('/readings') && r.ok());
  await page.getByRole('button', { name: 'Log session' }).click();
  await saved;
  await expect(entry).toHaveValue('');
});

test('a page that has lost its live updates says since when, and finds its way back', async ({ page }) => {
  let refused = 0;
  await page.route('**/api/events', (route) => (refused++ < 2 ? route.abort() : route.continue()));
  await signIn(page);
  await expect(page.getByRole('alert')).toContainText(/No connection since \d\d:\d\d/);
  await expect(page.getByRole('alert')).toBeHidden();
  expect(refused).toBeGreaterThan(2);
});

test('a server fault leaves the last answer in sight and offers to try again', async ({ page }) => {
  await signIn(page);
  let broken = true;
  await page.route('**/api/orders', (route) =>
    broken ? route.fulfill({ status: 500, contentType: 'text/plain', body: 'down' }) : route.continue(),
  );
  await walkTo(page, 'Orders');
  await expect(page.getByRole('alert')).toContainText('The server answered 500.');
  broken = false;
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('status').first()).toContainText(/orders are open/);
});

test('a stale page is told what has changed, and shows it', async ({ page, browser }) => {
  await signIn(page);
  const batch = (await get<{ rows: Batch[] }>(page, '/batches?size=200')).rows.find((b) => b.status === 'running');
  if (!batch) throw new Error('Nobody is at work');
  const pauses = async () => {
    const { log } = await get<{ log: { kind: string }[] }>(page, `/batches/${batch.id}`);
    return log.filter((e) => e.kind === 'work.paused').length;
  };
  const before = await pauses();
  // Without live updates, as on a tablet that has been asleep.
  await page.route('**/api/events', (route) => route.abort());
  await page.goto(`/batches/${batch.id}`);
  await expect(page.getByRole('button', { name: 'Pause', exact: true })).toBeVisible();
  const context = await browser.newContext();
  const other = await context.newPage();
  await signIn(other, 'lead');
  await other.goto(`/batches/${batch.id}`);
  await other.getByRole('button', { name: 'Pause', exact: true }).click();
  await expect(other.getByRole('button', { name: 'Resume', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Resume', exact: true })).toBeVisible();
  expect(await pauses()).toBe(before + 1);
  await context.close();
});

test('pressed twice in haste, a command is carried out once', async ({ page }) => {
  await signIn(page);
  const before = (await get<{ id: string }[]>(page, '/orders')).length;
  await walkTo(page, 'Orders');
  await page.getByRole('button', { name: 'Place an order' }).click();
  await openList(page, 'Model');
  await page.getByRole('option', { name: /Skiff/ }).click();
  await page.getByRole('button', { name: 'Place', exact: true }).dblclick();
  await expect(page.getByRole('dialog', { name: /Start a batch for O\d+/ })).toBeVisible();
  expect((await get<{ id: string }[]>(page, '/orders')).length).toBe(before + 1);
});

test('what does not exist is said plainly, with a way on', async ({ page }) => {
  await signIn(page);
  for (const path of ['/batches/B99999', '/lots/L99999', '/records/0000']) {
    await page.goto(path);
    await expect(page.getByRole('alert')).toContainText(/There is no/);
    await expect(page.getByRole('navigation', { name: 'The walk' })).toBeVisible();
  }
  await page.goto('/nowhere/at/all');
  await expect(page.getByRole('heading', { level: 1, name: 'No such screen' })).toBeVisible();
  await expect(page.getByText('Nothing is kept at /nowhere/at/all.')).toBeVisible();
  await page.getByRole('main').getByRole('link', { name: 'Morning' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Morning' })).toBeVisible();
});
