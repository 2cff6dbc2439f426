import { createHash, randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import {
  type Ask,
  type Concerns,
  type EntryName,
  LEDGER,
  type NewEntry,
  type Payloads,
  RouteBook,
  type Routes,
  type Rows,
  type Subject,
} from '@ample-crane/core';
import type pg from 'pg';
import { DataSource, type EntityManager } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { prepared } from '../platform/database/prepared.ts';
import { upsertAndNotify } from '../platform/database/rows.ts';
import { RowTables } from '../platform/database/tables.ts';
import { inTransaction } from '../platform/database/transaction.ts';
import { topicsOf } from './topics.ts';
import type { ShopChange } from '../platform/events/change.ts';
import { CHANNEL } from '../platform/events/events.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { Problem } from '../platform/problems/problems.ts';
import { Loader } from './load.ts';
import { LogbookEntity } from './logbook.entity.ts';

export interface Command {
  name: string;
  /** what was asked, to tell a repeat from another request under the same key */
  request: object;
  concerns: Concerns;
  /** the factory as it is set up, for entries that ask something of it */
  factory?: Routes;
}

/** One command's work: what it sees and how it writes. */
export interface UnitOfWork {
  manager: EntityManager;
  nowMs: number;
  /** what the command concerns, and what has been read since */
  rows: Rows;
  /** The same for what a command decided, whose kind says what it says. */
  write(kind: string, subject: Subject, payload: unknown, atMs: number): void;
  /** Reads more rows, as they are now. */
  read(...asks: Ask[]): Promise<Rows>;
  actor: Actor;
  record<K extends EntryName>(kind: K, subject: Subject, payload: Payloads[K], atMs?: number): void;
}

/** For commands whose entries ask nothing of the factory. */
const NOWHERE = new RouteBook(new Map());

@Injectable()
export class LogbookService {
  constructor(
    private readonly database: DataSource,
    private readonly clock: Clock,
    private readonly tables: RowTables,
  ) {}

  /**
   * Runs a command in one transaction: lock, judge, append to the logbook, bring the state up to date, tell.
   * The same request under the same Idempotency-Key is carried out once and answered alike.
   */
  async perform<T extends object>(actor: Actor, command: Command, work: (unit: UnitOfWork) => T | Promise<T>): Promise<T> {
    return inTransaction(this.database, async (transaction) => {
      const { manager, client } = transaction;
      const earlier = await this.claimReceipt(client, actor, command);
      if (earlier) return earlier as T;
      const loader = new Loader(this.database, client, this.tables);
      const rows = await loader.load(command.concerns);
      const factory = command.factory ?? NOWHERE;
      const nowMs = this.clock.nowMs();
      const entries: NewEntry[] = [];
      const write = (kind: string, subject: Subject, payload: unknown, atMs: number) => {
        const entry = newEntry(actor, kind as EntryName, subject, payload as Payloads[EntryName], atMs);
        LEDGER.apply(rows, entry, factory);
        entries.push(entry);
      };
      const answer = await work({
        manager,
        nowMs,
        rows,
        read: async (...asks) => {
          await loader.read(asks);
          return rows;
        },
        actor,
        record: (kind, subject, payload, atMs = nowMs) => write(kind, subject, payload, atMs),
        write,
      });
      if (actor.idempotencyKey !== null)
        await client.query(
          prepared('update command_receipt set response = $3 where person_id = $1 and key = $2', [
            actor.personId,
            actor.idempotencyKey,
            JSON.stringify(answer),
          ]),
        );
      const logged = { entity: LogbookEntity, rows: entries.map((entry) => ({ ...entry, recordedMs: nowMs })), numbered: true };
      const touched = this.tables.all.map(({ kind, entity }) => ({
        kind,
        entity,
        rows: rows.takeTouched(kind),
        sums: kind.sums,
        gone: rows.takeDropped(kind),
      }));
      const change: ShopChange = { id: randomUUID(), topics: topicsOf(touched, entries) };
      await transaction.commitWith(upsertAndNotify(this.database, [logged, ...touched], CHANNEL, change));
      actor.hear?.(change);
      return answer;
    });
  }

  /** Tells every listener, once this transaction is committed. */
  async tell(manager: EntityManager, topics: ShopChange['topics']): Promise<void> {
    await manager.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify({ topics })]);
  }

  private async claimReceipt(client: pg.ClientBase, actor: Actor, command: Command): Promise<object | undefined> {
    if (actor.idempotencyKey === null) return undefined;
    const requestHash = createHash('sha256')
      .update(`${command.name}\n${JSON.stringify(command.request)}`)
      .digest('hex');
    const claimed = await client.query(
      prepared(
        'insert into command_receipt (person_id, key, request_hash, at) values ($1, $2, $3, now()) on conflict do nothing returning key',
        [actor.personId, actor.idempotencyKey, requestHash],
      ),
    );
    if (claimed.rows.length > 0) return undefined;
    const { rows } = await client.query<{ request_hash: string; response: object }>(
      prepared('select request_hash, response from command_receipt where person_id = $1 and key = $2', [
        actor.personId,
        actor.idempotencyKey,
      ]),
    );
    const [receipt] = rows;
    if (receipt?.request_hash !== requestHash)
      throw new Problem(422, 'key-reused', 'Key used before', 'This Idempotency-Key was used for another request.');
    return receipt.response;
  }
}

function newEntry<K extends EntryName>(actor: Actor, kind: K, subject: Subject, payload: Payloads[K], atMs: number): NewEntry {
  // A generic kind and its payload cannot be tied together in the union; this function's signature does it.
  return {
    kind,
    atMs: Math.round(atMs),
    personId: actor.personId,
    lotId: subject.lotId ?? null,
    batchId: subject.batchId ?? null,
    serial: subject.serial ?? null,
    schemaVersion: LEDGER.versionOf(kind),
    payload,
  } as unknown as NewEntry;
}
