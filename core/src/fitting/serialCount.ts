import { rowKind } from '../ledger/index.ts';

/** How many serials were given out in one stretch of the sequence. */
export interface SerialCount {
  /** as {@link sequencePeriod} names it */
  period: string;
  given: number;
}

export const SerialCount = rowKind<SerialCount>('serial count', { key: 'period' });
