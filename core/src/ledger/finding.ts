export type Verdict = 'pass' | 'wait' | 'stop';

/** A rule's answer, in a sentence a person on the floor would say. */
export interface Finding {
  /** the kind of rule or check that speaks */
  rule: string;
  verdict: Verdict;
  sentence: string;
  /** earliest time the rule could pass, epoch ms */
  untilMs?: number;
  /** whether `untilMs` is a matter of the clock or of a forecast */
  sure?: 'certain' | 'forecast';
  /** what to do about a stop */
  remedy?: string;
  /** share of the wait that is done, 0…1 */
  done?: number;
  /** the longest it may wait, as a multiple of the least */
  maximum?: number;
  /** the field of the command that the finding is about, for an `input` finding */
  field?: string;
}

const ORDER: Record<Verdict, number> = { pass: 0, wait: 1, stop: 2 };

/** A gate's verdict is its worst finding; an empty gate passes. */
export function worst(findings: readonly Finding[]): Verdict {
  return findings.reduce<Verdict>((v, f) => (ORDER[f.verdict] > ORDER[v] ? f.verdict : v), 'pass');
}

/** Earliest time all waits could be over; undefined when nothing waits or one has no known end. */
export function earliestMs(findings: readonly Finding[]): number | undefined {
  const waits = findings.filter((f) => f.verdict === 'wait');
  if (waits.length === 0 || waits.some((f) => f.untilMs === undefined)) return undefined;
  return Math.max(...waits.map((f) => f.untilMs ?? 0));
}
