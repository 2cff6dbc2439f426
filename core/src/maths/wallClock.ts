import { readWritten, type DateOrder } from './writtenTimes.ts';

/**
 * How the clock of a device ran: with the factory's, clock changes and all; on standard time all year; or on the summer
 * time it was set to, and never put back.
 */
export const CLOCK_KINDS = ['local', 'standard', 'summer'] as const;
export type ClockKind = (typeof CLOCK_KINDS)[number];

/** How somebody said that a device's times are to be read; what is left out is told from the times. */
export interface TimesAreRead {
  order?: DateOrder | undefined;
  clock?: ClockKind | undefined;
}

/** What only a person can say of a device's times, with the first and the last of them by each answer. */
export interface TimesQuestion {
  about: 'order' | 'clock';
  choices: readonly { value: DateOrder | ClockKind; fromMs: number | null; toMs: number | null }[];
}

/** A device's times. While a question is open, `atMs` has none. */
export interface Instants {
  /** null where a text is no time, or no time that was */
  atMs: (number | null)[];
  /** null where times carry their own offset, cannot be read, or are open */
  order: DateOrder | null;
  clock: ClockKind | null;
  question: TimesQuestion | null;
}

const OFFSET = /\d:\d\d.*(Z|[+-]\d{2}:?\d{2})$/i;
const QUARTER_MS = 900_000;
const HOUR_MS = 3_600_000;
const HALF_DAY_MS = 43_200_000;
const DAY_MS = 86_400_000;

/** Wall-clock times of one zone. Offsets are looked up once an hour, since finding them is dear. */
export class WallClock {
  private readonly format: Intl.DateTimeFormat;
  private readonly offsets = new Map<number, number>();

  /** @throws RangeError for a zone there is not */
  constructor(timeZone: string) {
    this.format = new Intl.DateTimeFormat('en-US', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
    });
  }

  /** What the zone's clocks show less UTC, ms. */
  offsetMs(atMs: number): number {
    const slot = Math.floor(atMs / QUARTER_MS);
    const known = this.offsets.get(slot);
    if (known !== undefined) return known;
    const parts = Object.fromEntries(this.format.formatToParts(slot * QUARTER_MS).map((p) => [p.type, Number(p.value)]));
    const shown = Date.UTC(parts['year'] ?? 0, (parts['month'] ?? 1) - 1, parts['day'] ?? 1, parts['hour'] ?? 0, parts['minute'] ?? 0);
    const offset = shown - slot * QUARTER_MS;
    this.offsets.set(slot, offset);
    return offset;
  }

  /** Days of the zone's calendar from one instant to another: 0 on the same day, below it when the other is earlier. */
  daysBetween(fromMs: number, toMs: number): number {
    const day = (atMs: number) => Math.floor((atMs + this.offsetMs(atMs)) / DAY_MS);
    return day(toMs) - day(fromMs);
  }

  /** The instants at which the zone's clocks show a time: none in spring's lost hour, two in autumn's doubled one. */
  instantsOf(wallMs: number): number[] {
    const offsets = new Set([this.offsetMs(wallMs - HALF_DAY_MS), this.offsetMs(wallMs + HALF_DAY_MS)]);
    return [...offsets]
      .map((offset) => wallMs - offset)
      .filter((at) => at + this.offsetMs(at) === wallMs)
      .sort((a, b) => a - b);
  }

  /** The zone's offset in winter or summer of a year: the lesser or the greater of January's and July's. */
  private seasonMs(wallMs: number, season: 'standard' | 'summer'): number {
    const year = new Date(wallMs).getUTCFullYear();
    const offsets = [this.offsetMs(Date.UTC(year, 0, 10)), this.offsetMs(Date.UTC(year, 6, 10))];
    return season === 'standard' ? Math.min(...offsets) : Math.max(...offsets);
  }

  /**
   * Reads a device's times, in the order it wrote them, the newest first or last. A time that clocks showed twice is the
   * first that comes after the one before.
   *
   * @param texts ISO with offset, or wall times written in one way
   */
  instants(texts: readonly string[], read: TimesAreRead = {}): Instants {
    const none = texts.map(() => null);
    const offsets = texts.filter((t) => OFFSET.test(t.trim()));
    if (offsets.length > 0 && offsets.length >= texts.length / 2) {
      const atMs = texts.map((t) => (OFFSET.test(t.trim()) ? nullIfNaN(Date.parse(t.trim().replace(' ', 'T'))) : null));
      return { atMs, order: null, clock: 'local', question: null };
    }
    const written = readWritten(texts);
    if (written.orders.length === 0) return { atMs: none, order: null, clock: 'local', question: null };
    const order = written.orders.length === 1 ? written.orders[0] : written.orders.find((o) => o === read.order);
    if (order === undefined) {
      const choices = written.orders.map((o) => choice(o, this.readBy(read.clock ?? 'local', written.in(o))));
      return { atMs: none, order: null, clock: null, question: { about: 'order', choices } };
    }
    const walls = written.in(order);
    const clocks = this.clocksThatFit(walls);
    const clock = read.clock ?? (clocks.length === 1 ? clocks[0] : undefined);
    if (clock === undefined) {
      const choices = clocks.map((kind) => choice(kind, this.readBy(kind, walls)));
      return { atMs: none, order, clock: null, question: { about: 'clock', choices } };
    }
    return { atMs: this.readBy(clock, walls), order, clock, question: null };
  }

  private readBy(clock: ClockKind, walls: readonly (number | null)[]): (number | null)[] {
    if (clock !== 'local') return walls.map((w) => (w === null ? null : w - this.seasonMs(w, clock)));
    const backwards = isNewestFirst(walls);
    const atMs: (number | null)[] = [];
    let beforeMs = -Infinity;
    for (const w of backwards ? [...walls].reverse() : walls) {
      const candidates = w === null ? [] : this.instantsOf(w);
      const at = candidates.find((c) => c > beforeMs) ?? candidates.at(-1) ?? null;
      if (at !== null) beforeMs = at;
      atMs.push(at);
    }
    return backwards ? atMs.reverse() : atMs;
  }

  /**
   * How a clock may have run, by what it showed when clocks were changed. One that showed spring's lost hour was not put
   * forward: it keeps standard time. One that went straight through autumn's doubled hour was not put back: it had kept
   * standard time all along, or went on with summer time, and only who set it knows.
   */
  private clocksThatFit(walls: readonly (number | null)[]): readonly ClockKind[] {
    const shown = walls.filter((w) => w !== null);
    if (isNewestFirst(walls)) shown.reverse();
    if (shown.some((w) => this.instantsOf(w).length === 0)) return ['standard'];
    for (let i = 1; i < shown.length; i++) {
      const [a, b] = [shown[i - 1] ?? 0, shown[i] ?? 0];
      if (this.instantsOf(b).length < 2 || this.instantsOf(a).length > 1) continue;
      // From here on the hour is shown twice, if the clock was put back: then something in it steps backwards.
      let end = i;
      while (end < shown.length && this.instantsOf(shown[end] ?? 0).length > 1) end++;
      const through = shown.slice(i - 1, end + 1);
      const steps = through.slice(1).map((w, k) => w - (through[k] ?? w));
      if (end < shown.length && steps.every((step) => step > 0 && step <= HOUR_MS)) return ['standard', 'summer'];
    }
    return ['local'];
  }
}

/** Whether a device lists its latest time first. */
export function isNewestFirst(times: readonly (number | null)[]): boolean {
  let [up, down] = [0, 0];
  let before: number | null = null;
  for (const t of times) {
    if (t !== null && before !== null && t > before) up += 1;
    if (t !== null && before !== null && t < before) down += 1;
    before = t ?? before;
  }
  return down > up;
}

/** An answer with what it makes of the first and the last time. */
function choice(value: DateOrder | ClockKind, atMs: readonly (number | null)[]): TimesQuestion['choices'][number] {
  const read = atMs.filter((at) => at !== null);
  const [first = null, last = null] = [read[0], read.at(-1)];
  return { value, fromMs: first, toMs: last };
}

const nullIfNaN = (ms: number) => (Number.isNaN(ms) ? null : ms);
