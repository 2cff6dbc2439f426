import dayjs from 'dayjs';
import isoWeek from 'dayjs/plugin/isoWeek.js';
import dayOfYear from 'dayjs/plugin/dayOfYear.js';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';

dayjs.extend(utc);
dayjs.extend(timezone);
dayjs.extend(isoWeek);
dayjs.extend(dayOfYear);

/** How often the sequence starts again. */
export type SequenceReset = 'day' | 'week' | 'year' | 'never';

/**
 * How serials are made. Tokens: `{YYYY}` `{YY}` year, `{DDD}` day of year, `{WW}` ISO week (with `{GG}` its year),
 * `{MODEL}` model code, `{SEQn}` sequence in n digits, `{CHECK}` check digit over all before it.
 */
export interface SerialPattern {
  template: string;
  reset: SequenceReset;
}

const TOKEN = /\{(YYYY|YY|GG|DDD|WW|MODEL|SEQ[1-9]|CHECK)\}/g;

/**
 * Why a pattern may not be used: unknown tokens, or a sequence that starts again without the date that tells it apart.
 *
 * @returns sentences; empty when the pattern never repeats before its digits run out
 */
export function checkSerialPattern({ template, reset }: SerialPattern): string[] {
  const problems: string[] = [];
  const rest = template.replace(TOKEN, '');
  if (/[{}]/.test(rest)) problems.push('A token is not known');
  else if (!/^[A-Z0-9-]*$/.test(rest)) problems.push('Besides tokens only capital letters, digits and dashes can be stamped');
  const has = (token: string) => template.includes(`{${token}}`);
  const hasYear = has('YYYY') || has('YY');
  if (!/\{SEQ[1-9]\}/.test(template)) problems.push('Without {SEQn} two instruments would get the same serial');
  if ((template.match(/\{SEQ[1-9]\}/g) ?? []).length > 1) problems.push('The sequence may stand only once');
  if (reset === 'day' && !(hasYear && has('DDD')))
    problems.push('A sequence per day repeats unless the pattern has the year and the day of year');
  if (reset === 'week' && !(has('GG') && has('WW')))
    problems.push('A sequence per week repeats unless the pattern has {GG}, the year of the week, and {WW}');
  if (reset === 'year' && !hasYear) problems.push('A sequence per year repeats unless the pattern has the year');
  if (has('CHECK') && !template.endsWith('{CHECK}')) problems.push('The check digit stands last');
  return problems;
}

/** The stretch of time within which sequence numbers count up, as a key: `2026-328`, `2026-W48`, `2026`, `all`. */
export function sequencePeriod(atMs: number, timeZone: string, reset: SequenceReset): string {
  const at = dayIn(timeZone, atMs);
  switch (reset) {
    case 'day':
      return `${at.year()}-${String(at.dayOfYear()).padStart(3, '0')}`;
    case 'week':
      return `${at.isoWeekYear()}-W${String(at.isoWeek()).padStart(2, '0')}`;
    case 'year':
      return String(at.year());
    case 'never':
      return 'all';
  }
}

/** When the stretch that a time falls in began; 0 for one that never begins anew. */
export function sequenceStartMs(atMs: number, timeZone: string, reset: SequenceReset): number {
  if (reset === 'never') return 0;
  const day = dayIn(timeZone, atMs);
  const back = { day: 0, week: day.isoWeekday() - 1, year: day.dayOfYear() - 1 };
  return dayjs.tz(day.subtract(back[reset], 'day').format(DAY), timeZone).valueOf();
}

const DAY = 'YYYY-MM-DD';

/** The day of the calendar somewhere. Weeks are reckoned from it: the package misses their first instant in other zones. */
const dayIn = (timeZone: string, atMs: number) => dayjs.utc(dayjs(atMs).tz(timeZone).format(DAY));

/**
 * Luhn check digit; letters count as 10…35, written out in digits.
 *
 * @source ISO/IEC 7812-1 annex B
 */
export function checkDigit(text: string): number {
  const digits = [...text.toUpperCase()]
    .filter((ch) => /[A-Z0-9]/.test(ch))
    .map((ch) => parseInt(ch, 36).toString())
    .join('');
  const sum = [...digits].reverse().reduce((total, ch, i) => {
    const doubled = Number(ch) * (i % 2 === 0 ? 2 : 1);
    return total + (doubled > 9 ? doubled - 9 : doubled);
  }, 0);
  return (10 - (sum % 10)) % 10;
}

/**
 * The serial with a given sequence number.
 *
 * @param sequence from 1 within the period
 * @throws RangeError when the number has more digits than the pattern gives it: it would repeat or run over
 */
export function formatSerial(
  pattern: SerialPattern,
  { atMs, timeZone, modelCode, sequence }: { atMs: number; timeZone: string; modelCode: string; sequence: number },
): string {
  const at = dayIn(timeZone, atMs);
  const body = pattern.template.replace(TOKEN, (_, token: string) => {
    switch (token) {
      case 'YYYY':
        return String(at.year());
      case 'YY':
        return String(at.year()).slice(-2);
      case 'GG':
        return String(at.isoWeekYear()).slice(-2);
      case 'DDD':
        return String(at.dayOfYear()).padStart(3, '0');
      case 'WW':
        return String(at.isoWeek()).padStart(2, '0');
      case 'MODEL':
        return modelCode;
      case 'CHECK':
        return '';
      default: {
        const width = Number(token.slice(3));
        if (String(sequence).length > width) throw new RangeError(`Sequence ${sequence} does not fit in ${width} digits`);
        return String(sequence).padStart(width, '0');
      }
    }
  });
  return pattern.template.endsWith('{CHECK}') ? `${body}${checkDigit(body)}` : body;
}
