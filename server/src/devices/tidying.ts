import { KNOWN_MS } from '@ample-crane/core';
import { Injectable, Logger } from '@nestjs/common';
import { Cron } from '@nestjs/schedule';
import { DataSource } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';

/** Takes away each night the messages that cannot come again, the values nobody waits for, and refusals that were seen. */
@Injectable()
export class Tidying {
  private readonly logger = new Logger('Devices');

  constructor(
    private readonly database: DataSource,
    private readonly clock: Clock,
  ) {}

  @Cron('37 3 * * *')
  async nightly(): Promise<void> {
    await this.prune().catch((error: unknown) => this.logger.error(`Not tidied, tried again tomorrow: ${String(error)}`));
  }

  async prune(): Promise<void> {
    const before = new Date(this.clock.nowMs() - KNOWN_MS);
    for (const table of ['device_message', 'device_value', 'device_refusal'])
      await this.database.query(`delete from ${table} where heard < $1`, [before]);
  }
}
