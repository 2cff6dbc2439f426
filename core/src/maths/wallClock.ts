import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);
dayjs.extend(customParseFormat);

// Zeros before figures are taken off first, so that one letter stands for one figure or two.
const DAY_FIRST = ['D.M.YYYY H:m:s', 'D.M.YYYY H:m', 'D/M/YYYY H:m:s', 'D/M/YYYY H:m', 'D/M/YYYY h:m:s A', 'D/M/YYYY h:m A'];
const MONTH_FIRST = ['M/D/YYYY H:m:s', 'M/D/YYYY H:m', 'M/D/YYYY h:m:s A', 'M/D/YYYY h:m A'];
const YEAR_FIRST = ['YYYY-M-D H:m:s', 'YYYY-M-D H:m', 'YYYY/M/D H:m:s', 'YYYY/M/D H:m', 'YYYY-M-D'];
const EVERY_FORMAT = [...YEAR_FIRST, ...DAY_FIRST, ...MONTH_FIRST];

/** How the clock of a device ran: with the factory's, clock changes and all, or on standard time all year. */
export type ClockKind = 'local' | 'standard';

export interface Instants {
  /** null where a text is no time, or no time that was */
  atMs: (number | null)[];
  /** the format all times were read in; null when they carry their own offset or cannot be read */
  format: string | null;
  clock: ClockKind;
  /** the other reading of days and months fits as well */
  ambiguous: boolean;
}

const OFFSET = /(Z|[+-]\d{2}:?\d{2})$/;

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
    const QUARTER = 900_000;
    const slot = Math.floor(atMs / QUARTER);
    const known = this.offsets.get(slot);
    if (known !== undefined) return known;
    const parts = Object.fromEntries(this.format.formatToParts(slot * QUARTER).map((p) => [p.type, Number(p.value)]));
    const shown = Date.UTC(parts['year'] ?? 0, (parts['month'] ?? 1) - 1, parts['day'] ?? 1, parts['hour'] ?? 0, parts['minute'] ?? 0);
    const offset = shown - slot * QUARTER;
    this.offsets.set(slot, offset);
    return offset;
  }

  /** The instants at which the zone's clocks show a time: none in spring's lost hour, two in autumn's doubled one. */
  instantsOf(wallMs: number): number[] {
    const HALF_DAY = 43_200_000;
    const offsets = new Set([this.offsetMs(wallMs - HALF_DAY), this.offsetMs(wallMs + HALF_DAY)]);
    return [...offsets]
      .map((offset) => wallMs - offset)
      .filter((at) => at + this.offsetMs(at) === wallMs)
      .sort((a, b) => a - b);
  }

  /** The zone's offset in winter: the lesser of January's and July's. */
  private standardMs(wallMs: number): number {
    const year = new Date(wallMs).getUTCFullYear();
    return Math.min(this.offsetMs(Date.UTC(year, 0, 10)), this.offsetMs(Date.UTC(year, 6, 10)));
  }

  /**
   * Reads a device's times, in the order it wrote them. A time that clocks showed twice is the first that comes after the
   * one before. If a device tells times that clocks skipped, it keeps standard time, and all of them are read so.
   *
   * @param texts ISO with offset, or wall times in one of the usual formats, the same for all
   */
  instants(texts: readonly string[], clock?: ClockKind): Instants {
    const offsets = texts.filter((t) => OFFSET.test(t.trim()) && /T|\d\d:\d\d/.test(t));
    if (offsets.length > 0 && offsets.length >= texts.length / 2)
      return {
        atMs: texts.map((t) => (OFFSET.test(t.trim()) ? nullIfNaN(Date.parse(t.trim().replace(' ', 'T'))) : null)),
        format: null,
        clock: 'local',
        ambiguous: false,
      };
    const plain = texts.map((t) =>
      t
        .trim()
        .replace('T', ' ')
        .replace(/\b0+(?=\d)/g, ''),
    );
    const sample = plain.filter((t) => t !== '').slice(0, 2000);
    const fits = EVERY_FORMAT.map((format) => ({ format, count: sample.filter((t) => wall(t, format) !== null).length }));
    const [best] = fits.sort((a, b) => b.count - a.count);
    if (!best || best.count === 0) return { atMs: texts.map(() => null), format: null, clock: 'local', ambiguous: false };
    const walls = plain.map((t) => wall(t, best.format));
    const skipped = walls.some((w) => w !== null && this.instantsOf(w).length === 0);
    const kind = clock ?? (skipped ? 'standard' : 'local');
    let beforeMs = -Infinity;
    const atMs = walls.map((w) => {
      if (w === null) return null;
      const candidates = kind === 'standard' ? [w - this.standardMs(w)] : this.instantsOf(w);
      const at = candidates.find((c) => c > beforeMs) ?? candidates.at(-1) ?? null;
      if (at !== null) beforeMs = at;
      return at;
    });
    const other = fits.find(
      (f) => f !== best && f.count === best.count && DAY_FIRST.includes(f.format) !== DAY_FIRST.includes(best.format),
    );
    return { atMs, format: best.format, clock: kind, ambiguous: other !== undefined };
  }
}

function wall(text: string, format: string): number | null {
  const parsed = dayjs.utc(text, format, true);
  return parsed.isValid() ? parsed.valueOf() : null;
}

const nullIfNaN = (ms: number) => (Number.isNaN(ms) ? null : ms);
