import type { DataSource } from 'typeorm';

/** Takes a migration back, and all that came after it. */
export async function undoThrough(owner: DataSource, name: string): Promise<void> {
  const names = owner.migrations.map((m) => m.name ?? '');
  const back = names.length - names.indexOf(name);
  for (let i = 0; i < back; i++) await owner.undoLastMigration();
}
