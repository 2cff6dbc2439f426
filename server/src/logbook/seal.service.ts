import { Injectable, Logger } from '@nestjs/common';
import { Interval } from '@nestjs/schedule';
import { DataSource } from 'typeorm';
import { headsFile, sealNext, writeHead, type Seal } from './seal.ts';

/** Longer than any command may take: whatever was numbered before is committed, or never will be. */
const EVERY_MS = 5 * 60_000;

/** Seals what has been written, some minutes later and apart from the commands, which never wait for it. */
@Injectable()
export class SealService {
  private readonly logger = new Logger('Seal');
  /** the last entry that was there at the last look */
  private settled: number | undefined;

  constructor(private readonly database: DataSource) {}

  @Interval(EVERY_MS)
  async look(): Promise<void> {
    try {
      for (const seal of await this.seal()) {
        const file = headsFile();
        if (file !== undefined) writeHead(file, seal);
        this.logger.log(`Sealed block ${seal.number}, entries ${seal.firstId} to ${seal.lastId}: ${seal.hash}`);
      }
    } catch (error) {
      this.logger.warn(`Not sealed, tried again later: ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  /** Seals what was there at the look before. @returns the new seals */
  async seal(): Promise<Seal[]> {
    const upTo = this.settled;
    const [row] = await this.database.query<{ last: number }[]>('select coalesce(max(id), 0) as last from logbook');
    this.settled = row?.last ?? 0;
    if (upTo === undefined) return [];
    const seals: Seal[] = [];
    for (;;) {
      const seal = await this.database.transaction(async (manager) => {
        // One process seals; another's turn comes.
        const [lock] = await manager.query<{ mine: boolean }[]>(`select pg_try_advisory_xact_lock(hashtext('seal')) as mine`);
        return lock?.mine ? sealNext(manager, upTo) : undefined;
      });
      if (!seal) return seals;
      seals.push(seal);
    }
  }
}
