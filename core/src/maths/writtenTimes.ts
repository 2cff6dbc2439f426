import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat.js';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);
dayjs.extend(customParseFormat);

/** Which part of a written date stands first. */
export const DATE_ORDERS = ['year first', 'day first', 'month first'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** Times as a device wrote them. */
export interface WrittenTimes {
  /** the orders of dates that fit as many of them as any does; none where no text is a date */
  orders: readonly DateOrder[];
  /** what the device's clock showed for each text, as if it were UTC, read in one order; null where it is no time */
  in: (order: DateOrder) => (number | null)[];
}

// Figures are brought to two places first, so that a shape tells the format. A year of two figures stands first between
// strokes only.
const FORMATS: Readonly<Record<string, Partial<Record<DateOrder, string>>>> = {
  '0000-00-00': { 'year first': 'YYYY-MM-DD' },
  '00-00-0000': { 'day first': 'DD-MM-YYYY', 'month first': 'MM-DD-YYYY' },
  '00-00-00': { 'year first': 'YY-MM-DD', 'day first': 'DD-MM-YY', 'month first': 'MM-DD-YY' },
  '00/00/00': { 'day first': 'DD/MM/YY', 'month first': 'MM/DD/YY' },
  '0000-A-00': { 'year first': 'YYYY-MMM-DD' },
  '00-A-0000': { 'day first': 'DD-MMM-YYYY' },
  '00-A-00': { 'day first': 'DD-MMM-YY' },
};
const TIME = /^(.*?)(?:[\sT,]+(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(?:([ap])\.?m\.?)?)?$/i;

/**
 * Reads dates with their times of day: years of four figures or two, months as figures or English names, dots, slashes or
 * strokes between, twelve hours or twenty-four, seconds and parts of them or none. What order the dates are written in is
 * told from all of them together: one thirteenth of a month settles it.
 */
export function readWritten(texts: readonly string[]): WrittenTimes {
  const parts = texts.map((text) => {
    const [, date = '', hour, minute, second, half] = TIME.exec(text.trim()) ?? [];
    return { date: evened(date), timeMs: timeOfDay(hour, minute, second, half) };
  });
  const dates = new Map<string, Partial<Record<DateOrder, number>>>();
  for (const { date } of parts) if (!dates.has(date)) dates.set(date, readings(date));
  const counts = new Map(DATE_ORDERS.map((order) => [order, 0]));
  for (const { date } of parts)
    for (const order of DATE_ORDERS) if (dates.get(date)?.[order] !== undefined) counts.set(order, (counts.get(order) ?? 0) + 1);
  const most = Math.max(...counts.values());
  return {
    orders: most === 0 ? [] : DATE_ORDERS.filter((order) => counts.get(order) === most),
    in: (order) =>
      parts.map(({ date, timeMs }) => {
        const dayMs = dates.get(date)?.[order];
        return dayMs === undefined || timeMs === null ? null : dayMs + timeMs;
      }),
  };
}

/** A date whose parts have two places or more, with strokes between; slashes where a short one has no strokes. */
function evened(date: string): string {
  const padded = date
    .trim()
    .replace(/\b\d\b/g, '0$&')
    .replace(/[a-z]+/i, (month) => month.slice(0, 1).toUpperCase() + month.slice(1, 3).toLowerCase());
  const short = /^(\d\d)[./](\d\d)[./](\d\d)$/.exec(padded);
  return short ? short.slice(1).join('/') : padded.replace(/[\s./-]+/g, '-');
}

function readings(date: string): Partial<Record<DateOrder, number>> {
  const formats = FORMATS[date.replace(/\d/g, '0').replace(/[a-z]+/i, 'A')] ?? {};
  const read: Partial<Record<DateOrder, number>> = {};
  for (const order of DATE_ORDERS) {
    const format = formats[order];
    const parsed = format === undefined ? undefined : dayjs.utc(date, format, true);
    if (parsed?.isValid() === true) read[order] = parsed.valueOf();
  }
  return read;
}

/** Midnight where no time is written. */
function timeOfDay(hour: string | undefined, minute: string | undefined, second = '0', half?: string): number | null {
  if (hour === undefined || minute === undefined) return 0;
  const [h, m, s] = [Number(hour), Number(minute), Number(second)];
  if (m > 59 || s > 59 || (half === undefined ? h > 23 : h < 1 || h > 12)) return null;
  const hours = half === undefined ? h : (h % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  return ((hours * 60 + m) * 60 + s) * 1000;
}
