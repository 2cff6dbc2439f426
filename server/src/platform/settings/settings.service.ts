import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { DataSource, Entity, PrimaryColumn, type EntityManager } from 'typeorm';
import { Json } from '../database/columns.ts';
import { stale } from '../problems/problems.ts';
import { DEFAULT_SETTINGS, type Settings } from './settings.ts';

@Entity('setting')
export class SettingEntity {
  @PrimaryColumn('text') key: string;
  @Json() value: object;
}

/** A short name for what a setting holds: another value, another tag. */
export const tagOf = (value: object): string => createHash('sha256').update(JSON.stringify(value)).digest('base64url').slice(0, 16);

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

  /**
   * Replaces a setting that someone has edited.
   *
   * @param seen the tag of the setting as it was when the edit began; left out by those who mean to overwrite
   * @returns what it was
   * @throws Problem 409 when it has been changed since it was seen
   */
  async replace<K extends keyof Settings>(
    manager: EntityManager,
    key: K,
    value: Settings[K],
    { what, seen }: { what: string; seen: string | undefined },
  ): Promise<Settings[K]> {
    // A setting nobody has touched has no row that could be locked.
    await manager.query('select pg_advisory_xact_lock(hashtext($1))', [`setting ${key}`]);
    const before = await this.get(key, manager);
    if (seen !== undefined && seen !== tagOf(before)) throw stale(what, before);
    await this.set(manager, key, value);
    return before;
  }

  async set<K extends keyof Settings>(manager: EntityManager, key: K, value: Settings[K]): Promise<void> {
    await manager.save(SettingEntity, { key, value });
  }
}
