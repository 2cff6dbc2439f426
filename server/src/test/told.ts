import { ownerDataSource } from '../database.ts';
import { allRoutes } from '../factory/allRoutes.ts';
import { rebuild, type Comparison, type RebuildOptions } from '../logbook/rebuild.ts';
import { ROW_TABLES } from '../tables.ts';

/** Tells the logbook of the test's database again, and compares. */
export async function told(options?: RebuildOptions): Promise<Comparison> {
  const owner = await ownerDataSource().initialize();
  try {
    return await rebuild(owner, ROW_TABLES, allRoutes, options);
  } finally {
    await owner.destroy();
  }
}
