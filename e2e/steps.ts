import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Locator, type Page } from '@playwright/test';

export const DEMO_PASSWORD = 'heron-lane';

export async function signIn(page: Page, login = 'manager', password = DEMO_PASSWORD): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Sign-in name').fill(login);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Morning' })).toBeVisible();
}

/** Lets the demo's clock run ahead through the menu in the top strip. */
export async function letTimePass(page: Page, step: '1 hour' | '1 day' | '3 days' | '1 week' | '4 weeks'): Promise<void> {
  const passed = page.waitForResponse((r) => r.url().endsWith('/api/demo/clock') && r.ok(), { timeout: 60_000 });
  await page.getByRole('button', { name: 'Let time pass' }).click();
  await page.getByRole('menuitem', { name: step }).click();
  await passed;
}

/** Goes to a stage or desk by the rail. */
export async function walkTo(page: Page, name: string): Promise<void> {
  await page.getByRole('navigation', { name: 'The walk' }).getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name, exact: true })).toBeVisible();
}

/**
 * Opens one of the form's lists, by key: such a list takes a mouse button held for 0.4 s as a choice, and on a busy
 * machine so much can lie between a click's down and up.
 */
export async function openList(within: Page | Locator, label: string | RegExp): Promise<void> {
  const list = within.getByRole('combobox', { name: label });
  await expect(list).toBeEnabled();
  await list.press('ArrowDown');
}

/** Chooses from one of the form's lists. */
export async function choose(page: Page, label: string | RegExp, option: string | RegExp): Promise<void> {
  await openList(page, label);
  await page.getByRole('option', { name: option }).first().click();
}

const step = (page: Page, name: string) => page.getByRole('heading', { level: 2, name, exact: true });

/** On a batch card: the step is due; start it with whoever is proposed. */
export async function startStep(page: Page, name: string): Promise<void> {
  await expect(step(page, name)).toBeVisible();
  const takeOver = page.getByRole('button', { name: 'Take it over' });
  const start = page.getByRole('button', { name: 'Start', exact: true });
  await expect(takeOver.or(start)).toBeVisible();
  if (await takeOver.isVisible()) await takeOver.click();
  const finish = page.getByRole('button', { name: 'Finish', exact: true });
  const full = page.getByRole('alert').filter({ hasText: /taken at/ });
  await lookOver(page);
  await start.click();
  await expect(finish.or(full)).toBeVisible();
  if (await full.isVisible()) {
    await makeRoom(page, /taken at ([^:]+): /.exec(await full.innerText())?.[1] ?? '');
    await start.click();
  }
  await expect(finish).toBeVisible();
}

/** Says at a machine what its start checklist asks, where there is one. */
export async function lookOver(within: Page | Locator): Promise<void> {
  await expect(within.getByRole('button', { name: 'Start', exact: true })).toBeVisible();
  const checks = within.getByRole('group', { name: 'Before the machine starts' });
  if (!(await checks.isVisible())) return;
  await checks.getByRole('textbox', { name: 'Revision that the machine shows' }).fill(await checks.locator('strong').innerText());
  for (const box of await checks.getByRole('checkbox').all()) await box.check();
}

/** Gives a station one place more, as Setup does; what is on a machine is paused, since its cutters are there once. */
export async function makeRoom(page: Page, name: string): Promise<void> {
  const status = await page.evaluate(async (full) => {
    const { stations } = (await (await fetch('/api/setup')).json()) as {
      stations: { code: string; name: string; places: number; version: number }[];
    };
    const { code, places, version } = stations.find((s) => s.name === full) ?? { code: '', places: 0, version: 0 };
    const machines = (await (await fetch('/api/machines')).json()) as { stationCode: string; batchIds: string[] }[];
    const here = machines.filter((m) => m.stationCode === code);
    for (const id of here.flatMap((m) => m.batchIds)) {
      const { batch } = (await (await fetch(`/api/batches/${id}`)).json()) as { batch: { version: number } };
      const pause = JSON.stringify({ version: batch.version, cause: 'machine' });
      await fetch(`/api/batches/${id}/pause`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: pause });
    }
    if (here.length > 0) return 200;
    const body = JSON.stringify({ version, name: full, places: places + 1 });
    return (await fetch(`/api/stations/${code}`, { method: 'PUT', headers: { 'Content-Type': 'application/json' }, body })).status;
  }, name);
  expect(status).toBe(200);
}

/** Gives a step's sheet back whole, where it asks for anything. */
export async function fillSheet(within: Page | Locator): Promise<void> {
  const asked = within.getByRole('group', { name: 'What the sheet asks for' });
  await expect(within.getByRole('button', { name: /^Finish/ }).first()).toBeVisible();
  if (!(await asked.isVisible())) return;
  for (const box of await asked.getByRole('checkbox').all()) await box.check();
  for (const field of await asked.getByRole('textbox').all()) {
    const bounds = /^([\d.]+) to /.exec(
      await field.evaluate((f) => f.closest('.MuiFormControl-root')?.querySelector('p')?.textContent ?? ''),
    );
    await field.fill(bounds?.[1] ?? 'as usual');
  }
}

export async function finishStep(page: Page): Promise<void> {
  await fillSheet(page);
  await page.getByRole('button', { name: 'Finish', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Finish', exact: true })).toBeHidden();
}

export async function doStep(page: Page, name: string): Promise<void> {
  await startStep(page, name);
  await finishStep(page);
}

/** Types a row of values for each measure of the step and saves them. */
export async function measure(page: Page, rows: Record<string, string>): Promise<void> {
  for (const [label, values] of Object.entries(rows)) await page.getByRole('textbox', { name: label }).fill(values);
  await page.getByRole('button', { name: 'Save measures' }).click();
  await expect(page.getByText('Every piece is measured.')).toBeVisible();
}

/** Moves a batch whose gate is open. */
export async function moveOn(page: Page, to: string): Promise<void> {
  await page.getByRole('button', { name: `Move to ${to}` }).click();
  await expect(step(page, to)).toBeVisible();
}

/** On a batch card: puts all of it in the first rig with room, closes that where it is closed over all, and takes it out the day after. */
export async function press(page: Page, pieces: number, hardens: string): Promise<void> {
  await page
    .getByRole('button', { name: new RegExp(`^Put ${pieces} in `) })
    .first()
    .click();
  const close = page.getByRole('button', { name: /^Close (?!it)/ });
  const early = page.getByRole('button', { name: 'Out before its time…' });
  await expect(close.or(early)).toBeVisible();
  if (await close.isVisible()) await close.click();
  await expect(early).toBeVisible();
  await letTimePass(page, '1 day');
  await page.getByRole('button', { name: new RegExp(`^Take ${pieces} out of `) }).click();
  await expect(step(page, hardens)).toBeVisible();
}

/** Serious and critical violations, as sentences. */
export async function violations(page: Page): Promise<string[]> {
  // No page here holds another's: its own findings are the whole answer, and cross over without all that passed.
  const { violations: found } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze();
  return found
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(
      (v) =>
        `${v.id}: ${v.help} (${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(', ')})`,
    );
}

/** Asks the API as the page does, with its session. */
export async function get<T>(page: Page, path: string): Promise<T> {
  return page.evaluate(async (address) => (await (await fetch(address)).json()) as never, `/api${path}`);
}

/** Gives the API a command, with the page's session. @returns whether it was taken */
export async function post(page: Page, path: string, body: object): Promise<boolean> {
  return page.evaluate(
    async ([address, json]) => (await fetch(address, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: json })).ok,
    [`/api${path}`, JSON.stringify(body)] as const,
  );
}

/** Narrows the table on screen down to what is typed. */
export async function searchTable(page: Page, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Search' }).click();
  await page.getByRole('searchbox').fill(text);
}
