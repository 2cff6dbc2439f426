import 'reflect-metadata';
import { migrate, ownerDataSource } from './database.ts';
import { allRoutes } from './factory/allRoutes.ts';
import { rebuild } from './logbook/rebuild.ts';
import { checkSeals, headsFile, readHeads } from './logbook/seal.ts';
import { ROW_TABLES } from './tables.ts';

// Replays the logbook and compares what follows from it with the tables; with --write, puts the tables right.
await migrate();
const database = await ownerDataSource().initialize();
try {
  const { seals, sealed, broken } = await checkSeals(database.manager, readHeads(headsFile()));
  if (broken) {
    const { seal, why } = broken;
    console.log(`Tampered with from block ${seal.number} on (entries ${seal.firstId} to ${seal.lastId}): ${why}`);
    process.exitCode = 1;
  } else console.log(`${seals} seals hold, over ${sealed} entries`);
  const startedMs = Date.now();
  const write = process.argv.includes('--write');
  const { entries, differences, first } = await rebuild(database, ROW_TABLES, allRoutes, { write });
  const peakMb = process.resourceUsage().maxRSS / 1024;
  console.log(
    `${entries} entries replayed in ${((Date.now() - startedMs) / 1000).toFixed(1)} s and ${peakMb.toFixed(0)} MB; ${differences} differences`,
  );
  for (const d of first) console.log(`  ${d.kind} ${d.key}: ${d.what}`);
  if (write) console.log('The tables of rows have been written anew from the logbook.');
  else if (differences > 0) process.exitCode = 1;
} finally {
  await database.destroy();
}
