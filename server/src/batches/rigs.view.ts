import { RIG_CYCLES, type RigChoice, type RigCycle, type RigsFor, type WipeStanding } from '@ample-crane/core';
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
  /** by when it must be closed, before the glue in it skins over */
  @OutOrNull(Number) closeByMs: number | null;
  @OutList(() => InRigWithView) others: InRigWithView[];
}

/** How the wipe of what is to be glued stands. */
export class WipeStandingView implements WipeStanding {
  @Out() withWhat: string;
  /** a wipe holds so long */
  @Out() minutes: number;
  /** pieces that have to be wiped, for the first time or again */
  @Out() due: number;
  /** when the first of the others has to be wiped again */
  @OutOrNull(Number) untilMs: number | null;
}

/** The rigs a batch may be pressed in now. */
export class RigsForView implements RigsFor {
  @Out() stepName: string;
  /** pieces that are in none yet */
  @Out() outside: number;
  /** null where its faces need no wipe */
  @OutOrNull(WipeStandingView) wipe: WipeStandingView | null;
  @OutList(() => RigChoiceView) rigs: RigChoiceView[];
}
