import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { choose, get, lookOver, openList, signIn, violations, walkTo } from './steps.ts';

interface Line {
  id: string;
  what: string;
  modelName: string;
  state: string;
  wanted: { orders: { id: string }[] } | null;
}
interface Batch {
  id: string;
  status: string;
  operationId: string;
  modelName: string;
}
interface Card {
  batch: Batch & { missing: unknown[] };
  program: { what: string; revision: string | null; machines: { id: string; takenBy: string | null }[] } | null;
}
interface Loads {
  machines: { stationName: string; bench: number; next: { batchId: string }[] }[];
}
interface Cutter {
  id: string;
  kind: string;
  state: string;
  usedMinutes: number;
  lifeMinutes: number;
}

const part = (page: Page, { what, modelName }: Pick<Line, 'what' | 'modelName'>) =>
  page.getByRole('region', { name: `${what}, ${modelName}` });

test('what goes on a machine next can be put in another order, by key too; what it does is said, and it stays', async ({ page }) => {
  await signIn(page);
  // The body machine has stood for days.
  const waiting = (await get<Loads>(page, '/loads')).machines.find((m) => m.next.length > 1);
  if (!waiting) throw new Error('In the demo nothing waits behind another at any machine');
  const { stationName, bench, next } = waiting;
  await walkTo(page, 'Machining');
  const machine = page.getByRole('article', { name: `Next on ${stationName}, ${bench}` });
  const [first, second] = next.map((n) => n.batchId);
  const order = () => machine.getByRole('listitem').getByRole('link').allInnerTexts();
  expect((await order()).slice(0, 2)).toEqual([first, second]);
  expect(await violations(page)).toEqual([]);

  await machine.getByRole('button', { name: `${second ?? ''} earlier` }).press('Enter');
  await expect(page.getByText(/^This order (against the plan: .*|is as good as the plan)\.$/)).toBeVisible();
  expect((await order()).slice(0, 2)).toEqual([second, first]);
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  expect((await order()).slice(0, 2)).toEqual([first, second]);
  await machine.getByRole('button', { name: `${first ?? ''} later` }).click();
  await page.getByRole('button', { name: 'Keep this order' }).click();
  await expect(machine.getByText(/put here by hand/).first()).toBeVisible();
  expect((await order()).slice(0, 2)).toEqual([second, first]);
  await machine.getByRole('button', { name: 'Plan it again' }).click();
  await expect(machine.getByText(/put here by hand/)).toHaveCount(0);

  await page.getByRole('button', { name: 'Look for better' }).click();
  await expect(page.getByRole('progressbar', { name: 'Looking for a better plan' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop looking' }).click();
  await expect(page.getByRole('progressbar', { name: 'Looking for a better plan' })).toBeHidden();
  await page.getByRole('button', { name: 'Look for better' }).click();
  await expect(page.getByText(/Nothing better was found in|This order against the plan|as good as the plan/)).toBeVisible();
});

test('a program that an order waits for: seen in the morning, its first piece measured, released; the order waits no more', async ({
  page,
}) => {
  await signIn(page);
  const { programs } = await get<{ programs: Line[] }>(page, '/programs');
  const waiting = programs.find((p) => p.wanted !== null);
  if (!waiting?.wanted) throw new Error('The demo has no program that an order waits for');
  await expect(
    page.getByText(new RegExp(`Program “${waiting.what}” of ${waiting.modelName}.*waits?, Anselm Roake writes it`)),
  ).toBeVisible();
  await page.getByRole('link', { name: 'See the program' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Programs' })).toBeVisible();
  const program = part(page, waiting);
  await expect(program.getByText(/can be done by template and pin at Neck carving/)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await program.getByRole('button', { name: 'Who writes it' }).click();
  await choose(page, 'Who', 'Dov Castellan');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(program.getByText(/written by Dov Castellan/)).toBeVisible();

  const revision = program.getByRole('article', { name: 'Revision A' });
  await revision.getByRole('button', { name: 'First piece measured' }).click();
  const proof = page.getByRole('dialog', { name: /First piece of/ });
  await proof.getByRole('textbox', { name: 'Which piece' }).fill('Maple offcut 2');
  await proof.getByRole('textbox', { name: /Tenon width/ }).fill('56.2');
  await proof.getByRole('button', { name: 'It is good' }).click();
  await expect(proof.getByText(/Tenon width 56.2.*band 55.85–56.01/)).toBeVisible();
  await proof.getByRole('textbox', { name: /Tenon width/ }).fill('55,94');
  await proof.getByRole('button', { name: 'It is good' }).click();
  await expect(revision.getByText(/First piece Maple offcut 2, Maren Holloway/)).toBeVisible();
  await revision.getByRole('button', { name: 'Release for work' }).click();
  await page.getByRole('button', { name: 'Release it' }).click();
  await expect(page.getByText('No order waits for a program.')).toBeVisible();
});

test('a revision that saved minutes: drawn after another, compared, and planned by what was observed', async ({ page }) => {
  await signIn(page, 'lead');
  await page.goto(`/machining/programs?id=${encodeURIComponent('millrace/Body, both sides')}`);
  const program = page.getByRole('region', { name: 'Body, both sides, Millrace' });
  const table = program.getByRole('table', { name: 'Revisions compared' });
  const observed = async (row: number) =>
    Number((await table.getByRole('row').nth(row).getByRole('cell').nth(3).innerText()).split(' ')[0]);
  expect(await observed(1)).toBeLessThan(await observed(2));
  await program.getByRole('article', { name: 'Revision B' }).getByRole('button', { name: 'Plan other minutes' }).click();
  await page.getByRole('button', { name: /^Take what \d+ batches took/ }).click();
  await page.getByRole('button', { name: 'Plan these' }).click();
  await expect(program.getByRole('article', { name: 'Revision B' }).getByText(/as planned/)).toBeVisible();

  await program.getByRole('button', { name: 'Put a revision on record' }).click();
  const dialog = page.getByRole('dialog', { name: 'A revision of Body, both sides' });
  await dialog.getByRole('textbox', { name: 'What it is for, or what it changes' }).fill('Roughing at half the step');
  await dialog.getByRole('textbox', { name: 'Running, min' }).fill('66');
  await dialog.getByRole('button', { name: 'Put on record' }).click();
  const drawn = program.getByRole('article', { name: 'Revision C' });
  await expect(drawn.getByText('No load of it has been timed yet.')).toBeVisible();
  await drawn.getByRole('button', { name: 'Withdraw' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Withdraw it' }).click();
  await expect(page.getByText('Needed')).toBeVisible();
  await page.getByRole('textbox', { name: 'Why' }).fill('Chatters');
  await page.getByRole('dialog').getByRole('button', { name: 'Withdraw it' }).click();
  await expect(drawn.getByText('Revision C, withdrawn')).toBeVisible();
});

test('a machine starts only with what the card asks for; its cutters are told before they are worn, and sharpened', async ({ page }) => {
  await signIn(page);
  // The machine is free: what runs is paused.
  const { rows } = await get<{ rows: Batch[] }>(page, '/batches?size=200&stage=machining');
  const cards = await Promise.all(
    rows.filter((b) => b.status === 'queued' || b.status === 'running').map((b) => get<Card>(page, `/batches/${b.id}`)),
  );
  const next = cards.find((c) => c.program?.revision && c.program.what.startsWith('Body'));
  if (!next?.program?.revision) throw new Error('No batch waits for the body machine');
  await page.setViewportSize({ width: 1024, height: 768 });
  await page.goto(`/station/MC1?batch=${next.batch.id}`);
  const due = page.getByRole('region', { name: `Batch ${next.batch.id}` });
  const checks = due.getByRole('group', { name: 'Before the machine starts' });
  await expect(checks.getByText(/Last checked start here:/)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await lookOver(due);
  await checks.getByRole('textbox', { name: 'Revision that the machine shows' }).fill('Q');
  await due.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(
    due.getByText(`The machine shows revision Q; the card asks for ${next.program.revision} of "${next.program.what}"`),
  ).toBeVisible();
  await lookOver(due);
  await checks.getByRole('checkbox').first().uncheck();
  await due.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(due.getByText(/Not ticked yet: The cutters that the program names/)).toBeVisible();

  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/machining/cutters');
  const cutters = await get<Cutter[]>(page, '/cutters');
  const worn = cutters
    .filter((c) => c.state === 'mounted')
    .sort((a, b) => b.usedMinutes / b.lifeMinutes - a.usedMinutes / a.lifeMinutes)[0];
  if (!worn) throw new Error('The demo has no cutter on a machine');
  // Near its end, or past it where others have let time pass.
  await expect(page.getByText(new RegExp(`(near the end of its life|is over), first ${worn.id},`))).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: `Log ${worn.id}` }).click();
  const dialog = page.getByRole('dialog', { name: `Cutter ${worn.id}, ${worn.kind}` });
  await openList(dialog, 'It was');
  await page.getByRole('option', { name: /^sharpened/ }).click();
  await dialog.getByRole('button', { name: 'Log it' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText(/cutters on machines are well within their life/)).toBeVisible();
  await expect(page.getByRole('button', { name: `Log ${worn.id}` })).toBeHidden();
});

test('two policies are compared: overnight against each wait of its own, and machine against hands', async ({ page }) => {
  await signIn(page);
  await walkTo(page, 'Flow');
  await page.getByRole('tab', { name: 'Price of a policy' }).click();
  await choose(page, 'Model', 'Weirstone');
  const answer = page.getByRole('status').first();
  await expect(answer).toContainText(/^The second takes \d+ places fewer for what waits, [\d.]+ days less/);
  const waits = page.getByRole('table', { name: 'Pieces that lie waiting at a time' });
  await expect(waits.getByText(/in a clamp rack/)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Machine nearly to final, or leave it to hands' }).click();
  await expect(answer).toContainText('h of work a week more');
  await expect(page.getByText(/By their programs all the same, since they know no other way: .*Machine bodies/)).toBeVisible();
  await page.getByRole('group', { name: 'Second way' }).getByRole('textbox', { name: 'In a batch' }).fill('4');
  await page.getByRole('group', { name: 'Second way' }).getByRole('textbox', { name: 'In a batch' }).press('Enter');
  await expect(page).toHaveURL(/thenBatchSize=4/);
  await page.reload();
  await expect(page.getByRole('group', { name: 'Second way' }).getByRole('textbox', { name: 'In a batch' })).toHaveValue('4');
});
