import type { Finding } from './finding.ts';

/** What a command may do: these entries, in order. */
export interface Accepted<Draft> {
  kind: 'accept';
  entries: Draft[];
}
/** Why it may not. */
export interface Refused {
  kind: 'refuse';
  because: Finding[];
}
/** The answer to a command; a business "no" is an answer too, never an error. */
export type Decision<Draft> = Accepted<Draft> | Refused;

export const refuse = (sentence: string, extra: Partial<Finding> = {}): Refused => ({
  kind: 'refuse',
  because: [{ rule: 'state', verdict: 'stop', sentence, ...extra }],
});

/** The command itself is wrong, in one of its fields. */
export const wrongInput = (field: string, sentence: string): Refused => refuse(sentence, { rule: 'input', field });
