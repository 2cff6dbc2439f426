import type { RoomTables } from './database/tables.ts';
import { AccountEntity } from './identity/account.entity.ts';
import { PersonEntity } from './identity/person.entity.ts';
import { FirstPlan1700000000000 } from './migrations/1700000000000-first-plan.ts';
import { SetupPosition1700000000003 } from './migrations/1700000000003-setup-position.ts';
import { Doors1700000000004 } from './migrations/1700000000004-doors.ts';
import { Bench1700000000005 } from './migrations/1700000000005-bench.ts';
import { People1700000000006 } from './migrations/1700000000006-people.ts';
import { Finders1700000000010 } from './migrations/1700000000010-finders.ts';
import { SettingEntity } from './settings/settings.service.ts';

export const platform: RoomTables = {
  rows: [],
  entities: [SettingEntity, PersonEntity, AccountEntity],
  migrations: [
    FirstPlan1700000000000,
    SetupPosition1700000000003,
    Doors1700000000004,
    Bench1700000000005,
    People1700000000006,
    Finders1700000000010,
  ],
};
