import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { choose, get, letTimePass, openList, post, signIn, violations, walkTo } from './steps.ts';

interface Lot {
  id: string;
  place: string | null;
  zoneId: string;
}
interface Record {
  parts: { boardId: string | null; lotId: string | null; pieceId: string; batchId: string }[];
}

const openTab = async (page: Page, tab: string, heading = tab) => {
  await page.getByRole('tablist', { name: 'Wood room' }).getByRole('tab', { name: tab, exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: heading, exact: true })).toBeVisible();
};

test('a round along the racks: lot by lot, one field, and on to the next', async ({ page }) => {
  await signIn(page, 'operator');
  await walkTo(page, 'Wood room');
  await openTab(page, 'Walk the racks');
  const list = page.getByRole('group', { name: 'Lots along the racks' });
  const before = Number(/^(\d+) of/.exec((await page.getByRole('status').first().textContent()) ?? '')?.[1]);
  const heading = page.getByRole('heading', { level: 2 }).filter({ hasText: /^L\d+/ });
  const first = /L\d+/.exec((await heading.textContent()) ?? '')?.[0] ?? '';
  const entry = page.getByRole('textbox', { name: 'Readings' });
  await entry.fill('10.4 10.6 10.5 10.3 10.6 10.4 10.5 10.6 c11.2 16');
  await expect(page.getByText(/stands apart/)).toBeVisible();
  await entry.fill('10.4 10.6 10.5 10.3 10.6 10.4 10.5 10.6 c11.2');
  await entry.press('Enter');
  await expect(heading).not.toContainText(first);
  await expect(list.getByRole('button', { name: new RegExp(`${first}.*read today`) })).toBeVisible();
  await expect(entry).toBeFocused();
  await expect(page.getByRole('status').first()).toContainText(`${before + 1} of`);
  await choose(page, 'Measured by', 'sample board');
  await entry.fill('S1=1085');
  await expect(page.getByText(/S1 has not been begun/)).toBeVisible();
  await entry.fill('S1=1190@12.5 S2=1204@12.5');
  await entry.press('Enter');
  await expect(page.getByRole('status').first()).toContainText(`${before + 2} of`);
});

test('a logger’s file with a gap and a clock change is told before it is taken', async ({ page }) => {
  await signIn(page);
  await page.goto('/wood-room/air?zone=mill&days=365');
  await expect(page.getByRole('heading', { level: 1, name: 'Air of the rooms' })).toBeVisible();
  await page.getByRole('button', { name: 'Import a logger file' }).click();
  const dialog = page.getByRole('dialog', { name: 'Import a logger file' });
  const times = ['26/10/2025 00:30', '26/10/2025 01:30', '26/10/2025 01:30', '26/10/2025 02:30', '27/10/2025 12:00', 'whenever'];
  await dialog.getByLabel('Logger file').setInputFiles({
    name: 'hall.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['Time;Temp;RH', ...times.map((t) => `${t};19,5;47`)].join('\r\n')),
  });
  await expect(dialog.getByText(/5 lines can be taken/)).toBeVisible();
  await expect(dialog.getByText(/Silent for 1 d 9 h/)).toBeVisible();
  await expect(dialog.getByText(/Clocks were changed before/)).toBeVisible();
  await expect(dialog.getByText('"whenever" is not a time, or not one that was')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Take the good lines' }).click();
  await expect(dialog.getByText('5 lines taken.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();
  // Where the file is silent, what the room’s own sensor said stands.
  await expect(page.getByText(/Nothing was measured for/)).toHaveCount(0);
});

test('a lot tells what other air would do, goes to the cabinet, and prints its papers', async ({ page }) => {
  await signIn(page);
  const lots = await get<Lot[]>(page, '/lots?states=drying');
  const lot = lots.find((l) => l.zoneId === 'shed');
  if (!lot) throw new Error('No lot lies in the shed');
  await page.goto(`/lots/${lot.id}`);
  await expect(page.getByRole('status').first()).toContainText('Not in this room');
  await page.getByRole('textbox', { name: '% humidity' }).fill('38');
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  await expect(page.getByText(/In that air, which tends to/)).toBeVisible();
  await page.getByRole('button', { name: 'Move…' }).click();
  const dialog = page.getByRole('dialog', { name: `Move lot ${lot.id}` });
  await openList(dialog, 'Room');
  await page.getByRole('option', { name: /Drying cabinet/ }).click();
  await openList(dialog, 'Schedule');
  await page.getByRole('option', { name: /Cabinet, after air drying/ }).click();
  await dialog.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(page.getByRole('status').first()).not.toContainText('Not in this room');
  await expect(page.getByRole('region', { name: 'Schedule' })).toContainText('now');
  for (const paper of ['Label', 'Moisture report']) {
    const href = await page.getByRole('link', { name: paper }).getAttribute('href');
    const answer = await page.request.get(href ?? '');
    expect(answer.headers()['content-type']).toBe('application/pdf');
  }
});

test('boards are planned, moved by hand, printed, cut, sent to the mill, and lead back from the instrument', async ({ page }) => {
  await signIn(page);
  await page.goto('/wood-room/cutting');
  await page.getByRole('link', { name: 'Plan a cut' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Plan a cut' })).toBeVisible();
  await page.getByRole('button', { name: 'Plan the cuts' }).click();
  await expect(page.getByRole('status').first()).toContainText(/of \d+ blanks from \d+ board/);
  // It goes on looking for better until somebody has waited enough.
  await expect(page.getByRole('progressbar', { name: 'Looking for a better plan' })).toBeVisible();
  await page.getByRole('button', { name: 'Take this one' }).click();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  expect(await violations(page)).toEqual([]);

  const board = page.getByRole('group', { name: /^Board L/ }).first();
  const blank = board.getByRole('button').first();
  await blank.focus();
  // Over the edge of the board it cannot be kept, and says why.
  const ACROSS_THE_BOARD = 45;
  for (let i = 0; i < ACROSS_THE_BOARD; i++) await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('alert').filter({ hasText: 'It reaches over the edge' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep the plan' })).toBeDisabled();
  for (let i = 0; i < ACROSS_THE_BOARD; i++) await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('button', { name: 'Keep the plan' })).toBeEnabled();

  // Dragged away it lies elsewhere, dragged back where it was.
  const before = await blank.getAttribute('aria-label');
  const box = await blank.boundingBox();
  if (before === null || !box) throw new Error('The blank is not in sight');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 90, y, { steps: 5 });
  await expect(blank).not.toHaveAttribute('aria-label', before);
  await page.mouse.move(x, y, { steps: 5 });
  await page.mouse.up();
  await expect(blank).toHaveAttribute('aria-label', before);
  await expect(page.getByRole('button', { name: 'Keep the plan' })).toBeEnabled();

  // Sent to the next board it lies there, and comes back the same way.
  const boards = page.getByRole('group', { name: /^Board L/ });
  const laid = async (i: number) => boards.nth(i).getByRole('button').count();
  const [onFirst, onSecond] = [await laid(0), await laid(1)];
  await blank.focus();
  await page.keyboard.press('PageDown');
  await expect.poll(() => Promise.all([laid(0), laid(1)])).toEqual([onFirst - 1, onSecond + 1]);
  await page.keyboard.press('PageUp');
  await expect.poll(() => Promise.all([laid(0), laid(1)])).toEqual([onFirst, onSecond]);

  // The same with the mouse: carried over another board it is shown there before it is let go.
  await boards.nth(1).scrollIntoViewIfNeeded();
  const from = await board.getByRole('button').last().boundingBox();
  const to = await boards.nth(1).boundingBox();
  if (!from || !to) throw new Error('The boards are not in sight');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width - from.width / 2 - 20, to.y + to.height / 2, { steps: 8 });
  await expect.poll(() => laid(1)).toBe(onSecond + 1);
  await page.mouse.up();
  await expect.poll(() => Promise.all([laid(0), laid(1)])).toEqual([onFirst - 1, onSecond + 1]);
  await page.getByRole('button', { name: 'Plan anew' }).click();
  await expect.poll(() => Promise.all([laid(0), laid(1)])).toEqual([onFirst, onSecond]);

  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Cutting plan C\d+/ })).toBeVisible();
  const href = await page.getByRole('link', { name: 'Cut list' }).getAttribute('href');
  expect((await page.request.get(href ?? '')).headers()['content-type']).toBe('application/pdf');
  await page.getByRole('button', { name: 'Cut it…' }).click();
  await page.getByRole('button', { name: 'They are cut' }).click();
  const send = page.getByRole('button', { name: /Send \d+ blanks? to the rough mill/ });
  await send.click();
  await expect(page.getByText(/^Started B\d+/)).toBeVisible();
  await expect(send).toBeHidden();

  const { rows: instruments } = await get<{ rows: { serial: string }[] }>(page, '/instruments?size=200');
  let traced: { serial: string; record: Record } | undefined;
  for (const { serial } of instruments) {
    const record = await get<Record>(page, `/instruments/${serial}`);
    if (record.parts.some((p) => p.boardId !== null)) {
      traced = { serial, record };
      break;
    }
  }
  const part = traced?.record.parts.find((p) => p.boardId !== null);
  if (!traced || !part?.boardId) throw new Error('No instrument of the demo was cut from a measured board');
  await page.goto(`/records/${traced.serial}`);
  await expect(page.getByText(`board ${part.boardId}`)).toBeVisible();
  await page
    .getByRole('link', { name: part.lotId ?? '', exact: true })
    .first()
    .click();
  const tree = page.getByRole('list', { name: 'Boards that were cut' });
  await expect(tree).toContainText(part.boardId);
  await tree.getByRole('link', { name: traced.serial }).click();
  await expect(page).toHaveURL(new RegExp(`/records/${traced.serial}$`));
});

test('blanks are kept for their orders by weight, and a sum keeps what was typed', async ({ page }) => {
  await signIn(page);
  // Whoever worked here before may have kept a blank for every order there was.
  const blank = (await get<{ modelId: string; component: string }[]>(page, '/blanks')).find((b) => b.component === 'body');
  if (!blank) throw new Error('The demo has no blank for a body');
  const dueMs = Date.now() + 400 * 86_400_000;
  await post(page, '/orders', { customer: 'Stock', modelId: blank.modelId, quantity: 1, dueMs });
  await page.goto(`/wood-room/stock?blanks=${blank.modelId}+body`);
  await expect(page.getByRole('status').first()).toContainText(/needs buying this month|To buy this month/);
  await expect(page.getByText(/instruments would land between/)).toBeVisible();
  const keep = page.getByRole('button', { name: /^Keep \d+ blanks? for/ });
  await keep.click();
  await expect(keep).toBeHidden();
  await walkTo(page, 'Bench sums');
  await page.getByRole('link', { name: 'Meter correction' }).click();
  await page.getByRole('textbox', { name: 'Wood, °C' }).fill('5');
  await expect(page.getByText('Pin meter: 11.3 %')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Pin meter: 11.3 %')).toBeVisible();
  await page.getByRole('textbox', { name: 'Wood, °C' }).fill('warm');
  await expect(page.getByText('Wood, °C: type a figure')).toBeVisible();
});

test('a pack is read dry twice, released to the mill, its boards measured and planned', async ({ page }) => {
  await signIn(page);
  await walkTo(page, 'Wood room');
  await page.getByRole('button', { name: 'Receive a lot' }).click();
  const receive = page.getByRole('dialog', { name: 'Receive a lot' });
  await choose(page, 'Species', 'mahogany');
  for (const [field, value] of [
    ['Thickness, mm', '50'],
    ['Volume, m³', '0,2'],
    ['Permit number', 'P-20418'],
  ] as const)
    await receive.getByRole('textbox', { name: field }).fill(value);
  // Those that are known are offered.
  await receive.getByRole('combobox', { name: 'Supplier' }).fill('Calder Timber Yard');
  await receive.getByRole('combobox', { name: 'Origin' }).fill('Belize');
  await receive.getByRole('button', { name: 'Receive', exact: true }).click();
  await expect(page).toHaveURL(/\/lots\/L\d+$/);
  const id = /L\d+$/.exec(page.url())?.[0] ?? '';
  for (const [i, readings] of ['8.2 8.3 8.5 8.4 c8.8', '8.2 8.3 8.4 8.3 c8.6'].entries()) {
    await page.getByRole('textbox', { name: 'Readings' }).fill(readings);
    await page.getByRole('textbox', { name: 'Readings' }).press('Enter');
    await expect(page.getByRole('textbox', { name: 'Readings' })).toHaveValue('');
    await expect(page.getByText('5 of 5 readings in')).toBeVisible();
    if (i === 0) await letTimePass(page, '1 week');
  }
  await page.getByRole('button', { name: 'Release to the mill' }).click();
  await expect(page.getByRole('status').first()).toContainText('Free for the mill');

  await page.getByRole('button', { name: 'Measure boards…' }).click();
  const boards = page.getByRole('dialog', { name: `Boards of lot ${id}` });
  await boards.getByRole('textbox', { name: 'Boards' }).fill('2300 210 wide 55');
  await expect(boards.getByText(/Line 1: .* is not length, width, width, thickness/)).toBeVisible();
  await boards.getByRole('textbox', { name: 'Boards' }).fill('2300 210 205 55 knot 40x30@2200,150\n1200 200 200 55');
  await boards.getByRole('button', { name: 'Keep 2 boards' }).click();
  await expect(page.getByText('2 boards measured and whole')).toBeVisible();
  await page.getByRole('link', { name: 'plan a cut' }).click();
  await expect(page.getByRole('checkbox', { name: `${id}, 2 boards` })).toBeChecked();
  const forStock = page.getByRole('group', { name: 'Weirstone body for stock' });
  await forStock.getByRole('spinbutton', { name: 'Count' }).fill('3');
  await page.getByRole('button', { name: 'Plan the cuts' }).click();
  await expect(page.getByRole('status').first()).toContainText(/3 of \d+ blanks from 2 boards; yield \d+ %/);
});
