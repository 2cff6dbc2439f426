/** What is wrong with a piece, and the step it comes from. */
export interface PieceDefect {
  pieceId: string;
  defect: string;
  originOperationId: string;
  note: string;
}

/** A piece that did not come out good. */
export interface PieceOutcome extends PieceDefect {
  outcome: 'rework' | 'scrap';
}

export const DISPOSITIONS = ['use as is', 'rework', 'scrap', 'hold'] as const;
/** What becomes of refused work. */
export type Disposition = (typeof DISPOSITIONS)[number];

/** Refused pieces that share a fate. Those reworked or held while others go on become a batch of their own. */
export interface Refusal {
  disposition: Disposition;
  pieces: readonly PieceDefect[];
  /** the step they go back to, when reworked */
  toOperationId: string | null;
  /** the number of their own batch; null when they stay, are scrapped, or are all there is */
  number: number | null;
}
