import {
  Answers,
  groupBy,
  LEDGER,
  NOT_ANSWERED,
  type Ask,
  type Asked,
  type HouseFactory,
  type Question,
  type Rows,
} from '@ample-crane/core';
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

type Found<Answer> = Answer | typeof NOT_ANSWERED;
/** Answers a question about many things at once, in their order. */
type Source<About, Answer> = (abouts: readonly About[], asking: Asking & { manager: EntityManager }) => Promise<readonly Found<Answer>[]>;

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
  add<About, Answer>(
    question: Question<About, Answer>,
    source: (about: About, asking: Asking & { manager: EntityManager }) => Promise<Found<Answer>>,
  ): void {
    this.addMany(question, async (abouts, asking) => {
      const found: Found<Answer>[] = [];
      // One after the other: in a transaction there is one connection.
      for (const about of abouts) found.push(await source(about, asking));
      return found;
    });
  }

  /** The same for a question that costs no more when it is asked about many things. */
  addMany<About, Answer>(question: Question<About, Answer>, source: Source<About, Answer>): void {
    if (this.sources.has(question.name)) throw new Error(`Two rooms answer "${question.name}"`);
    // A question is asked with what it is about: `asked` ties the two.
    this.sources.set(question.name, source as Source<unknown, unknown>);
  }

  /** Whether somebody answers a question. */
  knows(asked: Asked): boolean {
    return LEDGER.answererOf(asked) !== undefined || this.sources.has(asked.question.name);
  }

  /** Answers, each question once for all that it is asked about. */
  async answer(asks: readonly Asked[], factory: HouseFactory, within?: Asking): Promise<Answers> {
    const answers = new Answers();
    if (asks.length === 0) return answers;
    const asking = within ?? (await this.atLarge(factory));
    for (const same of groupBy(asks, ({ question }) => question.name).values()) {
      const found = await this.many(same, factory, asking);
      same.forEach((asked, i) => answers.put(asked, found[i]));
    }
    return answers;
  }

  private async atLarge(factory: HouseFactory): Promise<Asking> {
    const rows = await this.reader.read([]);
    return { rows, read: (...asks) => this.reader.read(asks, rows), factory, nowMs: this.clock.nowMs() };
  }

  /** @param asks one question, about one thing after the other */
  private async many(asks: readonly Asked[], factory: HouseFactory, asking: Asking): Promise<readonly unknown[]> {
    const [first] = asks;
    const answerer = first && LEDGER.answererOf(first);
    if (!answerer) {
      const source = this.sources.get(first?.question.name ?? '');
      const manager = asking.manager ?? this.database.manager;
      return source
        ? source(
            asks.map((a) => a.about),
            { ...asking, manager },
          )
        : asks.map(() => NOT_ANSWERED);
    }
    // What a question rests on may only be known from rows it told of before.
    let before = '';
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const reads = asks.flatMap(({ about }) => answerer.reads(about, asking.rows));
      const told = JSON.stringify(reads.map(({ kind, field, values }) => [kind.name, field, values]));
      if (told === before) break;
      before = told;
      await asking.read(...reads);
    }
    return asks.map(({ about }) => answerer.answer(about, asking.rows, factory));
  }
}
