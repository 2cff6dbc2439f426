import 'reflect-metadata';
import { migrate, ownerDataSource } from './database.ts';
import { isEmpty, loadDemo } from './demo/load.ts';
import { allRoutes } from './factory/allRoutes.ts';
import { demoMorning } from './demo/morning.ts';
import { retell } from './logbook/retell.ts';
import { FactoryClock } from './platform/clock/clock.ts';
import { ROW_TABLES } from './tables.ts';

// Brings the database up to date, and fills an empty one with the demo factory: as its owner, before the server starts.
const wantsDemo = process.env['DEMO'] !== '0';

async function prepare(): Promise<void> {
  await migrate();
  const owner = await ownerDataSource().initialize();
  try {
    const told = await retell(owner, ROW_TABLES, allRoutes);
    if (told !== null && told > 0) console.log(`Told anew from the logbook: ${told} entries`);
    if (!wantsDemo || !(await isEmpty(owner))) return;
    const startedMs = Date.now();
    const nowMs = new FactoryClock().nowMs();
    const { entries } = await loadDemo(owner, demoMorning(nowMs), nowMs);
    console.log(`Demo factory loaded: ${entries} logbook entries in ${((Date.now() - startedMs) / 1000).toFixed(1)} s`);
  } finally {
    await owner.destroy();
  }
}

try {
  await prepare();
} catch (error) {
  // A failed query carries all its parameters; its message is what helps.
  console.error(error instanceof Error ? `${error.name}: ${error.message}` : error);
  process.exit(1);
}
