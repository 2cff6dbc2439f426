import { randomBytes } from 'node:crypto';
import { setTimeout as after } from 'node:timers/promises';
import { CLOCK_TOPIC, topicOf } from '@ample-crane/core';
import { connect, type MqttClient } from 'mqtt';

/** What the factory answered to a message. */
export type Answer = { id: string; taken: true } | { id: string; refused: string };

export interface DeviceOptions {
  id: string;
  password: string;
  /** the broker's address */
  url: string;
  /** the device's own clock, which may be out; the factory's where it has none */
  clock?: () => number;
  /** after how long without an answer a message is sent again, ms */
  resendMs?: number;
}

interface Kept {
  id: string;
  atMs: number;
  words: object;
  sentMs: number | null;
  answered: (answer: Answer) => void;
}

const RESEND_MS = 4000;
const AGAIN_MS = 1000;
/** So many are under way at once; the others wait for answers. */
const WINDOW = 20;
/** So many are kept while nobody hears; more are not taken from whoever presses the button. */
const MOST_KEPT = 5000;

/**
 * A device of the factory, as docs/devices.md describes it: it keeps what it has to say until the factory has answered, and
 * sends it again where no answer comes. A message has one name however often it is sent.
 */
export class Device {
  readonly id: string;
  private readonly client: MqttClient;
  private readonly kept: Kept[] = [];
  private readonly timer: NodeJS.Timeout;
  private readonly resendMs: number;
  /** differs at every start, so that numbers begin anew without meaning the same */
  private readonly start = randomBytes(4).toString('hex');
  private count = 0;
  /** how far the factory's clock is ahead of this machine's */
  private aheadMs = 0;
  private wasTold = false;

  constructor(private readonly options: DeviceOptions) {
    const { id, password, url, resendMs = RESEND_MS } = options;
    this.id = id;
    this.resendMs = resendMs;
    this.client = connect(url, {
      clientId: id,
      username: id,
      password,
      reconnectPeriod: AGAIN_MS,
      reconnectOnConnackError: true,
      will: { topic: topicOf(id, 'state'), payload: Buffer.from(JSON.stringify({ online: false })), qos: 1, retain: true },
    });
    // A broker that is away is waited for, and one that lets nobody in is asked again: it may not know everybody yet.
    this.client.on('error', () => undefined);
    this.client.on('connect', () => this.onLine());
    this.client.on('message', (topic, payload) => {
      if (topic === CLOCK_TOPIC) this.setClock(payload.toString());
      else this.onAnswer(payload.toString());
    });
    this.timer = setInterval(() => this.send(), this.resendMs / 4);
  }

  get connected(): boolean {
    return this.client.connected;
  }

  /** Whether it knows what time it is: by its own clock, or by the factory's. */
  get hasTime(): boolean {
    return this.options.clock !== undefined || this.wasTold;
  }

  /** How many messages have no answer yet. */
  get waiting(): number {
    return this.kept.length;
  }

  nowMs(): number {
    return this.options.clock?.() ?? Date.now() + this.aheadMs;
  }

  /**
   * Says something, until it is answered.
   *
   * @param words as docs/devices.md has them: `{ length: { value: 9.53, unit: 'mm' } }`
   * @param atMs when it was measured, by the device's clock
   * @throws RangeError when nobody has heard it for so long that it can keep no more
   */
  say(words: object, atMs: number = this.nowMs()): Promise<Answer> {
    if (this.kept.length >= MOST_KEPT) throw new RangeError(`${this.id} keeps ${MOST_KEPT} messages already`);
    return new Promise((answered) => {
      this.kept.push({ id: `${this.start}-${++this.count}`, atMs, words, sentMs: null, answered });
      this.send();
    });
  }

  /** Leaves the line as one that is switched off. What has no answer is gone. */
  async stop(): Promise<void> {
    clearInterval(this.timer);
    const goodbye = JSON.stringify({ online: false });
    // Where nobody hears it, the line says it by breaking.
    const patience = new AbortController();
    if (this.client.connected)
      await Promise.race([
        this.client.publishAsync(topicOf(this.id, 'state'), goodbye, { qos: 1, retain: true }).catch(() => undefined),
        after(AGAIN_MS, undefined, { signal: patience.signal }).catch(() => undefined),
      ]);
    patience.abort();
    await this.client.endAsync(true);
  }

  /** Loses the line as if the cable were pulled; it comes back by itself. */
  dropLine(): void {
    this.client.stream.destroy();
  }

  private onLine(): void {
    for (const kept of this.kept) kept.sentMs = null;
    this.client.subscribe([topicOf(this.id, 'heard'), CLOCK_TOPIC], { qos: 1 }, () => this.send());
    this.client.publish(topicOf(this.id, 'state'), JSON.stringify({ online: true }), { qos: 1, retain: true });
  }

  private send(): void {
    if (!this.client.connected) return;
    const nowMs = Date.now();
    for (const kept of this.kept.slice(0, WINDOW)) {
      if (kept.sentMs !== null && nowMs - kept.sentMs < this.resendMs) continue;
      kept.sentMs = nowMs;
      const said = { id: kept.id, at: iso(kept.atMs), sent: iso(this.nowMs()), ...kept.words };
      this.client.publish(topicOf(this.id, 'say'), JSON.stringify(said), { qos: 1 });
    }
  }

  private onAnswer(text: string): void {
    const answer = JSON.parse(text) as Answer;
    const at = this.kept.findIndex((k) => k.id === answer.id);
    // Answered twice, since it was sent twice.
    if (at < 0) return;
    const [kept] = this.kept.splice(at, 1);
    kept?.answered(answer);
    this.send();
  }

  private setClock(text: string): void {
    const { now } = JSON.parse(text) as { now: string };
    this.aheadMs = Date.parse(now) - Date.now();
    this.wasTold = true;
  }
}

const iso = (ms: number): string => new Date(ms).toISOString();
