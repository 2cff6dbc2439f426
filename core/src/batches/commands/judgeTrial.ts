import type { Factory } from '../../factory/index.ts';
import { commandKind, refuse, rowsOf, wrongInput } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { accept } from '../decided.ts';
import type { TrialVerdict } from '../workClass.ts';

export interface JudgeTrialRequest {
  batchId: string;
  verdict: TrialVerdict;
  /** what was found */
  words: string;
}

/** The least that says anything. */
const FEWEST_LETTERS = 10;

/** A verdict on a trial, while it is made or after: taken up, changed and tried again, or dropped. */
export const JudgeTrial = commandKind('judge trial')<JudgeTrialRequest, Factory>({
  role: 'lead',
  concerns: ({ batchId }) => ({ about: [rowsOf(Batch, [batchId])] }),
  notBefore: ({ batchId }, rows) => ({ atMs: rows.get(Batch, batchId).startedMs, because: `Trial ${batchId} was started only after that` }),
  decide({ batchId, verdict, words }, { rows }) {
    if (rows.get(Batch, batchId).workClass !== 'trial') return refuse(`Batch ${batchId} is no trial`);
    if (words.trim().length < FEWEST_LETTERS) return wrongInput('words', 'Say what was found, so that nobody tries it again to know');
    const decision = accept({ kind: 'trial.judged', payload: { verdict, words: words.trim() } });
    return { ...decision, entries: decision.entries.map((entry) => ({ ...entry, batchId })) };
  },
});
