import type { Ask, CommandKind, Decision, Giver, HouseFactory, Rows, Written } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { Clock } from '../platform/clock/clock.ts';
import { EvidenceSources } from './evidence.ts';
import { RowReader } from './rowReader.ts';

/** How often a command may tell of more rows to read. */
const MOST_ROUNDS = 4;

/** Tells what core would say to commands, were they given now: nothing is locked and nothing written. */
@Injectable()
export class ForesightService {
  constructor(
    private readonly reader: RowReader,
    private readonly evidence: EvidenceSources,
    private readonly clock: Clock,
  ) {}

  /** @returns a decision for each request, in their order */
  async decisions<Name extends string, Request>(
    by: Giver,
    command: CommandKind<Name, Request, HouseFactory>,
    requests: readonly Request[],
    factory: HouseFactory,
  ): Promise<Decision<Written>[]> {
    const first = await this.evidence.answer(
      requests.flatMap((request) => command.first(request)),
      factory,
    );
    const concerns = requests.map((request) => command.concerns(request, first));
    const rows = await this.read(
      concerns.flatMap(({ about }) => about),
      (known) => concerns.flatMap(({ reads }) => reads?.(known) ?? []),
    );
    const sight = { rows, factory, nowMs: this.clock.nowMs(), by };
    const asks = requests.flatMap((request) => command.asks(request, sight));
    const answers = first.with(await this.evidence.answer(asks, factory));
    return requests.map((request) => command.decide(request, { ...sight, answers }));
  }

  private async read(about: readonly Ask[], more: (known: Rows) => readonly Ask[]): Promise<Rows> {
    const rows = await this.reader.read(about);
    const along = about.flatMap(({ kind, values }) =>
      values.flatMap((key) => {
        const row = rows.find(kind, key);
        return row ? kind.alongWith(row) : [];
      }),
    );
    await this.reader.read(along, rows);
    let before = '';
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const asks = more(rows);
      const told = JSON.stringify(asks.map(({ kind, field, values }) => [kind.name, field, values]));
      if (told === before) break;
      before = told;
      await this.reader.read(asks, rows);
    }
    return rows;
  }
}
