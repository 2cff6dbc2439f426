import { RIG_CYCLES, type RigChoice, type RigCycle, type RigsFor } from '@ample-crane/core';
import { Out, OutEnum, OutList, OutOrNull } from '../platform/http/fields.ts';

export class InRigWithView {
  @Out() batchId: string;
  @Out() pieces: number;
}

export class RigChoiceView implements RigChoice {
  @Out() rigId: string;
  @Out() name: string;
  @OutEnum(RIG_CYCLES) cycle: RigCycle;
  @Out() places: number;
  /** places that something can go in now */
  @Out() free: number;
  @Out() isClosed: boolean;
  /** of this batch in it, and of these what may come out now */
  @Out() own: number;
  @Out() ownOver: number;
  @OutOrNull(Number) nextMs: number | null;
  @OutList(() => InRigWithView) others: InRigWithView[];
}

/** The rigs a batch may be pressed in now. */
export class RigsForView implements RigsFor {
  @Out() stepName: string;
  /** pieces that are in none yet */
  @Out() outside: number;
  @OutList(() => RigChoiceView) rigs: RigChoiceView[];
}
