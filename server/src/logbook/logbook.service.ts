import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import {
  applyEntry,
  ShopState,
  type EntryKind,
  type NewEntry,
  type Payloads,
  type Route,
  type RowKind,
  type Rows,
  type Subject,
} from '@ample-crane/core';
import type pg from 'pg';
import { DataSource, type EntityManager, type EntityTarget, type ObjectLiteral } from 'typeorm';
import { InstrumentEntity } from '../fitting/instrument.entity.ts';
import { OrderEntity } from '../orders/order.entity.ts';
import { Clock } from '../platform/clock/clock.ts';
import { prepared } from '../platform/database/prepared.ts';
import { selectRows, upsertAndNotify } from '../platform/database/rows.ts';
import { inTransaction } from '../platform/database/transaction.ts';
import { CHANNEL } from '../platform/events/events.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { notFound, Problem } from '../platform/problems/problems.ts';
import { BatchEntity, DefectEntity, PieceEntity, PlacementEntity, RunEntity, VisitEntity } from '../routing/routing.entity.ts';
import { RouteEntity } from '../setup/setup.entity.ts';
import { BlankEntity, BoardEntity, LotEntity, ReadingEntity, ReadingSessionEntity } from '../timber/timber.entity.ts';
import { LogbookEntity } from './logbook.entity.ts';
import { STATE_TABLES } from './tables.ts';

/** What a command is about: loaded and locked before it is judged. */
export interface Concerns {
  lots?: readonly string[];
  sessions?: readonly string[];
  boards?: readonly string[];
  blanks?: readonly string[];
  orders?: readonly string[];
  batches?: readonly string[];
  serials?: readonly string[];
  /** routes that batches are to be started on */
  routes?: readonly string[];
  /** also the earlier visits and the defects of the batches: to take something back */
  history?: boolean;
  /** also the halves of the instruments: to take them apart or fit them again */
  pairs?: boolean;
}

export interface Command {
  name: string;
  /** what was asked, to tell a repeat from another request under the same key */
  request: object;
  concerns: Concerns;
}

/** One command's work: what it sees and how it writes. */
export interface UnitOfWork {
  manager: EntityManager;
  nowMs: number;
  state: ShopState;
  actor: Actor;
  record<K extends EntryKind>(kind: K, subject: Subject, payload: Payloads[K], atMs?: number): void;
}

@Injectable()
export class LogbookService {
  constructor(
    private readonly database: DataSource,
    private readonly clock: Clock,
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
      const state = await this.load(client, command.concerns);
      const nowMs = this.clock.nowMs();
      const entries: NewEntry[] = [];
      const answer = await work({
        manager,
        nowMs,
        state,
        actor,
        record: (kind, subject, payload, atMs = nowMs) => {
          const entry = newEntry(actor, kind, subject, payload, atMs);
          applyEntry(state, entry);
          entries.push(entry);
        },
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
      const touched = STATE_TABLES.map(([kind, entity]) => ({ entity, rows: state.takeTouched(kind), gone: state.takeDropped(kind) }));
      const topics = [...new Set(entries.map((entry) => entry.kind.split('.')[0]))];
      await transaction.commitWith(upsertAndNotify(this.database, [logged, ...touched], CHANNEL, { topics }));
      return answer;
    });
  }

  /** Tells every listener, once this transaction is committed. */
  async tell(manager: EntityManager, topics: string[]): Promise<void> {
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

  /** Reads and locks what a command is about, in one order for all commands, so that none waits for another in a ring. */
  private async load(client: pg.ClientBase, concerns: Concerns): Promise<ShopState> {
    const source = { database: this.database, client };
    const locked = <T extends ObjectLiteral>(entity: EntityTarget<T>, property: keyof T & string, values: readonly unknown[]) =>
      selectRows(source, entity, property, values, { lock: true });
    const instruments = await locked(InstrumentEntity, 'serial', sorted(concerns.serials));
    const batchIds = sorted([...(concerns.batches ?? []), ...instruments.map((i) => i.batchId)]);
    const batches = await locked(BatchEntity, 'id', batchIds);
    const sessions = await locked(ReadingSessionEntity, 'id', sorted(concerns.sessions));
    const boards = await locked(BoardEntity, 'id', sorted(concerns.boards));
    const blanks = await locked(BlankEntity, 'id', sorted(concerns.blanks));
    const lotIds = [...(concerns.lots ?? []), ...[...sessions, ...boards, ...blanks].map((row) => row.lotId)];
    const lots = await locked(LotEntity, 'id', sorted(lotIds));
    const orderIds = [...(concerns.orders ?? []), ...instruments.flatMap((i) => i.orderId ?? [])];
    const orders = await locked(OrderEntity, 'id', sorted(orderIds));
    requireAll('instrument', concerns.serials, instruments, (i) => i.serial);
    requireAll('batch', concerns.batches, batches, (b) => b.id);
    requireAll('reading session', concerns.sessions, sessions, (s) => s.id);
    requireAll('lot', concerns.lots, lots, (l) => l.id);
    requireAll('board', concerns.boards, boards, (b) => b.id);
    requireAll('blank', concerns.blanks, blanks, (b) => b.id);
    requireAll('order', concerns.orders, orders, (o) => o.id);

    const routeIds = sorted([...(concerns.routes ?? []), ...batches.map((b) => b.routeId)]);
    const routes = await selectRows(source, RouteEntity, 'id', routeIds);
    const state = new ShopState(new Map<string, Route>(routes.map((r) => [r.id, r.graph])));
    const loadAll = <K extends RowKind>(kind: K, rows: readonly Rows[K][]) => rows.forEach((row) => state.load(kind, row));
    loadAll('instrument', instruments);
    loadAll('batch', batches);
    loadAll('session', sessions);
    loadAll('lot', lots);
    loadAll('board', boards);
    loadAll('blank', blanks);
    loadAll('order', orders);
    if (batches.length > 0) {
      const flat = batches.filter((b) => b.component === 'instrument').map((b) => b.id);
      const visitIds = batches.map((b) => b.visitId);
      const runIds = batches.flatMap((b) => b.runId ?? []);
      const [pieces, visits, runs, fitted, placements, defects] = await Promise.all([
        selectRows(source, PieceEntity, 'batchId', batchIds, { order: 'ordinal' }),
        concerns.history ? selectRows(source, VisitEntity, 'batchId', batchIds) : selectRows(source, VisitEntity, 'id', visitIds),
        selectRows(source, RunEntity, 'id', runIds),
        selectRows(source, InstrumentEntity, 'batchId', flat, { order: 'serial' }),
        selectRows(source, PlacementEntity, 'batchId', batchIds),
        concerns.history ? selectRows(source, DefectEntity, 'batchId', batchIds) : [],
      ]);
      loadAll('piece', pieces);
      loadAll('visit', visits);
      loadAll('run', runs);
      loadAll('instrument', fitted);
      loadAll('placement', placements);
      loadAll('defect', defects);
      if (concerns.pairs) {
        const bound = await selectRows(source, InstrumentEntity, 'serial', sorted(pieces.flatMap((p) => p.serial ?? [])), { lock: true });
        loadAll('instrument', bound);
        const halves = bound.flatMap((i) => [i.serial, i.bodyId, ...(i.neckId === null ? [] : [i.neckId])]);
        loadAll('piece', await selectRows(source, PieceEntity, 'id', sorted(halves)));
      }
    }
    const sessionIds = sessions.map((s) => s.id);
    loadAll('reading', await selectRows(source, ReadingEntity, 'sessionId', sessionIds, { order: 'seq' }));
    return state;
  }
}

function newEntry<K extends EntryKind>(actor: Actor, kind: K, subject: Subject, payload: Payloads[K], atMs: number): NewEntry {
  // A generic kind and its payload cannot be tied together in the union; this function's signature does it.
  return {
    kind,
    atMs: Math.round(atMs),
    personId: actor.personId,
    lotId: subject.lotId ?? null,
    batchId: subject.batchId ?? null,
    serial: subject.serial ?? null,
    schemaVersion: 1,
    payload,
  } as unknown as NewEntry;
}

const sorted = (ids: readonly string[] | undefined) => [...new Set(ids ?? [])].sort();

function requireAll<T>(what: string, wanted: readonly string[] | undefined, found: readonly T[], idOf: (row: T) => string): void {
  const missing = wanted?.find((id) => !found.some((row) => idOf(row) === id));
  if (missing !== undefined) throw notFound(what, missing);
}
