import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { get, lookOver, makeRoom, signIn, violations } from './steps.ts';

interface Work {
  queue: { batch: { id: string } }[];
}
interface Card {
  characteristics: { name: string; unit: string }[];
  inPass: string[];
  program: { revision: string; machines: { controllerAgainst: string | null }[] } | null;
}
interface Devices {
  devices: { id: string; name: string; standing: string; told: string | null }[];
}

const BODY_MACHINE = 'Body machining centre';
const CALIPER = 'Caliper at the body machine';
const CONTROLLER = 'Controller of the body machine';

/** The page of the stand-ins, in another window of the same person. */
async function standIns(page: Page, address: string | undefined): Promise<Page> {
  if (address === undefined) throw new Error('There are no stand-ins in this factory');
  const other = await page.context().newPage();
  await other.goto(address);
  return other;
}

const of = (desk: Page, name: string) => desk.getByRole('region', { name, exact: true });

async function load(desk: Page, program: string): Promise<void> {
  await of(desk, CONTROLLER).getByLabel('Program').fill(program);
  await of(desk, CONTROLLER).getByRole('button', { name: 'Load', exact: true }).click();
  await expect(of(desk, CONTROLLER).getByText(`idle, ${program}, 0 parts: taken`).first()).toBeVisible();
}

async function press(desk: Page, value: string, unit: string): Promise<void> {
  await of(desk, CALIPER).getByLabel('It shows').fill(value);
  await of(desk, CALIPER).getByLabel('Unit').selectOption(unit);
  await of(desk, CALIPER).getByRole('button', { name: 'Press its button' }).click();
  await expect(of(desk, CALIPER).getByText(`${value} ${unit}: taken`).first()).toBeVisible();
}

const told = async (page: Page, id: string) => (await get<Devices>(page, '/devices')).devices.find((d) => d.id === id);

test('every device is heard; one that falls silent, and one that is put away, are told', async ({ page, opened }) => {
  await signIn(page);
  await expect.poll(async () => (await get<Devices>(page, '/devices')).devices.filter((d) => d.standing === 'on').length).toBe(12);
  await page.goto('/setup');
  await page.getByRole('link', { name: 'Devices' }).click();
  await expect(page.getByRole('status').first()).toHaveText('12 of 12 devices can be heard. None gives trouble.');
  await expect(page.getByRole('row', { name: /Air of the wood room on the line \d.* Wood room/ })).toBeVisible();

  const desk = await standIns(page, opened.standIns);
  await of(desk, 'Air of the yard shed').getByRole('button', { name: 'Fall silent' }).click();
  await expect(of(desk, 'Air of the yard shed').getByRole('button', { name: 'Speak again' })).toBeVisible();
  await page.getByRole('button', { name: 'Let time pass' }).click();
  await page.getByRole('menuitem', { name: '1 day', exact: true }).click();
  await expect(page.getByText('Air of the yard shed: silent for 1 d.')).toBeVisible();
  // The others have spoken since.
  await expect(page.getByText(/^Air of the wood room: silent/)).toBeHidden();

  await page.getByRole('button', { name: 'Add a device' }).click();
  await page.getByRole('textbox', { name: 'Signs in as' }).fill('CAL9');
  await page.getByRole('textbox', { name: 'Called' }).fill('Caliper of the mill');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const secret = page.getByRole('dialog', { name: 'Password of CAL9' });
  await expect(secret).toContainText(/[\w-]{32}/);
  expect(await violations(page)).toEqual([]);
  await secret.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('row', { name: /Caliper of the mill .* never heard/ })).toBeVisible();
  await page.getByRole('gridcell', { name: 'Caliper of the mill' }).click();
  await page.getByRole('checkbox', { name: 'Listened to' }).uncheck();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /Caliper of the mill .* put away/ })).toBeVisible();
});

test('a machine refuses the wrong program, and is started with the right one; what a caliper sends stands in the field that waits', async ({
  page,
  opened,
}) => {
  await signIn(page);
  await makeRoom(page, BODY_MACHINE);
  const { queue } = await get<Work>(page, '/stations/MC1/work');
  const cards = await Promise.all(queue.map(async ({ batch }) => ({ id: batch.id, card: await get<Card>(page, `/batches/${batch.id}`) })));
  const found = cards.find(({ card }) => card.program !== null && card.characteristics.length === 1);
  if (!found?.card.program) throw new Error('In the demo nothing that is measured waits at the body machine');
  const { id, card } = found;
  const desk = await standIns(page, opened.standIns);
  await load(desk, 'KNOT-body-Z.nc');

  await page.goto(`/station/MC1?batch=${id}`);
  const against = /The machine itself tells that it has KNOT-body-Z\.nc loaded; revision \w+ is (\S+)\./;
  const finding = page.getByText(against);
  await expect(finding).toBeVisible();
  const [, file = ''] = against.exec(await finding.innerText()) ?? [];
  await lookOver(page);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: `Load ${file} before anything is cut` })).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await load(desk, file);
  await expect(page.getByText(`The machine itself tells: stands, ${file}, 0 parts.`)).toBeVisible();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Finish, all/ })).toBeVisible();
  await of(desk, CONTROLLER).getByRole('button', { name: 'Run a cycle' }).click();
  await expect.poll(async () => (await told(page, 'CTL1'))?.told, { timeout: 20_000 }).toBe(`stands, ${file}, 2 parts`);

  const name = card.characteristics[0]?.name ?? '';
  const field = page.getByRole('textbox', { name: new RegExp(`^${name}`) });
  await press(desk, '12.34', 'mm');
  // What was sent before anybody was in a field is nobody's.
  await field.focus();
  await expect(page.getByText(`Takes what ${CALIPER} sends`)).toBeVisible();
  await expect(field).toHaveValue('');
  await press(desk, '56.02', 'mm');
  await expect(field).toHaveValue('56.02');
  await press(desk, '2.2055', 'in');
  await expect(field).toHaveValue('56.02 56.02');
  await expect(page.getByText(`${CALIPER} sent 56.02 mm`)).toBeVisible();
  const others = ['56.03', '56.05'].slice(0, card.inPass.length - 2);
  for (const width of others) await press(desk, width, 'mm');
  await expect(field).toHaveValue(['56.02', '56.02', ...others].join(' '));
  await page.getByRole('button', { name: 'Save measures' }).click();
  await expect(page.getByText('Every piece is measured.')).toBeVisible();
  expect(await violations(page)).toEqual([]);
});
