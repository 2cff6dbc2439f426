import type { RoomTables } from './database/tables.ts';
import { AccountEntity } from './identity/account.entity.ts';
import { PersonEntity } from './identity/person.entity.ts';
import { SettingEntity } from './settings/settings.service.ts';

export const platform: RoomTables = {
  rows: [],
  entities: [SettingEntity, PersonEntity, AccountEntity],
};
