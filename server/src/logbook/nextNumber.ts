import type { EntityManager } from 'typeorm';

/** The next free number, one command at a time. */
export async function nextNumber(manager: EntityManager, table: 'batch' | 'lot' | 'customer_order'): Promise<number> {
  await manager.query('select pg_advisory_xact_lock(hashtext($1))', [`number of ${table}`]);
  const rows: { next: number }[] = await manager.query(`select coalesce(max(number), 0) + 1 as next from ${table}`);
  return rows[0]?.next ?? 1;
}
