import { Injectable, Logger, type BeforeApplicationShutdown, type OnModuleInit } from '@nestjs/common';
import pg from 'pg';
import { Observable, Subject } from 'rxjs';
import { databaseUrl } from '../database/url.ts';
import { changeIn, EVERYTHING, type ShopChange } from './change.ts';

export const CHANNEL = 'shop';
/** Where sessions that have ended are told, each by its name. */
export const SESSION_CHANNEL = 'session_ended';

const RETRY_MS = 1000;

/** Hears the database's notifications, so that every server process can tell its own listeners. */
@Injectable()
export class EventsService implements OnModuleInit, BeforeApplicationShutdown {
  private readonly logger = new Logger('Events');
  private readonly changes = new Subject<ShopChange>();
  private readonly endings = new Subject<string>();
  private readonly ends = new Subject<void>();
  private client: pg.Client | undefined;
  private retry: NodeJS.Timeout | undefined;
  private closing = false;

  async onModuleInit(): Promise<void> {
    await this.listen();
  }

  /** Everything that happens from now on. */
  stream(): Observable<ShopChange> {
    return this.changes.asObservable();
  }

  /** The sessions that end from now on, by their names. */
  sessionEnds(): Observable<string> {
    return this.endings.asObservable();
  }

  /** Fires once when the server stops, to close the streams. */
  ended(): Observable<void> {
    return this.ends.asObservable();
  }

  private async listen(): Promise<void> {
    const client = new pg.Client({ connectionString: databaseUrl() });
    client.on('notification', ({ channel, payload }) =>
      channel === SESSION_CHANNEL ? this.endings.next(payload ?? '') : this.changes.next(changeIn(payload)),
    );
    client.on('error', (error) => this.logger.warn(`Lost the database: ${error.message}`));
    client.on('end', () => this.listenLater());
    await client.connect();
    await client.query(`listen ${CHANNEL}; listen ${SESSION_CHANNEL}`);
    this.client = client;
  }

  private listenLater(): void {
    if (this.closing || this.retry !== undefined) return;
    this.retry = setTimeout(() => {
      this.retry = undefined;
      this.listen().then(
        // Whatever was missed meanwhile is fetched anew.
        () => this.changes.next(EVERYTHING),
        () => this.listenLater(),
      );
    }, RETRY_MS);
  }

  /** Before connections are waited for: a stream would keep its own open. */
  async beforeApplicationShutdown(): Promise<void> {
    this.closing = true;
    clearTimeout(this.retry);
    this.ends.next();
    this.changes.complete();
    await this.client?.end();
  }
}
