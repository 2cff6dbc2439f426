import { chromium, expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { DEMO_PASSWORD, get, signIn, violations } from './steps.ts';

const PIN = '2580';

/** Signs a page in as whoever stands at a tablet: name, then PIN. */
async function sayWho(page: Page, name: string, pin = PIN): Promise<void> {
  await page.getByRole('button', { name: /^(Say who you are|Somebody else)$/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Who is it?' });
  await dialog.getByRole('combobox', { name: 'Name' }).fill(name);
  await page.getByRole('option', { name }).click();
  await dialog.getByLabel('PIN').fill(pin);
  await dialog.getByRole('button', { name: 'That is me' }).click();
}

interface Batch {
  id: string;
  status: string;
  skill: string | null;
  stationCode: string;
}
interface Card {
  workers: { name: string }[];
  log: { by: string; kind: string }[];
}

test('a tablet that a whole bench uses: each says who they are, with network and without', async ({ page, context }) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await signIn(page, 'lead');
  const batch = (await get<{ rows: Batch[] }>(page, '/batches?size=200')).rows.find((b) => b.status === 'running' && b.skill !== null);
  if (!batch) throw new Error('Nobody works at any bench');
  const card = () => get<Card>(page, `/batches/${batch.id}`);
  const worker = (await card()).workers[0]?.name ?? '';
  await page.goto(`/station/${batch.stationCode}?batch=${batch.id}`);
  await page.getByRole('button', { name: 'For everybody here…' }).click();
  await page.getByRole('button', { name: 'Sign it in' }).click();
  const bar = page.getByRole('region', { name: 'Who is at this station' });
  await expect(bar.getByText('Who is it?')).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await sayWho(page, worker, '4711');
  await expect(page.getByRole('alert').filter({ hasText: 'is not known here' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await sayWho(page, 'Odile Brandt');
  await expect(bar.getByRole('button', { name: 'Odile Brandt', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await sayWho(page, worker);
  const own = bar.getByRole('button', { name: worker, exact: true });
  await expect(own).toHaveAttribute('aria-pressed', 'true');

  await page.reload();
  // A page that was loaded anew knows who is let on, and asks which of them it is.
  await expect(page.getByText('Say above who you are')).toBeVisible();
  await own.click();
  const due = page.getByRole('region', { name: `Batch ${batch.id}` });
  await due.getByRole('button', { name: 'Pause…' }).click();
  await due.getByRole('group', { name: 'Why it is paused' }).getByRole('button').first().click();
  const latest = async () => (await card()).log[0];
  await expect.poll(latest).toMatchObject({ by: worker, kind: 'work.paused' });
  const resume = due.getByRole('button', { name: 'Resume' });
  await expect(resume).toBeVisible();

  await context.setOffline(true);
  await resume.click();
  const pin = page.getByRole('dialog', { name: `No network: ${worker}, your PIN` });
  await pin.getByLabel('PIN').fill('0001');
  await pin.getByRole('button', { name: 'Log it' }).click();
  await expect(pin.getByText('That is not the PIN this tablet knows')).toBeVisible();
  await pin.getByLabel('PIN').fill(PIN);
  await pin.getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText(/entry waits on this device/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/entry waits on this device/)).toBeHidden();
  await expect.poll(latest).toMatchObject({ by: worker, kind: 'work.resumed' });

  await bar.getByRole('button', { name: `${worker} leaves` }).click();
  await expect(own).toBeHidden();
});

test('a session that has ended asks for sign-in at once, and what waits to be sent is kept', async ({ page, browser }) => {
  await signIn(page, 'operator');
  await page.goto('/station/BD4');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.evaluate(() =>
    localStorage.setItem(
      'outbox',
      JSON.stringify([
        {
          key: 'kept-entry',
          personId: 'ravi',
          batchId: 'B1',
          command: 'accept',
          given: {},
          version: 1,
          atMs: 1_773_126_600_000,
          sentence: 'Taken over',
          state: 'waiting',
        },
      ]),
    ),
  );
  const elsewhere = await (await browser.newContext()).newPage();
  await signIn(elsewhere, 'operator');
  await elsewhere.getByRole('button', { name: 'Ines Quarrie' }).click();
  await elsewhere.getByRole('menuitem', { name: 'Password, PIN and sessions' }).click();
  const dialog = elsewhere.getByRole('dialog', { name: /sign-in/ });
  await expect(dialog.getByText('This one')).toBeVisible();
  expect(await violations(elsewhere)).toEqual([]);
  await dialog
    .getByRole('button', { name: /Sign out (Chrome|everywhere)/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible({ timeout: 5_000 });
  expect(await page.evaluate(() => localStorage.getItem('outbox'))).toContain('kept-entry');
  await elsewhere.context().close();
});

test('damaged storage is forgotten, and never a white page', async ({ page }) => {
  await signIn(page, 'lead');
  await page.evaluate(() => {
    localStorage.setItem(
      'last seen',
      '{"atMs":9e15,"state":{"queries":[{"queryKey":["session"],"queryHash":"[\\"session\\"]","state":{"data":7,"dataUpdatedAt":9e15,"status":"success"}}],"mutations":[]}}',
    );
    localStorage.setItem('route draft weirstone-1', '{"half');
  });
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: 'Morning' }).or(page.getByText('This page could not be drawn'))).toBeVisible();
  const forget = page.getByRole('button', { name: 'Forget it and load again' });
  if (await forget.isVisible()) await forget.click();
  await expect(page.getByRole('heading', { level: 1, name: 'Morning' })).toBeVisible();
});

test('a forgotten password: an administrator’s code, once', async ({ page, browser }) => {
  await signIn(page, 'admin');
  await page.goto('/setup?tab=People');
  await page.getByRole('gridcell', { name: 'Kaya Lindholm' }).click();
  const dialog = page.getByRole('dialog', { name: 'Kaya Lindholm' });
  await dialog.getByRole('button', { name: 'Make a code for a new password' }).click();
  const code = await dialog.getByRole('status').locator('strong').innerText();
  expect(code).toMatch(/^\w{4}-\w{4}-\w{4}$/);
  const context = await browser.newContext();
  const theirs = await context.newPage();
  await theirs.goto('/');
  await theirs.getByRole('button', { name: 'I have a code for a new password' }).click();
  await theirs.getByLabel('Sign-in name').fill('kaya');
  await theirs.getByLabel('Code').fill(code);
  await theirs.getByLabel('New password').fill(DEMO_PASSWORD);
  await theirs.getByRole('button', { name: 'Set the password and sign in' }).click();
  await expect(theirs.getByRole('alert')).toContainText('Others would guess this password');
  await theirs.getByLabel('New password').fill('plank vellum harbour');
  expect(await violations(theirs)).toEqual([]);
  await theirs.getByRole('button', { name: 'Set the password and sign in' }).click();
  await expect(theirs.getByRole('heading', { level: 1, name: 'Morning' })).toBeVisible();
  await context.close();
});

test('over plain http, by a name in the factory’s own network, people work as elsewhere', async ({ baseURL }, info) => {
  const { launchOptions } = info.project.use;
  const browser = await chromium.launch({
    ...launchOptions,
    args: [...(launchOptions?.args ?? []), '--host-resolver-rules=MAP crane.test 127.0.0.1'],
  });
  const page = await (await browser.newContext({ baseURL: `http://crane.test:${new URL(baseURL ?? '').port}` })).newPage();
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  await signIn(page);
  expect(await page.evaluate(() => isSecureContext)).toBe(false);
  await page.goto('/station/FN5');
  await expect(page.getByText('browsers keep no copy of the application')).toBeVisible();
  const [order] = await get<{ id: string }[]>(page, '/orders');
  await page.goto(`/orders?order=${order?.id ?? ''}`);
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible();
  // An act, which needs a key that nothing else has.
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Maren Holloway' }).click();
  await page.getByRole('menuitem', { name: 'Dark: booth' }).click();
  await expect.poll(async () => (await get<{ theme: string }>(page, '/session')).theme).toBe('booth');
  await page.getByRole('button', { name: 'Maren Holloway' }).click();
  await page.getByRole('menuitem', { name: 'Light: paper' }).click();
  await expect.poll(async () => (await get<{ theme: string }>(page, '/session')).theme).toBe('paper');
  expect(faults).toEqual([]);
  await browser.close();
});
