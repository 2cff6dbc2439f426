import type { CureLaw } from '../climate/index.ts';
import { question } from '../ledger/index.ts';

/** How long glue asks for, at the temperature of its law. */
export interface DwellLaw {
  minutes: number;
  law: CureLaw;
}

/** What a load asks for, as it was known when it was closed. */
export interface RigLaws {
  /** before it comes out: of everything that is in with it, so the longest holds */
  out: readonly DwellLaw[];
  /** before it may be machined or stressed, from the same moment; null where nobody says */
  set: DwellLaw | null;
  /** how long its glue may lie open before it is closed, minutes; not there where nobody says */
  openMinutes?: number;
}

/** A piece's latest time in a rig. */
export interface RigStay {
  rigId: string;
  /** all that went in together has one */
  loadId: string;
  /** which of the rig's places, from 1; null where it is closed over all of them */
  place: number | null;
  /** the step that it is for */
  operationId: string;
  inMs: number;
  /** when its time began; null while the rig is open */
  closedMs: number | null;
  laws: RigLaws | null;
  outMs: number | null;
  /** it was taken out before its time, with a reason */
  early: boolean;
  /** it has gone on from the step, or back: what it was in counts no more */
  left: boolean;
}

/** A piece that is in a rig. */
export interface PieceInRig {
  pieceId: string;
  batchId: string;
  stay: RigStay;
}

/** What is in a rig now. */
export const InRig = question<{ rigId: string }, readonly PieceInRig[]>('in rig');
