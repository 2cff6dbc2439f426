import { expect } from '@playwright/test';
import { test } from './factory.ts';
import { get, openList, searchTable, signIn, violations, walkTo } from './steps.ts';

interface Version {
  id: string;
  modelName: string;
  inForce: boolean;
  inWork: number;
}
interface Carrier {
  id: string;
  name: string;
  kind: string;
  places: number;
  taken: number;
}

test('a route changes by a new version; work in progress stays until it is moved on purpose', async ({ page }) => {
  await signIn(page);
  const inForce = (await get<Version[]>(page, '/routes')).find((v) => v.modelName === 'Millrace' && v.inForce);
  if (!inForce) throw new Error('The demo builds no Millrace');
  await page.goto(`/setup/routes/${inForce.id}`);
  await page.getByRole('button', { name: 'Draft the next version from this' }).click();
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).not.toHaveText('Millrace, version 2');
  await test.step('a step more, one slower, one that asks for what nobody can do', async () => {
    await page
      .getByRole('group', { name: 'Route of Millrace' })
      .getByRole('button', { name: /^Buff:/ })
      .click();
    await page.getByRole('button', { name: 'Add a step…' }).click();
    await page.getByRole('textbox', { name: 'What is done' }).fill('Wipe down');
    await page.getByRole('dialog').getByRole('button', { name: 'Add', exact: true }).click();
    const each = page.getByRole('textbox', { name: 'Min each', exact: true });
    await each.fill('a while');
    await expect(page.getByText('Not a figure')).toBeVisible();
    await each.fill('7,5');
    await each.press('Enter');
    await page.getByRole('button', { name: 'Save the draft' }).click();
    await expect(page.getByRole('button', { name: 'Save the draft' })).toBeDisabled();
  });
  await test.step('what changes is marked, beside the version in force', async () => {
    await page.getByRole('link', { name: 'Compare with another version' }).click();
    await expect(page.getByRole('status').first()).toContainText('Steps: 1 new, 0 gone, 1 done otherwise');
    await expect(page.getByRole('group', { name: 'Version 3' }).getByRole('button', { name: /Wipe down.*new$/ })).toBeVisible();
    await expect(page.getByRole('table', { name: 'Differences' })).toContainText('Wipe down');
    expect(await violations(page)).toEqual([]);
    await page.goBack();
  });
  await test.step('released, it starts new work; one batch is moved over with a reason', async () => {
    await page.getByRole('button', { name: 'Release…' }).click();
    await page.getByRole('textbox', { name: 'Why it is changed' }).fill('Dull spots came back from shops');
    await page.getByRole('dialog').getByRole('button', { name: 'Release', exact: true }).click();
    const work = page.getByRole('region', { name: 'Batches on other versions' });
    const box = work.getByRole('checkbox', { disabled: false });
    await expect(box.first()).toBeVisible();
    const before = await box.count();
    await box.first().check();
    await page.getByRole('textbox', { name: 'Why they are moved' }).fill('Early enough to do it');
    await page.getByRole('button', { name: 'Move 1 to version 3' }).click();
    await expect(box).toHaveCount(before - 1);
    const now = (await get<Version[]>(page, '/routes')).find((v) => v.modelName === 'Millrace' && v.inForce);
    expect([now?.id, now?.inWork]).toEqual(['millrace-3', 1]);
  });
});

test('a scanned carrier shows what sits on it, and all of it moves to another', async ({ page }) => {
  await signIn(page);
  const racks = (await get<Carrier[]>(page, '/carriers')).filter((c) => c.kind === 'rack');
  const full = racks.find((c) => c.taken > 0);
  const roomy = racks.find((c) => c.id !== full?.id && full && c.places - c.taken >= full.taken);
  if (!full || !roomy) throw new Error('The demo has no rack to move from and to');
  await page.getByRole('combobox', { name: 'Scan or find' }).fill(full.id);
  await page.getByRole('option', { name: new RegExp(`^${full.id} `) }).click();
  await expect(page.getByRole('heading', { level: 1, name: full.name, exact: true })).toBeVisible();
  await expect(page.getByRole('status').first()).toContainText(`${full.taken} of ${full.places} places of this rack are taken`);
  expect(await violations(page)).toEqual([]);
  await openList(page, 'To a carrier with room');
  await page.getByRole('option', { name: new RegExp(`^${roomy.name}, `) }).click();
  await page.getByRole('button', { name: 'Put it there' }).click();
  await expect(page.getByRole('status').first()).toContainText('0 of');
  const now = await get<Carrier[]>(page, '/carriers');
  expect(now.find((c) => c.id === roomy.id)?.taken).toBe(roomy.taken + full.taken);
});

test('an order says what its customer can be told, and the way its options make it', async ({ page }) => {
  await signIn(page);
  await walkTo(page, 'Orders');
  await searchTable(page, 'Headwater');
  await page
    .getByRole('gridcell', { name: /^O\d+$/ })
    .first()
    .click();
  const drawer = page.getByRole('dialog', { name: /^Order O\d+/ });
  await expect(drawer.getByRole('figure')).toContainText(/\w+.*\./);
  await expect(drawer.getByRole('table', { name: 'Steps of the bodies' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

for (const [width, height] of [
  [390, 844],
  [1024, 768],
] as const)
  test(`a station can be worked at ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await signIn(page, 'operator');
    await page.goto('/stations');
    await expect(page.getByRole('status').first()).toContainText('Where does this tablet stand?');
    expect(await violations(page)).toEqual([]);
    await page.getByRole('link', { name: /^Buffing/ }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Buffing' })).toBeVisible();
    const due = page.getByRole('region', { name: /^Batch B/ });
    const act = due.getByRole('button', { name: /^(Start|Finish|Resume|Move to)/ }).first();
    await expect(act).toBeVisible();
    expect((await act.boundingBox())?.height).toBeGreaterThanOrEqual(48);
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBeLessThanOrEqual(0);
  });
