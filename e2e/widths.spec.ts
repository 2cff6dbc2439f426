import { expect, type Page } from '@playwright/test';
import { test } from './factory.ts';
import { get, signIn } from './steps.ts';

/** Every screen there is, with something on it. */
async function addresses(page: Page): Promise<string[]> {
  const first = async (path: string) => (await get<{ rows: { id: string; serial: string }[] }>(page, path)).rows[0];
  const lots = await get<{ id: string }[]>(page, '/lots');
  const batch = await first('/batches?size=50');
  const record = await first('/instruments?size=50');
  const routes = await get<{ id: string }[]>(page, '/routes');
  const route = routes[0]?.id ?? '';
  return [
    ...['/', '/floor', '/flow', '/flow?by=policy', '/orders', '/records', `/records/${record?.serial ?? ''}`],
    ...['', '?tab=Fixtures+and+kits', '?tab=Models', '?tab=Glues', '?tab=Bands+and+rules', '?tab=Working+time', '?tab=Factory'].map(
      (tab) => `/setup${tab}`,
    ),
    ...['/setup/devices', '/setup/routes', `/setup/routes/${route}`, `/setup/routes/${route}/compare`],
    ...['/stations', '/station/FN2', '/carriers/R01', `/batches/${batch?.id ?? ''}`, '/sums'],
    ...['', '/walk', '/air', '/stock', '/cutting'].map((part) => `/wood-room${part}`),
    `/lots/${lots[0]?.id ?? ''}`,
    ...[
      'rough-mill',
      'rough-mill/clamps',
      'bodies/clamps',
      'machining',
      'machining/programs',
      'machining/cutters',
      'machining/dimensions',
      'necks',
      'bodies',
      'fitting',
      'finishing',
      'assembly',
      'final-rest',
      'dispatch',
    ].map((s) => `/${s}`),
  ];
}

/** What stands out of the window to the right and cannot be scrolled to where it is: its text, or what it is. */
const standsOut = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const scrolls = (element: Element) => ['auto', 'scroll', 'hidden', 'clip'].includes(getComputedStyle(element).overflowX);
    const isHeld = (element: Element): boolean => {
      for (let up = element.parentElement; up && up.id !== 'screen' && up !== document.body; up = up.parentElement)
        if (scrolls(up)) return true;
      return false;
    };
    const rail = document.querySelector('nav');
    const cut = rail && rail.scrollWidth > rail.clientWidth ? ['the walk is cut off'] : [];
    const out = [...document.querySelectorAll('body *')].flatMap((element) => {
      const { right, width, height } = element.getBoundingClientRect();
      if (right <= window.innerWidth + 1 || width === 0 || height === 0) return [];
      if (getComputedStyle(element).visibility === 'hidden' || isHeld(element)) return [];
      return [`${element.tagName.toLowerCase()} ${(element.textContent ?? '').trim().slice(0, 60)}`];
    });
    return [...cut, ...out];
  });

for (const [width, height] of [
  [390, 844],
  [768, 1024],
  [1024, 768],
  [1280, 800],
] as const)
  test(`no screen is cut off at ${width} × ${height}`, async ({ page }) => {
    test.setTimeout(180_000);
    await page.setViewportSize({ width, height });
    await signIn(page);
    for (const address of await addresses(page)) {
      await page.goto(address);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(page.locator('.MuiSkeleton-root')).toHaveCount(0);
      // A chart takes its width a moment after it is drawn.
      await expect.poll(() => standsOut(page), { message: address }).toEqual([]);
    }
  });

test('on a telephone the walk lies behind one button', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page);
  await expect(page.getByRole('navigation', { name: 'The walk' })).toBeHidden();
  await page.getByRole('button', { name: 'Walk', exact: true }).click();
  await page.getByRole('navigation', { name: 'The walk' }).getByRole('link', { name: 'Necks', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Necks' })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'The walk' })).toBeHidden();
});
