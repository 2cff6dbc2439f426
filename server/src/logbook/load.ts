import { AskSet, Rows, type Ask, type Concerns, type RowKind } from '@ample-crane/core';
import type pg from 'pg';
import type { DataSource } from 'typeorm';
import { prepared } from '../platform/database/prepared.ts';
import { selectEach, selectRows } from '../platform/database/rows.ts';
import type { RowTables } from '../platform/database/tables.ts';
import { Passing } from '../platform/database/transaction.ts';
import { notFound } from '../platform/problems/problems.ts';

/** How often more may be asked for: a command that still asks then is wrong. */
const MOST_ROUNDS = 4;

const ALONE = 'select pg_advisory_xact_lock(hashtextextended(name, 0)) from unnest($1::text[]) as names (name)';

/** Reads and locks what a command concerns, the same way for every command. */
export class Loader {
  readonly rows = new Rows();
  private readonly asked = new AskSet();

  /** @param tables every kind of row, in the one order in which rows are locked */
  constructor(
    private readonly database: DataSource,
    private readonly client: pg.ClientBase,
    private readonly tables: RowTables,
  ) {}

  /**
   * Locks what a command is about and what that stands under, kind by kind in one order for all commands and by key
   * within a kind, so that no two wait for each other in a ring; then reads what belongs to it.
   *
   * @throws Problem 404 when something it is about does not exist
   * @throws Passing when something was moved under something else meanwhile: to be tried again
   */
  async load({ about, making = [], reads }: Concerns): Promise<Rows> {
    await this.alone(making);
    const wanted = await this.withParents([...about, ...making]);
    const locked: { kind: RowKind<never>; row: never }[] = [];
    for (const { kind, entity } of this.tables.all) {
      const keys = [...(wanted.get(kind) ?? [])].sort();
      const rows = (await selectRows(this.source, entity, kind.key, keys, { lock: true })) as never[];
      for (const row of rows) {
        this.rows.load(kind, row);
        locked.push({ kind, row });
      }
      this.asked.add({ kind, field: kind.key, values: keys });
    }
    for (const ask of about) this.mustExist(ask);
    for (const { kind, row } of locked)
      if (kind.under(row).some((ask) => ask.values.some((key) => !wanted.get(ask.kind)?.has(key)))) throw new Passing();
    await this.read(locked.flatMap(({ kind, row }) => kind.alongWith(row)));
    if (reads)
      for (let round = 0; await this.read(reads(this.rows)); round++) if (round === MOST_ROUNDS) throw new Error('It asks without end');
    return this.rows;
  }

  /** Nobody else makes these rows until the command is done: before anything is locked, and in one order. */
  private async alone(making: readonly Ask[]): Promise<void> {
    const names = making.flatMap(({ kind, values }) => values.map((key) => `${kind.name}/${key}`)).sort();
    if (names.length > 0) await this.client.query(prepared(ALONE, [names]));
  }

  private get source() {
    return { database: this.database, client: this.client };
  }

  /** The keys to lock, those included that what is named stands under: looked up before anything is locked. */
  private async withParents(about: readonly Ask[]): Promise<Map<RowKind<never>, Set<string>>> {
    const wanted = new Map<RowKind<never>, Set<string>>();
    const add = ({ kind, values }: Ask) => wanted.set(kind, new Set([...(wanted.get(kind) ?? []), ...values]));
    about.forEach(add);
    // From the children up: a parent that has parents of its own comes before its children.
    for (const { kind, entity } of [...this.tables.all].reverse()) {
      const keys = wanted.get(kind);
      if (!keys || !kind.hasParents) continue;
      for (const row of (await selectRows(this.source, entity, kind.key, [...keys])) as never[]) kind.under(row).forEach(add);
    }
    return wanted;
  }

  /** Reads what was not asked for before. @returns whether there was anything to ask */
  async read(asks: readonly Ask[]): Promise<boolean> {
    const fresh = this.asked.freshOf(asks);
    const wanted = fresh.all.map((ask) => ({
      ...ask,
      entity: this.tables.entityOf(ask.kind),
      property: ask.field,
      order: ask.kind.key,
    }));
    const found = await selectEach(this.source, wanted);
    wanted.forEach(({ kind, field, values }, i) => {
      this.asked.add({ kind, field, values });
      // What is locked, and so loaded, already stays as it is.
      for (const row of found[i] ?? []) if (!this.rows.find(kind, kind.keyOf(row as never))) this.rows.load(kind, row as never);
    });
    return !fresh.isEmpty;
  }

  private mustExist({ kind, values }: Ask): void {
    const missing = values.find((key) => !this.rows.find(kind, key));
    if (missing !== undefined) throw notFound(kind.name, missing);
  }
}
