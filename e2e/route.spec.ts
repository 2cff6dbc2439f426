import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { choose, get, letTimePass, makeRoom, signIn, violations, walkTo } from './steps.ts';

interface Card {
  batch: { version: number; operationName: string };
  log: { kind: string; atMs: number }[];
}

/** Adds a step beside the one that is chosen on the route desk. */
async function addStep(page: Page, name: string, kind: string, where: string | RegExp, of?: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a step…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a step' });
  await dialog.getByRole('textbox', { name: 'What is done' }).fill(name);
  await choose(page, 'Kind of step', kind);
  await choose(page, 'Where', where);
  if (of !== undefined) await choose(page, 'Of what', of);
  await dialog.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('heading', { level: 2, name, exact: true })).toBeVisible();
}

const map = (page: Page) => page.getByRole('group', { name: 'Route of Quayside' });
const due = (page: Page, batchId: string) => page.getByRole('region', { name: `Batch ${batchId}` });
const onDevice = (page: Page) => page.getByRole('region', { name: 'Entries on this device' });
const countOf = (card: Card, kind: string) => card.log.filter((e) => e.kind === kind).length;

/** The jobs that go on, as the device keeps them with what it holds of a batch; null while it keeps none. */
const openJobsHeld = (page: Page, batchId: string): Promise<string | null> =>
  page.evaluate(
    (hash) => {
      const find = (within: unknown): unknown => {
        if (typeof within !== 'object' || within === null) return undefined;
        if ('queryHash' in within && within.queryHash === hash) return within;
        return Object.values(within).reduce<unknown>((found, each) => found ?? find(each), undefined);
      };
      const query = find(JSON.parse(localStorage.getItem('last seen') ?? 'null')) as
        { state: { data: { rows: { job: unknown } } } } | undefined;
      return query ? JSON.stringify(query.state.data.rows.job) : null;
    },
    JSON.stringify(['batches', 'held', batchId]),
  );

// A model nobody has built before: described on screen, released, and built from the stations, the network lost on the way.
test('a manager describes how a new model is built, and the stations build it', async ({ page, context, browser }) => {
  test.setTimeout(600_000);
  await signIn(page);

  await test.step('add the model and begin its route', async () => {
    await walkTo(page, 'Setup');
    await page.getByRole('tab', { name: 'Models' }).click();
    await page.getByRole('link', { name: 'Routes and their versions' }).click();
    await page.getByRole('button', { name: 'Add a model' }).click();
    const dialog = page.getByRole('dialog', { name: 'Add a model' });
    await dialog.getByRole('textbox', { name: 'Model', exact: true }).fill('Quayside');
    await dialog.getByRole('button', { name: 'Add, and describe its route' }).click();
    await expect(dialog.getByText('Needed').first()).toBeVisible();
    await dialog.getByRole('textbox', { name: 'Code in serials' }).fill('qy');
    await dialog.getByRole('textbox', { name: 'Construction' }).fill('set neck');
    await dialog.getByRole('textbox', { name: 'Usual batch' }).fill('4');
    await dialog.getByRole('button', { name: 'Add wood for another component' }).click();
    for (const [wood, species] of [
      ['Wood 1', 'red alder'],
      ['Wood 2', 'sugar maple'],
    ] as const)
      await dialog.getByRole('group', { name: wood }).getByRole('textbox', { name: 'Species' }).fill(species);
    expect(await violations(page)).toEqual([]);
    await dialog.getByRole('button', { name: 'Add, and describe its route' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Quayside, version 1' })).toBeVisible();
    await expect(page.getByRole('status').first()).toContainText('Nothing is described yet');
    await page.getByRole('button', { name: 'Begin with a body, a serial and dispatch' }).click();
    await expect(map(page).getByRole('button')).toHaveCount(3);
  });

  await test.step('a wait, a merge and a loop', async () => {
    await map(page)
      .getByRole('button', { name: /^Cut bodies/ })
      .click();
    await addStep(page, 'Let blanks settle', 'wait', 'after Cut bodies');
    await addStep(page, 'Set the neck', 'joining', 'after Let blanks settle');
    // A merge that can never complete is told at once, and the step can be shown.
    await expect(page.getByRole('list', { name: 'What keeps it from being built' })).toContainText(/Set the neck/);
    await addStep(page, 'Cut necks', 'work', 'first of a stream that comes in at Set the neck', 'neck');
    await expect(page.getByRole('status').first()).toContainText('Nothing keeps it from being built');
    await map(page)
      .getByRole('button', { name: /^Set the neck/ })
      .click();
    await addStep(page, 'Oil and wipe', 'work', 'after Set the neck');
    await choose(page, 'Station', 'Prep and fill (Finishing)');
    await choose(page, 'Skill', /^finish prep/);
    await choose(page, 'Goes round', 'until somebody accepts');
    await expect(page.getByRole('textbox', { name: 'Rounds at most' })).toHaveValue('5');
    // For some orders only: two rules, of which any must fit.
    await choose(page, 'Done for', 'some wood');
    await page.getByRole('combobox', { name: 'Species' }).fill('black walnut');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('list', { name: 'What keeps it from being built' })).toContainText(/Oil and wipe.*can never be met/);
    await choose(page, 'Done for', 'orders that any of several rules fits');
    await page.getByRole('button', { name: 'Add a rule' }).click();
    const second = page.getByRole('listitem', { name: 'Rule 2' });
    await second.getByRole('combobox', { name: 'Constructions' }).fill('set neck');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Done if body of black walnut, or set neck.')).toBeVisible();
    await expect(page.getByRole('status').first()).toContainText('Nothing keeps it from being built');
    expect(await violations(page)).toEqual([]);
    // The keyboard walks the line; what was changed last can be taken back and given again.
    await map(page)
      .getByRole('button', { name: /^Oil and wipe/ })
      .press('ArrowLeft');
    await expect(page.getByRole('heading', { level: 2, name: 'Set the neck', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Redo' }).click();
    expect(await violations(page)).toEqual([]);
  });

  await test.step('walk an order through it, save, and release it with a reason', async () => {
    await page.getByRole('button', { name: 'Walk-through' }).click();
    const walk = page.getByRole('region', { name: 'Walk-through' });
    await expect(walk).toContainText('Let blanks settle');
    await expect(walk).toContainText(/Oil and wipe × 2.*finish prep/);
    // Unsaved work outlives the page.
    await page.reload();
    await expect(map(page).getByRole('button')).toHaveCount(7);
    await page.getByRole('button', { name: 'Save the draft' }).click();
    await page.getByRole('button', { name: 'Release…' }).click();
    const dialog = page.getByRole('dialog', { name: 'Release Quayside, version 1' });
    await dialog.getByRole('button', { name: 'Release', exact: true }).click();
    await expect(dialog.getByText('Say it so that others understand it later')).toBeVisible();
    await dialog.getByRole('textbox', { name: 'Why it is changed' }).fill('First version of a new model');
    await dialog.getByRole('button', { name: 'Release', exact: true }).click();
    await expect(page.getByRole('status').first()).toContainText(/In force since .* First version of a new model/);
  });

  let bodies = '';
  let necks = '';
  await test.step('an order for four, bodies and necks', async () => {
    await walkTo(page, 'Orders');
    await page.getByRole('button', { name: 'Place an order' }).click();
    await choose(page, 'Model', /Quayside/);
    await page.getByLabel('Instruments', { exact: true }).fill('4');
    await page.getByRole('button', { name: 'Place', exact: true }).click();
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await choose(page, 'Of what', 'necks');
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    const started = page.getByRole('dialog').getByRole('link', { name: /^B\d+$/ });
    await expect(started).toHaveCount(2);
    bodies = await started.nth(0).innerText();
    necks = await started.nth(1).innerText();
  });

  await test.step('the station knows what to take; part of the work is done with the network gone', async () => {
    await page.keyboard.press('Escape');
    await page.setViewportSize({ width: 1024, height: 768 });
    // Without network nobody could be told that its one place is taken.
    await makeRoom(page, 'Cross-cut and rip');
    await page.goto('/station/RM1');
    await expect(page.getByRole('button', { name: new RegExp(bodies) })).toBeVisible();
    await page.getByRole('button', { name: new RegExp(bodies) }).click();
    await expect(due(page, bodies).getByRole('button', { name: 'Start', exact: true })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    // The pages kept on the device have to be there before the network goes.
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.reload();
    await expect(due(page, bodies)).toBeVisible();
    // So have the queue and the card, which the device keeps two seconds after they were seen.
    const kept = () => page.evaluate(() => localStorage.getItem('last seen') ?? '');
    for (const key of [['factory'], ['stations', 'RM1'], ['batches', 'card', bodies], ['batches', 'held', bodies]])
      await expect.poll(kept, { timeout: 20_000 }).toContain(JSON.stringify(JSON.stringify(key)).slice(1, -2));
    await context.setOffline(true);
    await due(page, bodies).getByRole('button', { name: 'Start', exact: true }).click();
    await expect(onDevice(page)).toContainText('1 entry waits on this device');
    await due(page, bodies)
      .getByRole('button', { name: /^Finish, all 4 good/ })
      .click();
    await expect(due(page, bodies)).toContainText('Finished here. It goes on when the entry is sent.');
    await page.reload();
    await expect(onDevice(page)).toContainText('2 entries wait on this device');
    await page.getByRole('button', { name: new RegExp(bodies) }).click();
    await expect(due(page, bodies)).toContainText('2 of your entries wait to be sent');
    expect(await violations(page)).toEqual([]);
    await context.setOffline(false);
    await expect(onDevice(page)).toBeHidden();
    const card = await get<Card>(page, `/batches/${bodies}`);
    expect(card.batch.operationName).toBe('Let blanks settle');
    expect([countOf(card, 'work.started'), countOf(card, 'work.finished')]).toEqual([1, 1]);
  });

  await test.step('what somebody else changed meanwhile comes back as a choice', async () => {
    await page.getByRole('button', { name: new RegExp(necks) }).click();
    await expect(due(page, necks).getByRole('button', { name: 'Start', exact: true })).toBeVisible();
    // The place that the bodies had at the station is free again: the device has to have heard of it before the network goes.
    const jobs = async () => {
      const held = await openJobsHeld(page, necks);
      return held === null ? 'not kept' : held.includes(bodies) ? 'bodies there' : 'free';
    };
    await expect.poll(jobs, { timeout: 20_000 }).toBe('free');
    await context.setOffline(true);
    await due(page, necks).getByRole('button', { name: 'Start', exact: true }).click();
    await expect(due(page, necks).getByRole('button', { name: /^Finish, all/ })).toBeVisible();
    const leads = await browser.newContext();
    const lead = await leads.newPage();
    await signIn(lead, 'lead');
    await lead.goto(`/batches/${necks}`);
    await lead.getByRole('button', { name: 'Hold this batch…' }).click();
    await lead.getByRole('textbox', { name: 'Why it is held' }).fill('Grain in doubt');
    await lead.getByRole('button', { name: 'Hold', exact: true }).click();
    await lead.getByRole('button', { name: 'Release the hold' }).click();
    await expect(lead.getByRole('button', { name: 'Hold this batch…' })).toBeVisible();
    await leads.close();
    await context.setOffline(false);
    const conflict = onDevice(page).getByRole('alert');
    await expect(conflict).toContainText(/Not taken: .*Start cut necks.*changed/);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await violations(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBeLessThanOrEqual(0);
    await conflict.getByRole('button', { name: 'Set it aside' }).click();
    await expect(onDevice(page)).toContainText('Set aside, not sent');
    await onDevice(page).getByRole('button', { name: 'Send it after all' }).click();
    await expect(onDevice(page)).toBeHidden();
    await due(page, necks)
      .getByRole('button', { name: /^Finish, all/ })
      .click();
    await expect(due(page, necks).getByRole('heading', { name: 'Set the neck' })).toBeVisible();
    expect(countOf(await get<Card>(page, `/batches/${necks}`), 'work.started')).toBe(1);
    await page.setViewportSize({ width: 1280, height: 800 });
  });

  await test.step('the wait holds them, then they are joined', async () => {
    await page.goto(`/batches/${bodies}`);
    await page.getByRole('button', { name: 'Move with a reason' }).click();
    await expect(page.getByRole('dialog', { name: /not now/ }).getByText(/Waited .* of 1 d/)).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await letTimePass(page, '1 day');
    await page.goto(`/station/RM3?batch=${bodies}`);
    await due(page, bodies).getByRole('button', { name: 'Move to Set the neck' }).click();
    await expect(due(page, bodies)).toContainText('It is at Cross-cut and rip now.');
    await page.goto(`/batches/${bodies}`);
    await page.getByRole('button', { name: 'Join them' }).click();
    await expect(page.getByRole('heading', { level: 2, name: 'Oil and wipe', exact: true })).toBeVisible();
  });

  await test.step('the loop goes round until somebody accepts', async () => {
    await page.goto(`/station/FN1?batch=${bodies}`);
    const act = (name: string | RegExp) => due(page, bodies).getByRole('button', { name }).click();
    await act('Start');
    await act(/^Finish, all 4 good/);
    await act('Round again');
    await expect(due(page, bodies)).toContainText(/pass 2/i);
    await act('Start');
    await act(/^Finish, all 4 good/);
    await act(/^Accepted/);
    await page.goto(`/batches/${bodies}`);
    await expect(page.getByRole('heading', { level: 2, name: 'Give a serial', exact: true })).toBeVisible();
  });

  await test.step('the bench gives serials, and dispatch ships them', async () => {
    await walkTo(page, 'Fitting');
    const set = page.getByRole('region', { name: new RegExp(`Quayside: ${bodies}`) });
    await set.getByRole('button', { name: /give serials/ }).click();
    await expect(page).toHaveURL(/\/batches\/B\d+$/);
    await walkTo(page, 'Dispatch');
    const ship = page.getByRole('button', { name: /^Ship 26\d{3}QY/ });
    await expect(ship).toHaveCount(4);
    await ship.first().click();
    await expect(ship).toHaveCount(3);
  });
});
