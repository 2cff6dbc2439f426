import { WOOD_ENTRIES } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { DataSource } from 'typeorm';
import { ask } from '../database/prepared.ts';
import { EventsService } from '../events/events.service.ts';
import { Clock } from '../clock/clock.ts';
import { Together } from './together.ts';

/** Findings speak of minutes; an answer older than this is worked out again though nothing was logged. */
const SLOT_MS = 10_000;
const KEPT_MAX = 500;
/** Entries are numbered before they are committed, so one with a lower number may appear after one with a higher. */
const LATE_ENTRIES = 64;

const latest = (where: string) =>
  `select coalesce(max(id), 0)::text as last, coalesce(sum(id), 0)::text as sum from (select id from logbook ${where} order by id desc limit $1) recent`;

/** What is told and not written down: another program is on a machine, a device that was silent speaks. */
const UNWRITTEN = ['controller', 'device back'];

/** How far the logbook has come, and whether time alone makes an answer old. */
const POSITION = {
  everything: { sql: latest(''), ages: true },
  // Work in progress, orders, stations: readings of wood come in all day and change none of them.
  'the floor': { sql: latest(`where kind not in (${WOOD_ENTRIES.map((kind) => `'${kind}'`).join(', ')})`), ages: true },
  'the set-up': { sql: latest(`where kind = 'setup.changed'`), ages: false },
};

/** Answers of one kind, each kept as long as nothing they rest on has changed. */
export class Shelf<T> {
  private readonly kept = new LRUCache<string, { position: string; answer: Promise<T> }>({ max: KEPT_MAX });

  constructor(private readonly position: () => Promise<string>) {}

  /** The answer under a name, worked out anew when the logbook or the time has moved on. Shared: not to be changed. */
  async of(name: string, compute: () => Promise<T>): Promise<T> {
    const position = await this.position();
    const kept = this.kept.get(name);
    if (kept?.position === position) return kept.answer;
    const answer = compute();
    this.kept.set(name, { position, answer });
    // One that failed is no answer.
    answer.catch(() => this.kept.delete(name));
    return answer;
  }
}

/**
 * Saves working the same answer out for every reader. Each process keeps its own, and asks the database at every
 * request how far the logbook has come, so that none shows what another has already changed.
 */
@Injectable()
export class Snapshots {
  /** how often something that is not written down is otherwise */
  private turns = 0;
  private readonly positions = new Map<string, Together<{ last: string; sum: string }[]>>();

  constructor(
    private readonly database: DataSource,
    private readonly clock: Clock,
    events: EventsService,
  ) {
    events.stream().subscribe(({ topics }) => {
      if ([...UNWRITTEN, 'all'].some((topic) => topic in topics)) this.turns++;
    });
  }

  /** For answers that any entry may change; any but one about wood; or only one about the set-up. */
  shelf<T>(restingOn: keyof typeof POSITION = 'everything'): Shelf<T> {
    return new Shelf<T>(() => this.position(POSITION[restingOn]));
  }

  private async position({ sql, ages }: (typeof POSITION)[keyof typeof POSITION]): Promise<string> {
    const slot = ages ? `${Math.floor(this.clock.nowMs() / SLOT_MS)}.${this.turns}` : '';
    const position = this.positions.get(sql) ?? new Together(() => ask<{ last: string; sum: string }>(this.database, sql, [LATE_ENTRIES]));
    this.positions.set(sql, position);
    const rows = await position.ask();
    return `${slot}/${rows[0]?.last ?? ''}/${rows[0]?.sum ?? ''}`;
  }
}
