import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { get, letTimePass, lookOver, makeRoom, post, signIn, violations } from './steps.ts';

interface Batch {
  id: string;
  stage: string;
  component: string;
  stationCode: string;
  stationName: string;
  operationName: string;
  operationKind: string;
  redo: boolean;
  status: string;
  version: number;
  verdict: string;
  handOver: boolean;
  accepted: boolean;
}
interface Card {
  batch: Batch;
  workers: { id: string }[];
  coatPlan: { coats: number } | null;
  coatsThisVisit: number;
  characteristics: { name: string; unit: string; target: number }[];
  unmeasured: { name: string }[];
  inPass: string[];
  program: { checked: boolean; revision: string | null; machines: { id: string; takenBy: string | null }[] } | null;
  rigs: {
    outside: number;
    wipe: { due: number } | null;
    rigs: { rigId: string; free: number; own: number; ownOver: number; isClosed: boolean; cycle: string }[];
  } | null;
  log: { kind: string }[];
}

const due = (page: Page, id: string) => page.getByRole('region', { name: `Batch ${id}` });
const onDevice = (page: Page) => page.getByRole('region', { name: 'Entries on this device' });
const countOf = (card: Card, kind: string) => card.log.filter((e) => e.kind === kind).length;

/** As a scanner does: what the card says, and Enter. */
async function scan(page: Page, text: string): Promise<void> {
  const field = page.getByRole('combobox', { name: 'Scan or find' });
  await field.fill(text);
  await field.press('Enter');
}

/** What a start checklist asks, where the step has one. */
async function checkFor(page: Page, { program }: Card): Promise<object> {
  if (!program?.checked) return {};
  const { startChecks } = await get<{ startChecks: { key: string }[] }>(page, '/session');
  const machineId = program.machines.find((m) => m.takenBy === null)?.id;
  return { check: { machineId, revision: program.revision, ticks: startChecks.map((c) => c.key) } };
}

/** In rigs, as far as there is room, and out again where its time is over. */
async function pressed(page: Page, { batch: { id }, workers, rigs }: Card): Promise<void> {
  const personId = workers[0]?.id ?? 'manager';
  for (const { rigId, free, own, ownOver, isClosed, cycle } of rigs?.rigs ?? []) {
    const give = async (command: string) => {
      const { batch } = await get<Card>(page, `/batches/${id}`);
      return post(page, `/batches/${id}/${command}`, { version: batch.version, personId, rigId });
    };
    if (ownOver > 0) await give('take-out');
    else if (free > 0 && (rigs?.outside ?? 0) > 0) {
      if ((rigs?.wipe?.due ?? 0) > 0) await give('wipe');
      await give('put-in');
      if (cycle === 'all places together') await give('close-rig');
    } else if (own > 0 && !isClosed && cycle === 'all places together') await give('close-rig');
  }
  await letTimePass(page, '1 day');
}

/** Brings work along its route, as people would who are not looked at here, until what is looked for is so; null where it stops before. */
async function bring(page: Page, id: string, isIt: (card: Card) => boolean): Promise<Card | null> {
  for (let act = 0; act < 30; act++) {
    const card = await get<Card>(page, `/batches/${id}`);
    if (isIt(card)) return card;
    const { status, operationKind, version, handOver, accepted, verdict, stationName } = card.batch;
    const give = (command: string, body: object) => post(page, `/batches/${id}/${command}`, { version, ...body });
    const atWork = operationKind === 'work';
    if (status === 'dwelling' && card.rigs) await pressed(page, card);
    else if (status === 'dwelling' && verdict !== 'pass') await letTimePass(page, '1 day');
    else if (atWork && status === 'queued' && handOver && !accepted) await give('accept', {});
    else if (atWork && status === 'queued') {
      await makeRoom(page, stationName);
      if (!(await give('start', { personId: card.workers[0]?.id ?? '', ...(await checkFor(page, card)) }))) return null;
    } else {
      const finish = { good: card.inPass.length, rework: 0, scrap: 0, outcomes: [] };
      if (!(status === 'running' ? await give('finish', finish) : await give('move', {}))) return null;
    }
  }
  return null;
}

/** The first of the work on the floor that can be brought so far. */
async function first(page: Page, stages: readonly string[], isIt: (card: Card) => boolean): Promise<Card> {
  const { rows } = await get<{ rows: Batch[] }>(page, '/batches?size=200');
  for (const { id } of rows.filter((b) => stages.includes(b.stage) && b.component !== 'small part')) {
    const card = await bring(page, id, isIt);
    if (card) return card;
  }
  throw new Error('Nothing on the floor can be brought so far');
}

/** Takes work over where its step asks for that, and begins it. */
async function begin(page: Page, id: string): Promise<void> {
  const takeOver = due(page, id).getByRole('button', { name: 'Take it over' });
  const start = due(page, id).getByRole('button', { name: 'Start', exact: true });
  await expect(takeOver.or(start)).toBeVisible();
  if (await takeOver.isVisible()) await takeOver.click();
  await lookOver(due(page, id));
  await start.click();
}

test('a day at a station without network: scans, coats, measures and a refusal are drawn as the server later says', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await signIn(page);
  const sprayed = await first(page, ['fitting', 'finishing'], (c) => c.batch.status === 'queued' && (c.coatPlan?.coats ?? 0) > 1);
  const isMeasured = (c: Card) => c.batch.status === 'running' && c.unmeasured.length > 0 && c.coatPlan === null;
  const measured = await first(page, ['machining', 'necks', 'bodies', 'assembly'], isMeasured);
  const [spray, cut] = [sprayed.batch, measured.batch];
  await makeRoom(page, spray.stationName);
  const station = `/station/${spray.stationCode}`;

  await test.step('a card that is scanned opens in place, another station’s too, and says where it is', async () => {
    await page.goto(station);
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.reload();
    await scan(page, `http://cards.heron-lane/batches/${spray.id}`);
    await expect(due(page, spray.id)).toContainText(spray.operationName);
    await scan(page, cut.id);
    await expect(due(page, cut.id)).toContainText(`It is at ${cut.stationName} now`);
    await expect(page).toHaveURL(new RegExp(`${station}\\?batch=${cut.id}$`));
    expect(await violations(page)).toEqual([]);
    // What a device holds to judge by is kept two seconds after it was told.
    const kept = () => page.evaluate(() => localStorage.getItem('last seen') ?? '');
    for (const what of [`[\\"batches\\",\\"held\\",\\"${spray.id}\\"]`, `[\\"batches\\",\\"held\\",\\"${cut.id}\\"]`, '[\\"factory\\"]'])
      await expect.poll(kept, { timeout: 20_000 }).toContain(what);
  });

  await context.setOffline(true);
  await test.step('a coat counts at once; the next comes too early, and the device says so before the server can', async () => {
    await scan(page, spray.id);
    await begin(page, spray.id);
    const coats = sprayed.coatPlan?.coats ?? 0;
    await due(page, spray.id).getByRole('button', { name: 'Log coat' }).click();
    await expect(due(page, spray.id)).toContainText(`1 of ${coats} coats logged`);
    await due(page, spray.id).getByRole('button', { name: 'Log coat' }).click();
    await expect(due(page, spray.id)).toContainText(/As far as this device knows, one of them will be refused: .*min/);
    await expect(due(page, spray.id)).toContainText(`1 of ${coats} coats logged`);
  });

  await test.step('another card is scanned, measured and finished', async () => {
    await scan(page, `https://cards.heron-lane/batches/${cut.id}`);
    for (const { name, unit, target } of measured.characteristics)
      await due(page, cut.id)
        .getByRole('textbox', { name: `${name}, ${unit}` })
        // A little to each side, as pieces come: as many alike would make a rule of the chart fire.
        .fill(measured.inPass.map((_, i) => (target + (i % 2 === 0 ? 0.02 : -0.02)).toFixed(3)).join(' '));
    await due(page, cut.id).getByRole('button', { name: 'Save measures' }).click();
    await expect(due(page, cut.id)).toContainText('Every piece is measured.');
    await due(page, cut.id)
      .getByRole('button', { name: new RegExp(`^Finish, all ${measured.inPass.length} good`) })
      .click();
    await expect(due(page, cut.id)).toContainText('Finished here. It goes on when the entry is sent.');
  });

  await test.step('a card the device was never told of is said to be unknown to it, and a serial cannot be looked for', async () => {
    await scan(page, 'B999999');
    await expect(due(page, 'B999999')).toContainText('This device has no copy of the card of B999999');
    await scan(page, 'no such serial');
    await expect(page.getByText('a batch card can be scanned all the same')).toBeVisible();
    await page.getByRole('combobox', { name: 'Scan or find' }).fill('');
  });

  await context.setOffline(false);
  await test.step('the server says what the device said', async () => {
    const refused = onDevice(page).getByRole('alert');
    await expect(refused).toContainText(/Not taken: .*Coat of/);
    await scan(page, spray.id);
    await expect(due(page, spray.id)).toContainText(`1 of ${sprayed.coatPlan?.coats ?? 0} coats logged`);
    await refused.getByRole('button', { name: 'Set it aside' }).click();
    await expect(onDevice(page)).toContainText('Set aside, not sent');
    // The refusal of the one does not keep the entries of the other from being sent, and they come after it.
    const finished = async () => countOf(await get<Card>(page, `/batches/${cut.id}`), 'work.finished');
    await expect.poll(finished, { timeout: 20_000 }).toBe(countOf(measured, 'work.finished') + 1);
    const [sprayedNow, measuredNow] = await Promise.all([spray, cut].map(({ id }) => get<Card>(page, `/batches/${id}`)));
    expect(sprayedNow?.coatsThisVisit).toBe(1);
    expect(measuredNow?.batch.operationName).not.toBe(cut.operationName);
    const more = (kind: string) => (measuredNow ? countOf(measuredNow, kind) : 0) - countOf(measured, kind);
    expect(['measures.taken', 'work.finished'].map(more)).toEqual([1, 1]);
    await page.setViewportSize({ width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBeLessThanOrEqual(0);
  });
});
