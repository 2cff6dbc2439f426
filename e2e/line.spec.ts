import { expect } from '@playwright/test';
import { test } from './factory.ts';
import { choose, doStep, finishStep, letTimePass, measure, moveOn, press, signIn, startStep, walkTo } from './steps.ts';

// The whole line as one person does it, from a board to shipped instruments.
test('a manager takes a lot of wood to shipped instruments', async ({ page }) => {
  test.setTimeout(900_000);
  await signIn(page);

  await test.step('Morning opens with the answer', async () => {
    await expect(page.getByRole('status').first()).toContainText(
      /can move now.*come.? free today.*late even at the earliest.*holds the line/s,
    );
  });

  let lotUrl = '';
  await test.step('Wood room: receive a lot, read it, be refused while it is wet', async () => {
    await walkTo(page, 'Wood room');
    await page.getByRole('button', { name: 'Receive a lot' }).click();
    const dialog = page.getByRole('dialog', { name: 'Receive a lot' });
    await dialog.getByRole('textbox', { name: 'Thickness, mm' }).fill('50');
    await dialog.getByRole('textbox', { name: 'Volume, m³' }).fill('-1');
    await dialog.getByRole('combobox', { name: 'Supplier' }).fill('Calder Timber Yard');
    await dialog.getByRole('combobox', { name: 'Origin' }).fill('Belize');
    await dialog.getByRole('button', { name: 'Receive', exact: true }).click();
    await expect(dialog.getByText('A figure above zero')).toBeVisible();
    await dialog.getByRole('textbox', { name: 'Volume, m³' }).fill('0,24');
    await expect(dialog.getByRole('checkbox', { name: /^Restricted species/ })).toBeChecked();
    await dialog.getByRole('textbox', { name: 'Permit number' }).fill('P-20417');
    await dialog.getByRole('button', { name: 'Receive', exact: true }).click();
    await expect(page).toHaveURL(/\/lots\/L\d+$/);
    lotUrl = page.url();
    const entry = page.getByRole('textbox', { name: 'Readings' });
    await entry.fill('8.4 8.6 140');
    await expect(page.getByText('140 % is outside what a meter shows')).toBeVisible();
    await entry.fill('11.4 11.6 12.1 11.8 c12.6');
    await expect(page.getByRole('img', { name: /Readings: band .* 5 values/ })).toBeVisible();
    await page.getByRole('button', { name: 'Log session' }).click();
    await expect(page.getByText('0 of 5 readings in')).toBeVisible();
    await page.getByRole('button', { name: 'Release with a reason' }).click();
    const refusal = page.getByRole('dialog', { name: /not now/ });
    await expect(refusal.getByText(/Too wet: it will shrink/)).toBeVisible();
    await refusal.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('drier readings on later days release it', async () => {
    await letTimePass(page, '4 weeks');
    await letTimePass(page, '1 week');
    for (const readings of ['8.2 8.3 8.5 8.4 c8.8', '8.2 8.3 8.4 8.3 c8.6']) {
      await page.getByRole('textbox', { name: 'Readings' }).fill(readings);
      await page.getByRole('button', { name: 'Log session' }).click();
      await expect(page.getByRole('textbox', { name: 'Readings' })).toHaveValue('');
      await expect(page.getByText('5 of 5 readings in')).toBeVisible();
      if (readings.endsWith('c8.8')) await letTimePass(page, '1 week');
    }
    await page.getByRole('button', { name: 'Release to the mill' }).click();
    await expect(page.getByRole('status')).toContainText('Free for the mill');
  });
  const lotId = /L\d+$/.exec(lotUrl)?.[0] ?? '';

  let bodies = '';
  let necks = '';
  await test.step('start six bodies and six necks for an order, and print their cards', async () => {
    await walkTo(page, 'Orders');
    await page.getByRole('button', { name: 'Place an order' }).click();
    await choose(page, 'Model', /Weirstone/);
    await page.getByRole('textbox', { name: 'Customer, or Stock' }).fill('Lantern Street Music');
    await page.getByRole('button', { name: 'Place', exact: true }).click();
    await expect(page.getByRole('dialog', { name: /Start a batch for O\d+: 6 × Weirstone/ })).toBeVisible();
    await choose(page, 'From lot', new RegExp(lotId));
    // What is left of the lot after so many makes no other batch: it may go with them.
    const offcut = page.getByRole('checkbox', { name: /left of the lot is offcut/ });
    const wanted = page.getByRole('spinbutton', { name: 'Pieces' });
    await expect(offcut).toBeHidden();
    await wanted.fill('12');
    await expect(offcut).toBeVisible();
    await wanted.fill('0');
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await expect(page.getByText('A whole number above zero')).toBeVisible();
    await wanted.fill('6');
    await expect(offcut).toBeHidden();
    // Bodies or necks that lie spare are not begun again unasked.
    const start = page.getByRole('button', { name: 'Start', exact: true });
    const more = page.getByRole('checkbox', { name: /start more all the same/ });
    if (await more.isVisible()) await more.check();
    await start.click();
    const started = page.getByRole('dialog').getByRole('link', { name: /^B\d+$/ });
    await expect(started).toHaveCount(1);
    await choose(page, 'Of what', 'necks');
    await wanted.fill('6');
    if (await more.isVisible()) {
      await expect(start).toBeDisabled();
      await more.check();
    }
    await start.click();
    await expect(started).toHaveCount(2);
    bodies = await started.nth(0).innerText();
    necks = await started.nth(1).innerText();
    for (const id of [bodies, necks]) {
      const pdf = await page.request.get(`/api/batches/${id}/card.pdf`);
      expect(pdf.headers()['content-type']).toContain('application/pdf');
      expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    }
  });

  await test.step('bodies through rough mill, machining and binding', async () => {
    await page.goto(`/batches/${bodies}`);
    await startStep(page, 'Cut and joint bodies');
    await choose(page, 'Pause because of', 'machine');
    await page.getByRole('button', { name: 'Pause', exact: true }).click();
    await page.getByRole('button', { name: 'Resume', exact: true }).click();
    await finishStep(page);
    await doStep(page, 'Glue up blanks');
    await page.getByRole('button', { name: 'Move with a reason' }).click();
    await expect(page.getByRole('dialog').getByText('Clamped: not in a rig yet')).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await press(page, 6, 'Glue hardens');
    await letTimePass(page, '1 day');
    await moveOn(page, 'Machine bodies');
    await startStep(page, 'Machine bodies');
    await page.getByRole('button', { name: 'Finish', exact: true }).click();
    await expect(page.getByText(/Not measured yet/)).toBeVisible();
    await measure(page, { 'Pocket width, mm': '56.02 56.05 56.08 56.04 56.10 56.06' });
    await finishStep(page);
    await letTimePass(page, '3 days');
    await moveOn(page, 'Bind body');
    await doStep(page, 'Bind body');
    await letTimePass(page, '1 day');
    await moveOn(page, 'Sand body');
    await doStep(page, 'Sand body');
    await expect(page.getByRole('heading', { level: 2, name: 'Pair and give a serial' })).toBeVisible();
  });

  await test.step('necks likewise; one is scrapped', async () => {
    await page.goto(`/batches/${necks}`);
    await doStep(page, 'Cut neck blanks');
    await startStep(page, 'Machine necks');
    await measure(page, { 'Tenon width, mm': '55.93 55.90 55.95 55.94 55.92 55.96' });
    await page
      .getByRole('group', { name: `Outcome of ${necks}-06` })
      .getByRole('button', { name: 'scrap' })
      .click();
    await expect(page.getByText('Say what is wrong with each piece')).toBeVisible();
    await choose(page, `Defect of ${necks}-06`, 'tear-out');
    await expect(page.getByText('5 good · 0 rework · 1 scrap')).toBeVisible();
    await finishStep(page);
    await letTimePass(page, '3 days');
    await moveOn(page, 'Truss rod and fingerboard');
    await doStep(page, 'Truss rod and fingerboard');
    await press(page, 5, 'Glue hardens');
    await letTimePass(page, '1 day');
    await moveOn(page, 'Radius and fret');
    await doStep(page, 'Radius and fret');
    await doStep(page, 'Carve and sand neck');
  });

  await test.step('fitting: five pairs with serials, the sixth body stays in sight', async () => {
    await walkTo(page, 'Fitting');
    const set = page.getByRole('region', { name: new RegExp(`Weirstone: ${bodies} with ${necks}`) });
    await expect(set.getByText('5 in band by choosing', { exact: false })).toBeVisible();
    await set.getByRole('button', { name: 'Fit 5 instruments and give serials' }).click();
    await expect(page).toHaveURL(/\/batches\/B\d+$/);
    await expect(page.getByRole('gridcell', { name: /^26\d{3}WS\d{3}$/ }).first()).toBeVisible();
  });
  const instruments = page.url();
  await walkTo(page, 'Fitting');
  // As unpaired stock, or facing a neck that another batch left over.
  await expect(page.getByRole('main').getByText(bodies).first()).toBeVisible();

  await test.step('finishing: coats, a cure that may not be cut short but for a reason', async () => {
    await page.goto(instruments);
    await doStep(page, 'Glue the neck joint');
    await letTimePass(page, '1 day');
    await moveOn(page, 'Prep sand and fill');
    await doStep(page, 'Prep sand and fill');
    await doStep(page, 'Stain and spray the burst');
    await doStep(page, 'Scrape the binding clean');
    await startStep(page, 'Spray clear coats');
    for (let coat = 1; coat <= 5; coat++) {
      await page.getByRole('button', { name: 'Log coat' }).click();
      await expect(page.getByText(`${coat} of 5 coats logged`)).toBeVisible();
      if (coat === 1) {
        await page.getByRole('button', { name: 'Log coat' }).click();
        await expect(page.getByRole('alert').getByText(/Flashed .* of 20 min/)).toBeVisible();
      }
      if (coat < 5) await letTimePass(page, '1 hour');
    }
    await expect(page.getByText('in window')).toBeVisible();
    await finishStep(page);
    await expect(page.getByRole('heading', { level: 2, name: 'Cure', exact: true })).toBeVisible();
    await expect(page.getByText(/Cured 0\.0 of 14 days at 21 °C/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Move with a reason' }).click();
    const refusal = page.getByRole('dialog', { name: /not now/ });
    await expect(refusal.getByText(/Cured 0\.0 of 14 days/)).toBeVisible();
    await refusal.getByRole('button', { name: 'Close' }).click();
    await letTimePass(page, '1 week');
    await letTimePass(page, '3 days');
    await page.getByRole('button', { name: 'Move with a reason' }).click();
    await page.getByRole('button', { name: 'Override…' }).click();
    await page.getByRole('textbox', { name: 'Reason for the override' }).fill('Witness panel shows no more loss');
    await page.getByRole('button', { name: 'Override', exact: true }).click();
    await expect(page.getByRole('heading', { level: 2, name: 'Level sand', exact: true })).toBeVisible();
    await expect(page.getByRole('region', { name: 'Overrides on record' })).toContainText('Witness panel shows no more loss');
    await doStep(page, 'Level sand');
    await doStep(page, 'Buff');
  });

  await test.step('assembly and final rest', async () => {
    await doStep(page, 'Electrics and hardware');
    const setUp = {
      'Relief at mid-neck, mm': '0.22 0.20 0.24 0.21 0.23',
      'Action at fret 12, bass, mm': '1.8 1.75 1.85 1.8 1.9',
      'Action at fret 12, treble, mm': '1.5 1.45 1.55 1.5 1.5',
    };
    await startStep(page, 'Strings and set-up');
    await measure(page, setUp);
    await finishStep(page);
    await expect(page.getByText(/Rested .* of 7 d/).first()).toBeVisible();
    await letTimePass(page, '1 week');
    await moveOn(page, 'Final inspection');
    await startStep(page, 'Final inspection');
    await measure(page, setUp);
    await finishStep(page);
  });

  let serial = '';
  await test.step('dispatch: each instrument into the ledger', async () => {
    await walkTo(page, 'Dispatch');
    const batchId = /B\d+$/.exec(instruments)?.[0] ?? '';
    await expect(page.getByRole('combobox', { name: `Consignee of ${batchId}` })).toHaveValue('Lantern Street Music');
    const ship = page.getByRole('button', { name: /^Ship 26\d{3}WS/ });
    await expect(ship).toHaveCount(5);
    serial = ((await ship.first().innerText()) ?? '').replace('Ship ', '');
    for (let left = 5; left > 0; left--) {
      await ship.first().click();
      await expect(ship).toHaveCount(left - 1);
    }
    await expect(page.getByRole('grid', { name: 'Ledger' }).getByText(serial)).toBeVisible();
  });

  await test.step('the record shows all of it, back to the lot and its readings', async () => {
    await page.goto(`/records/${serial}`);
    await expect(page.getByRole('status').first()).toContainText('to Lantern Street Music');
    await expect(page.getByRole('region', { name: 'Body', exact: true })).toContainText(lotId);
    await expect(page.getByRole('region', { name: 'Body', exact: true })).toContainText('one of 3');
    await expect(page.getByRole('region', { name: 'Neck', exact: true })).toContainText(`of batch ${necks}, cut from lot L`);
    await expect(page.getByRole('region', { name: 'Overrides on record' })).toContainText('Witness panel');
    await expect(page.getByRole('region', { name: 'Finish' })).toContainText('in window');
    await expect(page.getByRole('region', { name: 'Measures' })).toContainText('Relief at mid-neck');
    await page.getByRole('region', { name: 'Body', exact: true }).getByRole('link', { name: lotId }).click();
    await expect(page.getByRole('region', { name: 'Boards, and what became of them' })).toContainText(serial);
  });

  await test.step('floor and flow tell of the line', async () => {
    await walkTo(page, 'Floor');
    await expect(page.getByRole('group', { name: /joining at fitting/ })).toBeVisible();
    await expect(page.getByRole('link', { name: new RegExp(`^${bodies}, 1 body of Weirstone`) })).toBeVisible();
    await walkTo(page, 'Flow');
    await expect(page.getByRole('status').first()).toContainText(/instruments shipped/);
    await expect(page.getByText(/Little’s law/)).toBeVisible();
  });
});
