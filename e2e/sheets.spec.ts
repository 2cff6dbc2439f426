import { expect } from '@playwright/test';
import { test } from './factory.ts';
import { fillSheet, get, post, signIn, violations } from './steps.ts';

interface Batch {
  id: string;
  operationName: string;
  stationCode: string;
  status: string;
  version: number;
}
interface Card {
  batch: Batch;
  workers: { id: string }[];
  program: { revision: string; machines: { id: string }[] };
}

test('a step sheet is read at its station without network, and given back whole before the step is finished', async ({ page, context }) => {
  await signIn(page);
  const { rows } = await get<{ rows: Batch[] }>(page, '/batches?size=200');
  const slots = rows.find((b) => b.operationName === 'Saw the fret slots' && b.status === 'queued');
  if (!slots) throw new Error('No boards wait for their slots in the demo');
  const before = rows.find((b) => b.stationCode === slots.stationCode && b.status === 'running');
  const { pauseCauses, startChecks } = await get<Record<'pauseCauses' | 'startChecks', { key: string }[]>>(page, '/session');
  if (before) await post(page, `/batches/${before.id}/pause`, { version: before.version, cause: pauseCauses[0]?.key });
  const card = await get<Card>(page, `/batches/${slots.id}`);
  const begun = await post(page, `/batches/${slots.id}/start`, {
    version: card.batch.version,
    personId: card.workers[0]?.id,
    check: {
      machineId: card.program.machines[0]?.id,
      revision: card.program.revision,
      ticks: startChecks.map((c) => c.key),
    },
  });
  expect(begun).toBe(true);

  await page.setViewportSize({ width: 1024, height: 768 });
  await page.goto(`/station/${slots.stationCode}?batch=${slots.id}`);
  const due = page.getByRole('region', { name: `Batch ${slots.id}` });
  const sheet = due.getByRole('region', { name: 'Step sheet of Saw the fret slots' });
  const picture = sheet.getByRole('img', { name: /A slot as it should be/ });
  const isDrawn = () => picture.evaluate((img: HTMLImageElement) => img.complete && img.naturalWidth > 0);
  await expect(sheet.getByText('Blow the slots out before the next board')).toBeVisible();
  await expect.poll(isDrawn).toBe(true);
  expect(await violations(page)).toEqual([]);

  await context.setOffline(true);
  // The page forgets it, the device does not.
  await picture.evaluate((img: HTMLImageElement) => {
    const { src } = img;
    img.src = '';
    img.src = src;
  });
  await expect.poll(isDrawn).toBe(true);
  const finish = due.getByRole('button', { name: /^Finish, all \d+ good$/ });
  await expect(finish).toBeDisabled();
  await expect(due.getByText('The sheet is given back whole: tick and note what stands above.')).toBeVisible();
  await fillSheet(due);
  await finish.click();
  await expect(due.getByText(/of your entries waits to be sent/)).toBeVisible();
  await context.setOffline(false);
  await expect(due.getByText(/of your entries/)).toBeHidden({ timeout: 30_000 });
  const told = await get<{ log: { sentence: string }[] }>(page, `/batches/${slots.id}`);
  expect(told.log.map((l) => l.sentence).join()).toContain('blade as usual; ticked: Feeler gauge goes to the bottom');
});

test('a lead writes the sheet of a step on the route desk, with a picture, and sees it beside the version before', async ({ page }) => {
  await signIn(page, 'lead');
  // A version the demo's lead is writing.
  await page.goto('/setup/routes/weirstone-2');
  await page
    .getByRole('group', { name: 'Route of Weirstone' })
    .getByRole('button', { name: /^Cut and joint bodies:/ })
    .click();
  const panel = page.getByRole('region', { name: 'Step sheet' });
  await panel.getByRole('textbox', { name: 'What is done, in order' }).fill('Face the best side\nJoint both edges');
  await panel.getByRole('textbox', { name: 'Ticked before it is finished' }).fill('Joint closed without light between');
  await panel.getByRole('button', { name: /^Add what is noted at the end/ }).click();
  await panel.getByRole('textbox', { name: 'Noted' }).fill('Fence');
  await panel.getByLabel('Picture').setInputFiles('server/assets/demo/sheets/level-sand.png');
  await panel.getByRole('textbox', { name: 'What is to be seen on it' }).fill('What light between looks like');
  await page.getByRole('heading', { level: 1 }).click();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Save the draft' }).click();
  await expect(page.getByRole('button', { name: 'Save the draft' })).toBeDisabled();
  await page.goto('/setup/routes/weirstone-2/compare');
  await expect(
    page.getByText(/instructions: Face the best side \/ Joint both edges; pictures: What light between looks like/),
  ).toBeVisible();
});
