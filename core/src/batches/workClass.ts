export const WORK_CLASSES = ['order', 'special', 'trial', 'tooling'] as const;
/**
 * order: made for orders and stock · special: one of its kind, for an order · trial: to find something out, judged at its
 * end · tooling: forms, moulds and fixtures for the house. Each has hours of its own.
 */
export type WorkClass = (typeof WORK_CLASSES)[number];

/** What it is called where it stands beside others. */
export const WORK_CLASS_NAMES: Readonly<Record<WorkClass, string>> = {
  order: 'orders and stock',
  special: 'specials',
  trial: 'trials',
  tooling: 'tooling',
};

/** Whether it tells how the house works: trials and tooling are kept out of yields, times and charts. */
export const isCounted = ({ workClass }: { workClass: WorkClass }): boolean => workClass === 'order' || workClass === 'special';

export const TRIAL_VERDICTS = ['take it up', 'change it and try again', 'drop it'] as const;
export type TrialVerdict = (typeof TRIAL_VERDICTS)[number];

/** What a trial has shown, and who says so. */
export interface Judged {
  verdict: TrialVerdict;
  words: string;
  personId: string | null;
  atMs: number;
}

/** What a piece is that has gone no further than its trial; others became part of something. */
export const TRIAL_ENDS: readonly string[] = ['good', 'rework', 'scrapped', 'shipped'];

/** Whether a trial has ended without anybody's saying what it has shown. What became part of something else goes on in that. */
export const isUnjudged = (
  { workClass, status, judged }: { workClass: WorkClass; status: string; judged: Judged | null },
  pieces: readonly { state: string }[],
): boolean =>
  workClass === 'trial' &&
  judged === null &&
  (status === 'done' || status === 'stocked') &&
  pieces.some(({ state }) => TRIAL_ENDS.includes(state));
