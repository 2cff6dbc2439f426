import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { get, letTimePass, signIn, violations, walkTo } from './steps.ts';

const SCREENS = [
  ['Morning', '/'],
  ['Floor', '/floor'],
  ['Flow', '/flow'],
  ['Flow', '/flow?by=policy'],
  ['Orders', '/orders'],
  ['Records', '/records'],
  ['Setup', '/setup'],
  ['Devices', '/setup/devices'],
  ['Setup', '/setup?tab=Skills'],
  ['Setup', '/setup?tab=Stations'],
  ['Setup', '/setup?tab=Models'],
  ['Setup', '/setup?tab=Bands+and+rules'],
  ['Setup', '/setup?tab=Materials'],
  ['Setup', '/setup?tab=Glues'],
  ['Setup', '/setup?tab=Calendar'],
  ['Setup', '/setup?tab=Carriers'],
  ['Setup', '/setup?tab=Fixtures+and+kits'],
  ['Routes', '/setup/routes'],
  ['Headwater, version 1', '/setup/routes/headwater-1'],
  ['Headwater: what changes', '/setup/routes/headwater-1/compare'],
  ['Stations', '/stations'],
  ['Buffing', '/station/FN5'],
  ['Rack 1', '/carriers/R01'],
  ['Wood room', '/wood-room'],
  ['Walk the racks', '/wood-room/walk'],
  ['Air of the rooms', '/wood-room/air'],
  ['Stock', '/wood-room/stock'],
  ['Cutting', '/wood-room/cutting'],
  ['Plan a cut', '/wood-room/cutting/new'],
  ['Bench sums', '/sums'],
  ['Bench sums', '/sums/movement'],
  ['Rough mill', '/rough-mill'],
  ['Clamps', '/rough-mill/clamps'],
  ['Clamps', '/bodies/clamps'],
  ['Machining', '/machining'],
  ['Programs', '/machining/programs'],
  ['Cutters', '/machining/cutters'],
  ['Dimensions', '/machining/dimensions'],
  ['Necks', '/necks'],
  ['Bodies', '/bodies'],
  ['Fitting', '/fitting'],
  ['Finishing', '/finishing'],
  ['Assembly', '/assembly'],
  ['Final rest', '/final-rest'],
  ['Dispatch', '/dispatch'],
] as const;

test.describe('every screen', () => {
  let page: Page;
  const faults: string[] = [];
  test.beforeAll(async ({ browser }) => {
    page = await (await browser.newContext()).newPage();
    page.on('pageerror', (error) => faults.push(error.message));
    page.on('response', (r) => r.status() >= 500 && faults.push(`${r.url()} ${r.status()}`));
    await signIn(page);
  });
  test.afterAll(() => page.context().close());

  for (const [title, path] of SCREENS)
    test(`${title} (${path}) answers first, without a fault or a serious axe finding`, async () => {
      faults.length = 0;
      await page.goto(path);
      await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible();
      await expect(page.getByRole('status').first()).not.toBeEmpty();
      await page.waitForTimeout(300);
      expect(await violations(page)).toEqual([]);
      expect(faults).toEqual([]);
    });

  test('a batch card, a lot and a record likewise, in both themes', async () => {
    faults.length = 0;
    interface Row {
      id: string;
      serial: string;
      state: string;
    }
    const rows = async (path: string) => (await get<{ rows: Row[] }>(page, path)).rows;
    const lots = await get<Row[]>(page, '/lots');
    const addresses = [
      ...(await rows('/batches')).slice(0, 3).map((b) => `/batches/${b.id}`),
      ...['drying', 'released'].map((state) => `/lots/${lots.find((l) => l.state === state)?.id}`),
      `/records/${(await rows('/instruments?state=shipped&size=1'))[0]?.serial}`,
    ];
    for (const theme of ['booth', 'paper']) {
      await page.evaluate(
        (t) =>
          fetch('/api/session', { method: 'PATCH', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify({ theme: t }) }),
        theme,
      );
      for (const address of addresses) {
        await page.goto(address);
        await expect(page.getByRole('status').first()).not.toBeEmpty();
        await page.waitForTimeout(300);
        expect(await violations(page), `${address} in ${theme}`).toEqual([]);
      }
    }
    expect(faults).toEqual([]);
  });

  test('the dialogs that take input likewise', async () => {
    await page.goto('/wood-room');
    for (const name of ['Receive a lot', 'Import readings']) {
      await page.getByRole('button', { name }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      await page.waitForTimeout(300);
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
    }
  });
});

test('signing in is told plainly when it fails, and is clean', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Type your sign-in name')).toBeVisible();
  await page.getByLabel('Sign-in name').fill('manager');
  await page.getByLabel('Password').fill('not the password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('do not go together');
  await expect(page.getByLabel('Sign-in name')).toHaveValue('manager');
  expect(await violations(page)).toEqual([]);
});

test('who signs out is out, on this device and for good', async ({ page }) => {
  await signIn(page, 'viewer');
  await page.getByRole('button', { name: 'Pell Ashdown' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.goto('/floor');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
});

test('keys walk the building, and none fires while typing', async ({ page }) => {
  await signIn(page);
  const heading = page.getByRole('heading', { level: 1 });
  for (const [key, name] of [
    ['1', 'Wood room'],
    ['6', 'Fitting'],
    ['0', 'Dispatch'],
    ['f', 'Floor'],
    ['w', 'Flow'],
    ['m', 'Morning'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(heading).toHaveText(name);
  }
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('f');
  await page.keyboard.press('Escape');
  await expect(heading).toHaveText('Morning');
  await page.keyboard.press('.');
  await page.keyboard.type('f1');
  await expect(heading).toHaveText('Morning');
  await expect(page.getByRole('combobox', { name: 'Scan or find' })).toHaveValue('f1');
});

test('a scanned card opens the batch, a serial its record', async ({ page }) => {
  await signIn(page);
  const found = page.getByRole('combobox', { name: 'Scan or find' });
  const batch = (await get<{ rows: { id: string }[] }>(page, '/batches')).rows[0]?.id ?? '';
  await found.fill(`http://127.0.0.1:9999/batches/${batch}`);
  await expect(page.getByRole('option', { name: new RegExp(`^${batch} `) })).toBeVisible();
  await found.press('Enter');
  await expect(page).toHaveURL(new RegExp(`/batches/${batch}$`));
  const serial = (await get<{ rows: { serial: string }[] }>(page, '/instruments')).rows[0]?.serial ?? '';
  await found.fill(serial);
  await page.getByRole('option', { name: serial }).click();
  await expect(page).toHaveURL(new RegExp(`/records/${serial}$`));
});

test('a person reads in their own units', async ({ page }) => {
  await signIn(page, 'lead');
  await walkTo(page, 'Wood room');
  await page.getByRole('button', { name: 'Tomas Verhoeven' }).click();
  await page.getByRole('menuitem', { name: /Show inches/ }).click();
  await expect(page.getByRole('gridcell', { name: /\d bf$/ }).first()).toBeVisible();
  await expect(page.getByText(/°F/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Tomas Verhoeven' }).click();
  await page.getByRole('menuitem', { name: /Show millimetres/ }).click();
  await expect(page.getByRole('gridcell', { name: /m³$/ }).first()).toBeVisible();
});

test('a viewer sees all and can change nothing', async ({ page }) => {
  await signIn(page, 'viewer');
  await expect(page.getByRole('button', { name: /^Move B/ })).toHaveCount(0);
  await walkTo(page, 'Wood room');
  await expect(page.getByRole('button', { name: 'Receive a lot' })).toBeHidden();
  await walkTo(page, 'Orders');
  await expect(page.getByRole('button', { name: 'Place an order' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Let time pass' })).toBeHidden();
});

test('a table sorts, filters and exports', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Skills');
  const grid = page.getByRole('grid', { name: 'Skills' });
  await grid.getByRole('columnheader', { name: 'Held by' }).click();
  await expect(grid.getByRole('gridcell', { name: 'one person alone' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Export' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /CSV/ }).click();
  expect((await download).suggestedFilename()).toBe('skills.csv');
});

test('readings come in from a file, bad lines told before anything is saved', async ({ page }) => {
  await signIn(page);
  await walkTo(page, 'Wood room');
  const lot = (await get<{ id: string; state: string }[]>(page, '/lots')).find((l) => l.state === 'drying')?.id ?? '';
  await letTimePass(page, '1 day');
  const now = (await get<{ nowMs: number }>(page, '/session')).nowMs;
  const at = new Date(now - 3_600_000).toISOString();
  const later = new Date(now - 1_800_000).toISOString();
  await page.getByRole('button', { name: 'Import readings' }).click();
  await page.getByLabel('File of readings').setInputFiles({
    name: 'session.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`lot,date,wood_temp_c,readings\n${lot},${at},20,9.1 9.2 c9.5\nL9999,${at},20,9.1\n${lot},${later},20,wet\n`),
  });
  const dialog = page.getByRole('dialog', { name: 'Import readings' });
  await expect(dialog.getByRole('alert')).toContainText('1 session can be taken. 2 cannot');
  await expect(dialog.getByRole('gridcell', { name: 'There is no lot L9999' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Take the good lines' }).click();
  await expect(dialog.getByRole('alert')).toContainText('1 session saved.');
});

test('what a second person does shows without a reload, and a stale page cannot undo it', async ({ page, browser }) => {
  await signIn(page);
  const { rows: batches } = await get<{ rows: { id: string; status: string }[] }>(page, '/batches?size=200');
  const id = batches.find((b) => b.status === 'queued')?.id;
  if (id === undefined) throw new Error('No batch waits its turn');
  await page.goto(`/batches/${id}`);
  await expect(page.getByRole('button', { name: 'Hold this batch…' })).toBeVisible();
  const other = await browser.newPage();
  await signIn(other, 'lead');
  await other.goto(`/batches/${id}`);
  await other.getByRole('button', { name: 'Hold this batch…' }).click();
  await other.getByRole('textbox', { name: 'Why it is held' }).fill('Colour in doubt');
  await other.getByRole('button', { name: 'Hold', exact: true }).click();
  await expect(page.getByText('Held: Colour in doubt')).toBeVisible();
  await page.getByRole('button', { name: 'Release the hold' }).click();
  await expect(other.getByRole('button', { name: 'Hold this batch…' })).toBeVisible();
  await other.close();
});

for (const [width, height] of [
  [390, 844],
  [1024, 768],
] as const)
  test(`a batch card can be worked at ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await signIn(page);
    const id =
      (await get<{ rows: { id: string; status: string }[] }>(page, '/batches?size=200')).rows.find((b) => b.status === 'running')?.id ?? '';
    await page.goto(`/batches/${id}`);
    await expect(page.getByRole('button', { name: 'Finish', exact: true })).toBeVisible();
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(overflow).toBeLessThanOrEqual(0);
  });
