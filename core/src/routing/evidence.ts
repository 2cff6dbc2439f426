import type { AirSample, TemperatureSample } from '../climate/index.ts';
import { question } from '../ledger/index.ts';

/** What was last read of a zone's air. */
export const AirNow = question<{ zoneId: string }, AirSample>('air now');
/** How warm a zone has been, in time order; also the last reading before, where there is one. */
export const Temperatures = question<{ zoneId: string; fromMs: number; toMs: number }, readonly TemperatureSample[]>('temperatures');
/** The first number of its kind that has not been given out. */
export const NextNumber = question<{ of: 'batch' | 'lot' | 'customer_order' }, number>('next number');
