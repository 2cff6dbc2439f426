import type { DataSource } from 'typeorm';
import { poolOf } from '../platform/database/pool.ts';

/** What one statement read to be answered. */
export interface Read {
  sql: string;
  /** how many rows of each table were looked at */
  tables: ReadonlyMap<string, number>;
}

interface Plan {
  'Relation Name'?: string;
  'Actual Rows': number;
  'Actual Loops': number;
  'Rows Removed by Filter'?: number;
  'Rows Removed by Index Recheck'?: number;
  Plans?: Plan[];
}

/**
 * Set before anybody connects: every statement tells its plan, and what became of it. Where an index leads it is taken:
 * here half of a table is open, and reading it whole would cost little.
 */
export const TELL_PLANS = {
  enable_seqscan: 'off',
  session_preload_libraries: 'auto_explain',
  'auto_explain.log_min_duration': '0',
  'auto_explain.log_analyze': 'on',
  'auto_explain.log_timing': 'off',
  'auto_explain.log_format': 'json',
  'auto_explain.log_level': 'notice',
  'auto_explain.log_nested_statements': 'on',
};

/** Listens to the plans of whatever a data source asks. */
export class PlanWatch {
  private reads: Read[] = [];

  static async of(database: DataSource): Promise<PlanWatch> {
    const watch = new PlanWatch(database);
    // Only connections made from now on are listened to.
    await database
      .query('select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()')
      .catch(() => undefined);
    return watch;
  }

  private constructor(database: DataSource) {
    poolOf(database).on('connect', (client) =>
      client.on('notice', ({ message }) => {
        const at = message?.indexOf('plan:\n') ?? -1;
        if (message === undefined || at < 0) return;
        const told = JSON.parse(message.slice(at + 'plan:\n'.length)) as { 'Query Text': string; Plan: Plan };
        const tables = new Map<string, number>();
        count(told.Plan, tables);
        this.reads.push({ sql: told['Query Text'], tables });
      }),
    );
  }

  /** Does something, and tells what was read meanwhile. */
  async during<T>(act: () => Promise<T>): Promise<{ answer: T; reads: readonly Read[] }> {
    this.reads = [];
    const answer = await act();
    return { answer, reads: this.reads };
  }
}

/** Rows looked at, whether or not they were of use. */
function count(plan: Plan, tables: Map<string, number>): void {
  const table = plan['Relation Name'];
  if (table !== undefined) {
    const each = plan['Actual Rows'] + (plan['Rows Removed by Filter'] ?? 0) + (plan['Rows Removed by Index Recheck'] ?? 0);
    tables.set(table, (tables.get(table) ?? 0) + each * plan['Actual Loops']);
  }
  for (const inner of plan.Plans ?? []) count(inner, tables);
}
