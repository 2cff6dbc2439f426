import { asked, NOT_ANSWERED, refuse, type Answers } from '../ledger/index.ts';
import { NextNumber } from '../routing/index.ts';

/** Asks for the number of a batch that is to be made. */
export const BATCH_NUMBER = asked(NextNumber, { of: 'batch' });

/** The first batch number not given out yet; null where nobody could say. */
export function numberIn(answers: Answers): number | null {
  const number = answers.to(NextNumber, { of: 'batch' });
  return number === NOT_ANSWERED ? null : number;
}

export const NO_NUMBER = refuse('No batch number is free');
