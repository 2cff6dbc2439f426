import { entryKind } from '../../ledger/index.ts';
import type { TrialVerdict } from '../workClass.ts';
import { changeBatch } from './rows.ts';

export interface Judgement {
  verdict: TrialVerdict;
  /** what was found */
  words: string;
}

/** Somebody says what a trial has shown; the last word on it holds. */
export const TrialJudged = entryKind('trial.judged')<Judgement>({
  apply(rows, { batchId, atMs, personId, payload: { verdict, words } }) {
    changeBatch(rows, batchId, { judged: { verdict, words, personId, atMs } });
  },
  sentence: ({ payload: { verdict, words } }) => `Trial judged: ${verdict}. ${words}`,
});
