import { paced, type PaceLeft } from '@ample-crane/core';
import { Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { faultOf } from '../platform/database/faults.ts';
import { inTransaction } from '../platform/database/transaction.ts';
import { EventsService } from '../platform/events/events.service.ts';
import { DeviceAdapter, type Hears, type Reply } from './adapters/adapter.ts';
import { DeviceEntity } from './device.entity.ts';
import { answerTo, readLetter, takeIn } from './takeIn.ts';

/** Messages that come close together are kept together. */
const GATHER_MS = 40;
const MOST_AT_ONCE = 500;
/** So many may wait to be kept; more are held back, and come again. */
const MOST_WAITING = 5000;
interface Came {
  deviceId: string;
  text: string;
  heardMs: number;
  reply: (reply: Reply) => void;
}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
const isOfData = (error: unknown): boolean => ['value', 'unique', 'foreign', 'check'].includes(faultOf(error) ?? '');

/** After a failure it is tried again so much later. */
const PAUSE_MS = 1000;

/**
 * Takes in what devices say. A message is answered once it is kept for good, together with what follows from it; what is not
 * answered comes again, and what comes again is known by its id: so none is lost and none counts twice.
 */
@Injectable()
export class IntakeService implements Hears, OnApplicationBootstrap, OnApplicationShutdown {
  private readonly logger = new Logger('Devices');
  private known: ReadonlyMap<string, DeviceEntity> = new Map();
  private readonly paces = new Map<string, PaceLeft>();
  private waiting: Came[] = [];
  private lines = new Map<string, boolean>();
  private heldBack = new Map<string, number>();
  private timer: NodeJS.Timeout | undefined;
  private working: Promise<void> | undefined;
  private closing = false;

  constructor(
    private readonly database: DataSource,
    private readonly adapter: DeviceAdapter,
    private readonly climate: ClimateService,
    private readonly events: EventsService,
    private readonly clock: Clock,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.readDevices();
    this.events.stream().subscribe(({ topics }) => {
      if ('factory' in topics || 'all' in topics)
        this.readDevices().catch((error: unknown) => this.logger.warn(`Devices not read: ${String(error)}`));
    });
    this.adapter.start(this);
  }

  /** Who is known, from now on. */
  private async readDevices(): Promise<void> {
    const all = await this.database.getRepository(DeviceEntity).find();
    this.known = new Map(all.map((d) => [d.id, d]));
    const speaking = all.filter((d) => d.active);
    this.adapter.tellDevices(speaking.map(({ id, passwordHash }) => ({ id, passwordHash })));
  }

  hear(deviceId: string, text: string, reply: (reply: Reply) => void): void {
    const heardMs = this.clock.nowMs();
    // By a clock that nobody sets.
    const pace = paced(this.paces.get(deviceId), performance.now());
    if (pace === null || this.waiting.length >= MOST_WAITING) {
      this.heldBack.set(deviceId, (this.heldBack.get(deviceId) ?? 0) + 1);
      return;
    }
    this.paces.set(deviceId, pace);
    this.waiting.push({ deviceId, text, heardMs, reply });
    this.soon();
  }

  begin(): void {
    for (const id of this.known.keys()) this.lines.set(id, false);
    this.soon();
  }

  line(deviceId: string, connected: boolean): void {
    this.lines.set(deviceId, connected);
    this.soon();
  }

  private soon(): void {
    if (this.closing || this.timer !== undefined || this.working !== undefined) return;
    this.timer = setTimeout(() => {
      this.timer = undefined;
      this.working = this.work().finally(() => {
        this.working = undefined;
        if (this.waiting.length > 0 || this.lines.size > 0) this.soon();
      });
    }, GATHER_MS);
  }

  /** Keeps what waits. What cannot be kept is not answered: it comes again. */
  private async work(): Promise<void> {
    const batch = this.waiting.splice(0, MOST_AT_ONCE);
    const [lines, heldBack] = [this.lines, this.heldBack];
    this.lines = new Map();
    this.heldBack = new Map();
    try {
      await this.keep(batch, lines, heldBack);
    } catch (error) {
      // What happened to a line since is newer.
      for (const [id, connected] of lines) if (!this.lines.has(id)) this.lines.set(id, connected);
      if (isOfData(error)) await this.oneByOne(batch);
      else this.logger.warn(`${batch.length} messages were not kept, and will come again: ${messageOf(error)}`);
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
    }
  }

  /** Keeps what came together, and answers it. */
  private async keep(batch: readonly Came[], lines: ReadonlyMap<string, boolean>, heldBack: ReadonlyMap<string, number>): Promise<void> {
    const devices = this.known;
    const letters = batch.map(({ deviceId, text, heardMs }) => readLetter(devices.get(deviceId), { deviceId, text, heardMs }));
    await inTransaction(this.database, (transaction) => takeIn(transaction, this.climate, { devices, letters, lines, heldBack }));
    letters.forEach((letter, i) => {
      const answer = answerTo(letter);
      if (answer) batch[i]?.reply(answer);
    });
  }

  /** What the database will not have of one device holds up no other. */
  private async oneByOne(batch: readonly Came[]): Promise<void> {
    for (const came of batch)
      await this.keep([came], new Map(), new Map()).catch((error: unknown) =>
        this.logger.warn(`What ${came.deviceId} says is not kept: ${messageOf(error)}`),
      );
    await this.readDevices().catch((error: unknown) => this.logger.warn(`Devices not read: ${messageOf(error)}`));
  }

  async onApplicationShutdown(): Promise<void> {
    this.closing = true;
    clearTimeout(this.timer);
    await this.adapter.stop();
    await this.working;
  }
}
