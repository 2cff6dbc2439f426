import { Injectable, Logger } from '@nestjs/common';
import { Cron } from '@nestjs/schedule';
import { DataSource } from 'typeorm';
import { SessionsService } from '../identity/sessions.service.ts';
import { TriesService } from '../identity/tries.service.ts';

/** A command that was not repeated within a month is not repeated. */
const RECEIPT_DAYS = 30;
const ADDRESS_DAYS = 90;

/** Takes away each night what nobody will ask for again. The logbook is never touched. */
@Injectable()
export class HousekeepingService {
  private readonly logger = new Logger('Housekeeping');

  constructor(
    private readonly database: DataSource,
    private readonly sessions: SessionsService,
    private readonly tries: TriesService,
  ) {}

  @Cron('17 3 * * *')
  async nightly(): Promise<void> {
    try {
      const gone = await this.prune();
      this.logger.log(
        `Taken away: ${Object.entries(gone)
          .map(([what, count]) => `${count} ${what}`)
          .join(', ')}`,
      );
    } catch (error) {
      this.logger.error(`Not tidied, tried again tomorrow: ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  /** @returns how much of each was taken away */
  async prune(): Promise<Record<'sessions' | 'tries' | 'receipts' | 'addresses' | 'codes', number>> {
    const remove = async (sql: string, days: number) => (await this.database.query<[unknown, number]>(sql, [days]))[1];
    return {
      sessions: await this.sessions.prune(),
      tries: await this.tries.prune(this.database),
      receipts: await remove('delete from command_receipt where at < now() - make_interval(days => $1)', RECEIPT_DAYS),
      addresses: await remove('delete from known_address where last_at < now() - make_interval(days => $1)', ADDRESS_DAYS),
      codes: await remove('delete from password_reset where expires_at < now() - make_interval(days => $1)', 0),
    };
  }
}
