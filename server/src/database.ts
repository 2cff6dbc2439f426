import { DataSource } from 'typeorm';
import { APPLICATION_ROLE, FirstPlan1700000000000 } from './migrations/1700000000000-first-plan.ts';
import { Routes1700000000001 } from './migrations/1700000000001-routes.ts';
import { Wood1700000000002 } from './migrations/1700000000002-wood.ts';
import { SetupPosition1700000000003 } from './migrations/1700000000003-setup-position.ts';
import { Doors1700000000004 } from './migrations/1700000000004-doors.ts';
import { Bench1700000000005 } from './migrations/1700000000005-bench.ts';
import { People1700000000006 } from './migrations/1700000000006-people.ts';
import { applicationConnection, ownerConnection } from './platform/database/connection.ts';
import { ENTITIES } from './tables.ts';

const classes = {
  entities: ENTITIES,
  migrations: [
    FirstPlan1700000000000,
    Routes1700000000001,
    Wood1700000000002,
    SetupPosition1700000000003,
    Doors1700000000004,
    Bench1700000000005,
    People1700000000006,
  ],
};

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
