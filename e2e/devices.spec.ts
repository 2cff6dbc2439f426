import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { choose, get, lookOver, makeRoom, signIn, violations, walkTo } from './steps.ts';

interface Work {
  queue: { batch: { id: string } }[];
}
interface Rigs {
  rigs: { name: string; loads: { isOver: boolean }[] }[];
}
interface Card {
  characteristics: { name: string; unit: string }[];
  inPass: string[];
  program: { loads: number } | null;
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
  await expect(page.getByRole('row', { name: /Caliper of the mill never heard/ })).toBeVisible();
  await page.getByRole('gridcell', { name: 'Caliper of the mill' }).click();
  await page.getByRole('checkbox', { name: 'Listened to' }).uncheck();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /Caliper of the mill put away/ })).toBeVisible();
});

test('a shift: planned, two loads run, a wrong program refused, a cutter told of; measured until a rule fires; clamps emptied, policies compared', async ({
  page,
  opened,
}) => {
  await signIn(page);
  await makeRoom(page, BODY_MACHINE);
  const { queue } = await get<Work>(page, '/stations/MC1/work');
  const cards = await Promise.all(queue.map(async ({ batch }) => ({ id: batch.id, card: await get<Card>(page, `/batches/${batch.id}`) })));
  const found = cards.find(({ card }) => card.program?.loads === 2 && card.characteristics.length === 1 && card.inPass.length === 4);
  if (!found) throw new Error('In the demo no two loads that are measured wait at the body machine');
  const { id, card } = found;
  const [{ name }] = card.characteristics as [Card['characteristics'][0]];
  const desk = await standIns(page, opened.standIns);
  await load(desk, 'KNOT-body-Z.nc');

  // The shift is planned; what its first batch waits for is looked into.
  await walkTo(page, 'Machining');
  const machine = page.getByRole('article', { name: `Next on ${BODY_MACHINE}, 1` });
  await expect(machine.getByText('Its controller: stands, KNOT-body-Z.nc, 0 parts')).toBeVisible();
  await expect(machine.getByRole('listitem').filter({ hasText: id })).toContainText(/2 loads of 2/);
  await page.getByRole('button', { name: 'Look for better' }).click();
  await expect(page.getByText(/Nothing better was found in|This order against the plan|as good as the plan/)).toBeVisible();
  await page.getByRole('tab', { name: 'Dimensions' }).click();
  await page.getByRole('textbox', { name: 'Find' }).fill('Weirstone');
  await page.getByRole('button', { name: `${name}, Weirstone` }).click();
  const chart = page.getByRole('region', { name: `${name}, Weirstone` });
  await chart.getByRole('button', { name: 'Say what was found' }).click();
  await page
    .getByRole('textbox', { name: 'What was found and done' })
    .fill('Finisher worn on its side; measured at every load from now on');
  await page.getByRole('button', { name: 'Save what was found' }).click();
  await expect(chart.getByText('In control: no rule fires.')).toBeVisible();

  // The wrong program is on, and a cutter will not last.
  await page.goto(`/station/MC1?batch=${id}`);
  const due = page.getByRole('region', { name: `Batch ${id}` });
  const against = /The machine itself tells that it has KNOT-body-Z\.nc loaded; revision \w+ is (\S+)\./;
  const finding = due.getByText(against);
  await expect(finding).toBeVisible();
  await expect(due.getByText(/: it lasts for 1 of the 2 loads\./)).toBeVisible();
  const [, file = ''] = against.exec(await finding.innerText()) ?? [];
  await lookOver(due);
  await due.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: `Load ${file} before anything is cut` })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await load(desk, file);
  await expect(due.getByText(`The machine itself tells: stands, ${file}, 0 parts.`)).toBeVisible();
  await due.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(due.getByRole('button', { name: /^Finish, all/ })).toBeVisible();

  // Two loads, each measured as it comes off.
  const parts = async () => (await get<Devices>(page, '/devices')).devices.find((d) => d.id === 'CTL1')?.told;
  const field = due.getByRole('textbox', { name: new RegExp(`^${name}`) });
  const save = due.getByRole('button', { name: 'Save measures' });
  await of(desk, CONTROLLER).getByRole('button', { name: 'Run a cycle' }).click();
  await expect.poll(parts).toBe(`stands, ${file}, 2 parts`);
  await press(desk, '12.34', 'mm');
  // What was sent before anybody was in a field is nobody's.
  await field.focus();
  await expect(due.getByText(`Takes what ${CALIPER} sends`)).toBeVisible();
  await expect(field).toHaveValue('');
  await press(desk, '56.04', 'mm');
  await expect(field).toHaveValue('56.04');
  await press(desk, '2.2065', 'in');
  await expect(field).toHaveValue('56.04 56.045');
  await expect(due.getByText(`${CALIPER} sent 56.045 mm`)).toBeVisible();
  await save.click();
  await expect(due.getByText(`Still to measure: ${id}-03, ${id}-04`)).toBeVisible();

  await of(desk, CONTROLLER).getByRole('button', { name: 'Run a cycle' }).click();
  await expect.poll(parts).toBe(`stands, ${file}, 4 parts`);
  await field.focus();
  await expect(due.getByText(`Takes what ${CALIPER} sends`)).toBeVisible();
  await press(desk, '56.14', 'mm');
  await expect(field).toHaveValue('56.14');
  await save.click();
  await expect(due.getByText(`Held: ${name}: one value above the upper limit; a lead decides`)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  // What is free in the clamps comes out.
  await page.goto('/rough-mill/clamps');
  const { rigs } = await get<Rigs>(page, '/rigs?stage=roughMill');
  const full = rigs.find((r) => r.loads.some((l) => l.isOver));
  if (!full) throw new Error('Nothing is free in the clamps of the demo');
  const rack = page.getByRole('article', { name: full.name, exact: true });
  await rack.getByRole('button', { name: `Take out ${full.loads.filter((l) => l.isOver).length}` }).click();
  await expect(rack.getByText(/· 0 of \d+ places taken/)).toBeVisible();

  // And what another policy would come to.
  await walkTo(page, 'Flow');
  await page.getByRole('tab', { name: 'Price of a policy' }).click();
  await choose(page, 'Model', 'Weirstone');
  await expect(page.getByRole('status').first()).toContainText(/^The second takes \d+ places fewer for what waits, [\d.]+ days less/);
});
