import { expect } from '@playwright/test';
import { test } from './factory.ts';
import { violations } from './steps.ts';

test('an empty factory lets its first administrator in, and no screen breaks for want of anything', async ({ page }) => {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  page.on('response', (r) => r.status() >= 500 && faults.push(`${r.url()} ${r.status()}`));
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Set the factory up' })).toBeVisible();
  await page.getByLabel('Sign-in name').fill('odile');
  await page.getByLabel('Your name').fill('Odile Brandt');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Create and sign in' }).click();
  await expect(page.getByText('At least 10 characters')).toBeVisible();
  await page.getByLabel('Password').fill('a longer one');
  await page.getByRole('button', { name: 'Create and sign in' }).click();
  const rail = page.getByRole('navigation', { name: 'The walk' });
  await expect(rail).toBeVisible();
  const names = await rail.getByRole('link').evaluateAll((links) => links.map((l) => l.getAttribute('aria-label') ?? ''));
  expect(names.length).toBeGreaterThanOrEqual(16);
  for (const name of names) {
    // A station's screens have no rail to walk by.
    if (!(await rail.isVisible())) await page.goBack();
    await rail.getByRole('link', { name, exact: true }).click();
    await expect(page.getByRole('heading', { level: 1, name, exact: true })).toBeVisible();
    await expect(page.getByRole('status').first()).not.toBeEmpty();
    expect(await violations(page), name).toEqual([]);
  }
  expect(faults).toEqual([]);
});
