import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { choose, get, signIn, violations, walkTo } from './steps.ts';

// In a factory of twenty thousand instruments and five thousand batches done.

interface Listed {
  rows: { serial: string; id: string; fittedMs: number; number: number }[];
  found: number;
  foundExactly: boolean;
}
const first = (page: Page) => page.getByRole('row').nth(1);

test('a list too long to hold is found in, sorted and turned over, and its address keeps how', async ({ page }) => {
  await signIn(page);
  await walkTo(page, 'Records');
  const shown = page.getByText(/^\d+–\d+ of /);
  await expect(shown).toHaveText('1–100 of more than 1,000');
  expect(await violations(page)).toEqual([]);
  const newest = (await first(page).textContent()) ?? '';
  await page.getByRole('button', { name: 'Go to next page' }).click();
  await expect(shown).toHaveText(/^101–200 of/);
  await expect(first(page)).not.toHaveText(newest);
  await page.getByRole('button', { name: 'Go to previous page' }).click();
  await expect(shown).toHaveText(/^1–100 of/);
  await expect(first(page)).toHaveText(newest);
  // Another choice begins at its own first page.
  await page.getByRole('button', { name: 'Go to next page' }).click();
  await expect(shown).toHaveText(/^101–200 of/);
  await choose(page, 'State', 'shipped');
  await expect(page).toHaveURL(/state=shipped/);
  await expect(shown).toHaveText(/^1–100 of/);
  await choose(page, 'State', 'Any');
  await expect(page).not.toHaveURL(/state=/);

  const { rows: lowest } = await get<Listed>(page, '/instruments?size=3&sort=serial');
  await page.getByRole('columnheader', { name: 'Serial' }).click();
  await expect(page).toHaveURL(/sort=serial/);
  for (const [i, { serial }] of lowest.entries()) await expect(page.getByRole('row').nth(i + 1)).toContainText(serial);
  const { rows: highest } = await get<Listed>(page, '/instruments?size=1&sort=-serial');
  await page.getByRole('columnheader', { name: 'Serial' }).click();
  await expect(first(page)).toContainText(highest[0]?.serial ?? 'none');

  await page.getByLabel('Serial or consignee').fill('quayside');
  await expect(first(page)).toContainText('Quayside Strings');
  await page.reload();
  await expect(page.getByLabel('Serial or consignee')).toHaveValue('quayside');
  await expect(first(page)).toContainText('Quayside Strings');
  await page.getByLabel('Serial or consignee').fill('nobody at all');
  await expect(page.getByText('Nothing here for “nobody at all”')).toBeVisible();
});

test('batches done, however many, are turned over to the last of a search, and opened', async ({ page }) => {
  await signIn(page);
  await walkTo(page, 'Records');
  await page.getByRole('button', { name: 'Batches done' }).click();
  await expect(page).toHaveURL(/list=done$/);
  await expect(page.getByText('1–100 of more than 1,000')).toBeVisible();
  const { found, rows } = await get<Listed>(page, '/batches?done=true&size=200&text=B100&sort=-endedMs');
  await page
    .getByRole('searchbox')
    .or(page.getByLabel(/Number|Batch/))
    .first()
    .fill('B100');
  await expect(page.getByText(`1–${Math.min(100, found)} of ${found}`)).toBeVisible();
  await expect(first(page)).toContainText(rows[0]?.id ?? 'none');
  await first(page).click();
  await expect(page).toHaveURL(new RegExp(`/batches/${rows[0]?.id ?? 'none'}$`));
});

test('every page of the twenty thousand, one after the other, holds each instrument once', async ({ page }) => {
  await signIn(page);
  const seen = await page.evaluate(async () => {
    const serials: string[] = [];
    for (let after: string | null = ''; after !== null;) {
      const query: string = `/api/instruments?size=200&sort=fittedMs${after === '' ? '' : `&after=${encodeURIComponent(after)}`}`;
      const told = (await (await fetch(query)).json()) as { rows: { serial: string }[]; next: string | null };
      serials.push(...told.rows.map((r) => r.serial));
      after = told.next;
    }
    return { all: serials.length, different: new Set(serials).size };
  });
  expect(seen.all).toBeGreaterThan(20_000);
  expect(seen.different).toBe(seen.all);
});

test('lots used up are a list of their own', async ({ page }) => {
  await signIn(page);
  await walkTo(page, 'Wood room');
  await page.getByRole('button', { name: 'Used up' }).click();
  await expect(page.getByRole('grid', { name: 'Lots used up' })).toContainText(/L\d+/);
});
