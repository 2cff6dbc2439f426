import { expect } from '@playwright/test';
import { test } from './factory.ts';
import { get, signIn, violations, walkTo } from './steps.ts';

interface Dimension {
  id: string;
  name: string;
  modelName: string;
  signal: { sentence: string; batchId: string } | null;
  holds: boolean;
}

test('what a chart says is seen in the morning, looked into, settled, and the batch it held goes on', async ({ page }) => {
  await signIn(page);
  const all = await get<Dimension[]>(page, '/dimensions');
  const off = all.find((d) => d.signal !== null && d.holds);
  if (!off?.signal) throw new Error('The demo has no chart that holds a batch');
  const { name, modelName, signal } = off;

  const decision = page.getByText(`${name} of ${modelName} is out of control: ${signal.sentence}`);
  await expect(decision).toBeVisible();
  await walkTo(page, 'Machining');
  await page.getByRole('tab', { name: 'Dimensions' }).click();
  await page.getByRole('textbox', { name: 'Find' }).fill(modelName);
  await page.getByRole('button', { name: `${name}, ${modelName}` }).click();
  const part = page.getByRole('region', { name: `${name}, ${modelName}` });
  await expect(part.getByRole('figure')).toHaveAccessibleName(/make a rule fire/);
  await expect(part.getByText(/Cpk is told only of what is in control/)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await part.getByRole('button', { name: 'Say what was found' }).click();
  const dialog = page.getByRole('dialog', { name: `${name}, ${modelName}` });
  await dialog.getByRole('button', { name: 'Save what was found' }).click();
  await expect(dialog.getByText('Needed')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'What was found and done' }).fill('Cutter worn on its side, changed');
  await dialog.getByRole('button', { name: 'Save what was found' }).click();
  await expect(dialog).toBeHidden();
  await expect(part.getByText('In control: no rule fires.')).toBeVisible();
  await expect(part.getByText(/Maren Holloway.*Cutter worn on its side, changed/)).toBeVisible();

  // What was held for it is let go on its own card, where its measures are typed again from any piece on.
  await page.goto(`/batches/${signal.batchId}`);
  await expect(page.getByText(/^Held: .*decides$/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Release the hold' }).click();
  await expect(page.getByRole('button', { name: 'Resume' })).toBeVisible();
});

test('an instrument is studied: what it is worth shows as it is typed, and is kept', async ({ page }) => {
  await signIn(page, 'lead');
  await page.goto('/machining/dimensions');
  const part = page.getByRole('region', { name: 'Instruments' });
  await expect(part.getByText(/The inside caliper takes \d+ % of the tolerance for itself at pocket width/)).toBeVisible();
  await part.getByRole('button', { name: 'Study an instrument' }).click();
  const dialog = page.getByRole('dialog', { name: 'Study an instrument' });
  await dialog.getByRole('textbox', { name: 'Instrument' }).fill('Feeler gauge');
  await dialog.getByRole('textbox', { name: 'What is measured' }).fill('Relief');
  await dialog.getByRole('textbox', { name: 'Tolerance from' }).fill('0.1');
  await dialog.getByRole('textbox', { name: 'to', exact: true }).fill('0.3');
  await dialog.getByRole('textbox', { name: 'Values' }).fill('Ann: 0.18 0.18\nAnn: 0.24 0.25\nBen: 0.19');
  await expect(dialog.getByText('Everybody measures every part as often')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Values' }).fill('Ann: 0.18 0.18\nAnn: 0.24 0.25\nBen: 0.19 0.19\nBen: 0.25 0.25');
  const said = /The Feeler gauge takes \d+ % of the tolerance for itself at relief/;
  await expect(dialog.getByText(said)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Keep the study' }).click();
  await expect(dialog).toBeHidden();
  await expect(part.getByText(said)).toBeVisible();
});

test('other charts of the same values: means of batches with their ranges and deviations', async ({ page }) => {
  await signIn(page);
  const [one] = (await get<Dimension[]>(page, '/dimensions')).filter((d) => d.name === 'Tenon width');
  await page.goto(`/machining/dimensions?id=${encodeURIComponent(one?.id ?? '')}&kind=range`);
  const part = page.getByRole('region', { name: `${one?.name ?? ''}, ${one?.modelName ?? ''}` });
  await expect(part.getByText(/Range of each batch/)).toBeVisible();
  await page.goto(`/machining/dimensions?id=${encodeURIComponent(one?.id ?? '')}&kind=deviation&size=250`);
  await expect(part.getByText(/Deviation of each batch/)).toBeVisible();
  await expect(part.getByRole('figure')).toHaveAccessibleName(/means of Tenon width/);
});
