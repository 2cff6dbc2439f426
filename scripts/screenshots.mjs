import { mkdirSync } from 'node:fs';
import { build } from './lib/build.mjs';
import { ensurePackages } from './lib/install.mjs';
import { freePort } from './lib/port.mjs';
import { main, ROOT, Stop } from './lib/run.mjs';
import { startServer } from './lib/server.mjs';

// Pictures of the main views, made from demo data at a fixed time of the factory's clock.
// Names after -- take only those; SHOTS_DIR and SHOTS_SIZE=390x844 serve for a look at other sizes.
const CLOCK_AT = '2026-11-17T07:10:00Z';
const OUT = process.env.SHOTS_DIR ?? `${ROOT}/docs/screenshots`;
const [width, height] = (process.env.SHOTS_SIZE ?? '1280x800').split('x').map(Number);

const VIEWS = [
  ['morning', '/'],
  ['floor', '/floor'],
  ['wood-room', '/wood-room'],
  ['lot', '/wood-room', (page) => page.getByRole('row').filter({ hasText: 'L200' }).getByRole('gridcell').nth(1).click()],
  ['stock', '/wood-room/stock'],
  [
    'cutting-plan',
    '/wood-room/cutting/new',
    async (page) => {
      await page.getByRole('button', { name: 'Plan the cuts' }).click();
      await page.getByRole('button', { name: 'Keep the plan' }).waitFor();
    },
  ],
  ['bench-sums', '/sums/movement'],
  ['machining', '/machining'],
  ['programs', '/machining/programs'],
  ['dimensions', '/machining/dimensions'],
  ['fitting', '/fitting'],
  ['finishing', '/finishing'],
  ['clamps', '/bodies/clamps'],
  [
    'batch-card',
    '/finishing',
    (page) =>
      page
        .getByRole('link', { name: /^B\d+$/ })
        .first()
        .click(),
  ],
  [
    'record',
    '/dispatch',
    (page) => page.getByRole('grid', { name: 'Ledger' }).getByRole('row').nth(3).getByRole('gridcell').nth(1).click(),
  ],
  ['orders', '/orders'],
  ['flow', '/flow?days=60'],
  ['route-desk', '/setup/routes/headwater-1'],
  ['station', '/station/FN5'],
];

await main(async () => {
  await ensurePackages();
  await build();
  const [{ throwAwayCluster }, { ensureChromium }, { chromiumLaunch }, { chromium }] = await Promise.all([
    import('./lib/cluster.mjs'),
    import('./lib/debian.mjs'),
    import('./lib/chromium.mjs'),
    import('@playwright/test'),
  ]);
  const wanted = process.argv.slice(2).filter((a) => a !== '--');
  const views = VIEWS.filter(([name]) => wanted.length === 0 || wanted.includes(name));
  if (views.length === 0) throw new Stop(`No such view. There are: ${VIEWS.map(([name]) => name).join(', ')}`);
  mkdirSync(OUT, { recursive: true });
  const cluster = await throwAwayCluster();
  let server;
  let browser;
  try {
    const port = await freePort();
    server = await startServer({ ...cluster.env(), PORT: String(port), CLOCK_AT });
    browser = await chromium.launch(chromiumLaunch(await ensureChromium()));
    const page = await browser.newPage({
      baseURL: `http://127.0.0.1:${port}`,
      viewport: { width, height },
      colorScheme: 'light',
    });
    page.on('console', (message) => message.type() === 'error' && console.error(`  console: ${message.text()}`));
    page.on('pageerror', (error) => console.error(`  page: ${error.message}`));
    await page.goto('/');
    await page.getByLabel('Sign-in name').fill('manager');
    await page.getByLabel('Password').fill('heron-lane');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: 'Morning' }).waitFor();
    for (const [name, path, act] of views) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForLoadState('load');
      if (act) await act(page);
      await page.waitForTimeout(900);
      await page.screenshot({ path: `${OUT}/${name}.png` });
      console.log(`${name}.png`);
    }
  } finally {
    await browser?.close();
    await server?.stop();
    await cluster.stop();
  }
});
