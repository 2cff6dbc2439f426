import { Injectable } from '@nestjs/common';
import { DataSource, Entity, PrimaryColumn, type EntityManager } from 'typeorm';
import { Json } from '../database/columns.ts';
import { DEFAULT_SETTINGS, type Settings } from './settings.ts';

@Entity('setting')
export class SettingEntity {
  @PrimaryColumn('text') key: string;
  @Json() value: object;
}

@Injectable()
export class SettingsService {
  constructor(private readonly database: DataSource) {}

  async all(manager: EntityManager = this.database.manager): Promise<Settings> {
    const rows = await manager.find(SettingEntity);
    return {
      ...DEFAULT_SETTINGS,
      ...(Object.fromEntries(rows.map((r) => [r.key, r.value])) as Partial<Settings>),
    };
  }

  async get<K extends keyof Settings>(key: K, manager: EntityManager = this.database.manager): Promise<Settings[K]> {
    const row = await manager.findOneBy(SettingEntity, { key });
    return row ? (row.value as Settings[K]) : DEFAULT_SETTINGS[key];
  }

  async set<K extends keyof Settings>(manager: EntityManager, key: K, value: Settings[K]): Promise<void> {
    await manager.save(SettingEntity, { key, value });
  }
}
