import { DataSource } from 'typeorm';
import { applicationConnection, ownerConnection } from './platform/database/connection.ts';
import { APPLICATION_ROLE } from './platform/migrations/1700000000000-first-plan.ts';
import { ENTITIES, MIGRATIONS } from './tables.ts';

const classes = { entities: ENTITIES, migrations: MIGRATIONS };

/** As the server works: it may only append to the logbook. */
export const applicationOptions = () => applicationConnection(classes, APPLICATION_ROLE);

/** As the owner: for migrations, the demo's history and the rebuild. */
export const ownerDataSource = () => new DataSource(ownerConnection(classes));

/** Brings the database to the present plan. */
export async function migrate(): Promise<void> {
  const owner = await ownerDataSource().initialize();
  try {
    await owner.runMigrations({ transaction: 'all' });
  } finally {
    await owner.destroy();
  }
}
