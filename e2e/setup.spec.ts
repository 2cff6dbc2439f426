import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { choose, get, searchTable, signIn, violations, walkTo } from './steps.ts';

interface Station {
  code: string;
  places: number;
}

test('a person is added, signs in, gets a skill, and leaves', async ({ page, browser }) => {
  await signIn(page);
  await walkTo(page, 'Setup');
  await page.getByRole('button', { name: 'Add a person' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a person' });
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('Choose a sign-in name')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Sign-in name' }).fill('Wren!');
  await dialog.getByRole('textbox', { name: 'Name', exact: true }).fill('Wren Halloran');
  await dialog.getByLabel('First password').fill('plank vellum harbour');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByRole('alert')).toContainText('small letters');
  await dialog.getByRole('textbox', { name: 'Sign-in name' }).fill('wren');
  await dialog.getByRole('combobox', { name: 'Add a skill' }).fill('rosette inlay');
  await dialog.getByRole('combobox', { name: 'Add a skill' }).press('Enter');
  await choose(page, 'Level', 'teaches it');
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('tab', { name: 'Skills' }).click();
  await searchTable(page, 'rosette');
  await expect(page.getByRole('row', { name: /rosette inlay/ })).toContainText('one person alone');

  const context = await browser.newContext();
  const theirs = await context.newPage();
  await signIn(theirs, 'wren', 'plank vellum harbour');
  await expect(theirs.getByRole('button', { name: 'Wren Halloran' })).toBeVisible();

  await page.getByRole('tab', { name: 'People' }).click();
  await searchTable(page, 'wren');
  await page.getByRole('gridcell', { name: 'Wren Halloran' }).click();
  await page.getByRole('checkbox', { name: 'Works here: may sign in' }).uncheck();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /Wren Halloran/ })).toContainText('left');
  await theirs.reload();
  await expect(theirs.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await context.close();
});

test('a second wheel is put to use, and the floor knows', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Stations');
  const before = (await get<{ stations: Station[] }>(page, '/setup')).stations.find((s) => s.code === 'FN5')?.places ?? 0;
  await searchTable(page, 'FN5');
  const row = page.getByRole('row', { name: /FN5 Buffing/ });
  await row.getByRole('gridcell', { name: 'Buffing' }).click();
  const dialog = page.getByRole('dialog', { name: 'Station FN5' });
  await dialog.getByRole('textbox', { name: 'Benches in use' }).fill('0');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('A whole number above zero')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Benches in use' }).fill(String(before + 1));
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  await expect(row.getByRole('gridcell', { name: String(before + 1), exact: true })).toBeVisible();
  await walkTo(page, 'Finishing');
  const after = (await get<{ stations: Station[] }>(page, '/setup')).stations.find((s) => s.code === 'FN5')?.places;
  expect(after).toBe(before + 1);
});

test('the rules for wood change what every lot is told', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Bands+and+rules');
  await choose(page, 'Band', 'fixed');
  await page.getByRole('spinbutton', { name: 'Fixed band from, %' }).fill('9');
  await page.getByRole('spinbutton', { name: 'Fixed band to, %' }).fill('8');
  await page.getByRole('button', { name: 'Save moisture rules' }).click();
  await expect(page.getByRole('alert')).toContainText('The top of the band lies above its bottom');
  await page.getByRole('spinbutton', { name: 'Fixed band from, %' }).fill('6');
  await page.getByRole('button', { name: 'Save moisture rules' }).click();
  await expect(page.getByRole('button', { name: 'Save moisture rules' })).toBeDisabled();
  await walkTo(page, 'Wood room');
  await page
    .getByRole('img', { name: /^Lot L\d+: band 6\.0 to 8\.0 %/ })
    .first()
    .click();
  await expect(page.getByRole('status').first()).toContainText('6.0–8.0 %');
  await page.goto('/setup?tab=Bands+and+rules');
  await choose(page, 'Band', 'follows the shop’s EMC');
  await page.getByRole('button', { name: 'Save moisture rules' }).click();
  await expect(page.getByRole('button', { name: 'Save moisture rules' })).toBeDisabled();
});

test('the register of species: what is typed stays when somebody else saves, and neither is overwritten', async ({ page, browser }) => {
  const other = await (await browser.newContext()).newPage();
  const dialogOf = (someone: Page, name: string) => someone.getByRole('dialog', { name });
  for (const someone of [page, other]) {
    await signIn(someone);
    await someone.goto('/setup?tab=Species');
    await someone.getByRole('gridcell', { name: 'mahogany', exact: true }).click();
    await dialogOf(someone, 'mahogany').getByRole('checkbox', { name: 'Our meters’ handbooks correct it' }).check();
  }
  const own = dialogOf(page, 'mahogany');
  const theirs = dialogOf(other, 'mahogany');
  await theirs.getByRole('textbox', { name: 'Pin a' }).fill('1,1');
  await theirs.getByRole('button', { name: 'Save' }).click();
  await expect(theirs).toBeHidden();
  await own.getByRole('textbox', { name: 'Density, g/cm³' }).fill('heavy');
  await own.getByRole('button', { name: 'Save' }).click();
  await expect(own.getByText('Type a figure')).toBeVisible();
  await own.getByRole('textbox', { name: 'Density, g/cm³' }).fill('0.55');
  await own.getByRole('button', { name: 'Save' }).click();
  await expect(own.getByRole('alert')).toContainText('changed by someone else');
  await expect(own.getByRole('textbox', { name: 'Density, g/cm³' })).toHaveValue('0.55');
  expect(await violations(page)).toEqual([]);
  await own.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('gridcell', { name: 'a 1.1, b 0; pinless reads 0 over' })).toBeVisible();
  await page.getByRole('gridcell', { name: 'mahogany', exact: true }).click();
  await own.getByRole('checkbox', { name: 'Our meters’ handbooks correct it' }).uncheck();
  await own.getByRole('button', { name: 'Save' }).click();
  await expect(own).toBeHidden();
  await expect(other.getByRole('gridcell', { name: /pinless reads/ })).toBeHidden();
  await other.context().close();
});

test('a defect of the house’s own is offered at its stage before others, and taken out again', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Defects');
  await page.getByRole('button', { name: 'Add a defect' }).click();
  const dialog = page.getByRole('dialog', { name: 'Add a defect' });
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByText('Type what it is')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'What can be wrong' }).fill('Crack');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog.getByRole('alert')).toContainText('"Crack" stands there twice');
  await dialog.getByRole('textbox', { name: 'What can be wrong' }).fill('scorch mark');
  await dialog.getByRole('combobox', { name: 'Usually comes from' }).click();
  await page.getByRole('option', { name: 'Bodies' }).click();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
  const { settings } = await get<{ settings: { defects: { name: string; stages: string[] }[] } }>(page, '/factory');
  expect(settings.defects.at(-1)).toEqual({ name: 'scorch mark', stages: ['bodies'] });
  await searchTable(page, 'scorch');
  await page.getByRole('gridcell', { name: 'scorch mark' }).click();
  await page.getByRole('dialog', { name: 'scorch mark' }).getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByRole('gridcell', { name: 'scorch mark' })).toBeHidden();
});

test('a kiln schedule is written, told what cannot work, and kept', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Bands+and+rules');
  const kilns = page.getByRole('region', { name: 'How kilns and cabinets dry' });
  await kilns.getByRole('button', { name: 'Add a schedule' }).click();
  const dialog = page.getByRole('dialog', { name: 'A schedule' });
  await dialog.getByRole('textbox', { name: 'Name' }).fill('Boards for tops');
  await dialog.getByRole('button', { name: 'Add a step' }).click();
  const second = dialog.getByRole('group', { name: 'Step 2' });
  await second.getByRole('spinbutton', { name: 'From %' }).fill('22');
  await expect(dialog.getByText('Step 1 begins at 20 %, which is not above its end, 22 %')).toBeVisible();
  await second.getByRole('spinbutton', { name: 'From %' }).fill('14');
  await second.getByRole('spinbutton', { name: '°C' }).fill('33');
  await second.getByRole('spinbutton', { name: 'Humidity %' }).fill('40');
  await expect(second.getByText('EMC 7.4 %')).toBeVisible();
  await dialog.getByRole('checkbox', { name: /Condition at the end/ }).check();
  await dialog.getByRole('spinbutton', { name: 'Hours' }).fill('36');
  expect(await violations(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Save schedule' }).click();
  await expect(dialog).toBeHidden();
  await expect(kilns.getByText('Boards for tops: from 20 to 9 % in 2 steps, then 36 h of conditioning')).toBeVisible();
  await kilns.getByRole('button', { name: 'Drop Boards for tops' }).click();
  await expect(kilns.getByText('Boards for tops')).toBeHidden();
});

test('a serial pattern that would repeat is told before it does harm', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Bands+and+rules');
  const pattern = page.getByRole('textbox', { name: 'Pattern' });
  const old = await pattern.inputValue();
  await pattern.fill('{MODEL}{SEQ3}');
  await page.getByRole('button', { name: 'Save pattern' }).click();
  await expect(page.getByRole('alert')).toContainText(/repeats unless/);
  await expect(pattern).toHaveValue('{MODEL}{SEQ3}');
  await page.reload();
  await expect(pattern).toHaveValue(old);
});

test('a calendar program is given an address that works', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Calendar');
  await page.getByRole('button', { name: 'Make a new feed address' }).click();
  const address = await page.getByRole('link', { name: /\.ics$/ }).innerText();
  const feed = await page.request.get(address);
  expect(feed.headers()['content-type']).toContain('text/calendar');
  expect(await feed.text()).toMatch(/^BEGIN:VCALENDAR/);
});

test('the working time gets a break, a night and a holiday, and says what cannot be', async ({ page }) => {
  await signIn(page);
  await page.goto('/setup?tab=Working+time');
  const save = page.getByRole('button', { name: 'Save working time' });
  await expect(save).toBeDisabled();
  await page.getByRole('button', { name: 'Add a break' }).click();
  await page.getByLabel('Break from').fill('16:00');
  await page.getByLabel('to', { exact: true }).fill('16:30');
  await save.click();
  await expect(page.getByRole('alert')).toContainText('The break from 16:00 to 16:30 does not lie in its shift');
  await page.getByLabel('Break from').fill('12:00');
  await page.getByLabel('to', { exact: true }).fill('12:30');
  await page.getByRole('button', { name: 'Add a holiday' }).click();
  await page.getByRole('group', { name: 'Holiday 1' }).getByRole('spinbutton', { name: 'Day' }).click();
  await page.keyboard.type('25Dec2026');
  await page.getByRole('button', { name: 'Add a shift' }).click();
  const second = page.getByRole('region', { name: 'Second shift' });
  await second.getByLabel('Begins').fill('22:00');
  await second.getByLabel('Ends').fill('06:00');
  expect(await violations(page)).toEqual([]);
  await save.click();
  await expect(save).toBeDisabled();
  await page.reload();
  await expect(second.getByLabel('Ends')).toHaveValue('06:00');
  await expect(page.getByRole('group', { name: 'Holiday 1' })).toContainText(/25.*Dec.*2026/);
  // Others walk on with one shift.
  await page.getByRole('button', { name: 'Drop this shift' }).click();
  await save.click();
  await expect(save).toBeDisabled();
});
