import { Answers, LEDGER, NOT_ANSWERED, type Ask, type Asked, type HouseFactory, type Question, type Rows } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { RowReader } from './rowReader.ts';

/** Where a question is asked from: a command's own transaction, or the database at large. */
export interface Asking {
  rows: Rows;
  read(...asks: Ask[]): Promise<Rows>;
  /** absent outside a transaction; what is asked there is locked by nobody */
  manager?: EntityManager;
  factory: HouseFactory;
  nowMs: number;
}

type Source<About, Answer> = (about: About, asking: Asking & { manager: EntityManager }) => Promise<Answer | typeof NOT_ANSWERED>;

/** How often a question may tell of more rows to read. */
const MOST_ROUNDS = 3;

/**
 * Answers what judgements ask: from rows, as core says, or from the room that said it knows. What nobody knows is not
 * answered, and never passes.
 */
@Injectable()
export class EvidenceSources {
  private readonly sources = new Map<string, Source<unknown, unknown>>();

  constructor(
    private readonly database: DataSource,
    private readonly reader: RowReader,
    private readonly clock: Clock,
  ) {}

  /** A room tells how it answers a question. @throws Error when another does already */
  add<About, Answer>(question: Question<About, Answer>, source: Source<About, Answer>): void {
    if (this.sources.has(question.name)) throw new Error(`Two rooms answer "${question.name}"`);
    // A question is asked with what it is about: `asked` ties the two.
    this.sources.set(question.name, source as Source<unknown, unknown>);
  }

  /** Whether somebody answers a question. */
  knows(asked: Asked): boolean {
    return LEDGER.answererOf(asked) !== undefined || this.sources.has(asked.question.name);
  }

  /** Answers, one after the other: in a transaction there is one connection. */
  async answer(asks: readonly Asked[], factory: HouseFactory, within?: Asking): Promise<Answers> {
    const answers = new Answers();
    const asking = within ?? (await this.atLarge(factory));
    for (const asked of asks) answers.put(asked, await this.one(asked, factory, asking));
    return answers;
  }

  private async atLarge(factory: HouseFactory): Promise<Asking> {
    const rows = await this.reader.read([]);
    return { rows, read: (...asks) => this.reader.read(asks, rows), factory, nowMs: this.clock.nowMs() };
  }

  private async one(asked: Asked, factory: HouseFactory, asking: Asking): Promise<unknown> {
    const answerer = LEDGER.answererOf(asked);
    if (!answerer) {
      const source = this.sources.get(asked.question.name);
      return source ? source(asked.about, { ...asking, manager: asking.manager ?? this.database.manager }) : NOT_ANSWERED;
    }
    // What a question rests on may only be known from rows it told of before.
    let before = '';
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const asks = answerer.reads(asked.about, asking.rows);
      const told = JSON.stringify(asks.map(({ kind, field, values }) => [kind.name, field, values]));
      if (told === before) break;
      before = told;
      await asking.read(...asks);
    }
    return answerer.answer(asked.about, asking.rows, factory);
  }
}
