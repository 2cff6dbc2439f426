import { COMPONENTS, RIG_CYCLES, STAGES, type Component, type RigCycle, type Stage } from '@ample-crane/core';
import {
  InFlag,
  InOneOf,
  InText,
  InTexts,
  InWholeNumbers,
  Out,
  OutEnum,
  OutEnumOrNull,
  OutList,
  OutOrNull,
} from '../platform/http/fields.ts';
import { WorkDto } from '../batches/batches.dto.ts';

const PIECES_MAX = 400;

export class PutInRigDto extends WorkDto {
  @InText({ max: 40 }) rigId: string;
  /** which go in; as many as there is room for where nothing is said */
  @InTexts({ max: PIECES_MAX, optional: true }) pieceIds?: string[];
  /** which places they take, in the order of the pieces */
  @InWholeNumbers({ min: 1, max: 1000, most: PIECES_MAX, optional: true }) places?: number[];
}

export class WipeFacesDto extends WorkDto {
  /** which were wiped; all that are in no rig yet where nothing is said */
  @InTexts({ max: PIECES_MAX, optional: true }) pieceIds?: string[];
}

export class CloseRigDto extends WorkDto {
  @InText({ max: 40 }) rigId: string;
  /** why it is closed over glue that has lain open too long */
  @InText({ min: 5, max: 500, lines: true, optional: true }) overrideReason?: string;
}

export class TakeOutDto extends WorkDto {
  @InText({ max: 40 }) rigId: string;
  /** which come out; all that are free where nothing is said */
  @InTexts({ max: PIECES_MAX, optional: true }) pieceIds?: string[];
  /** it was no pressing, and they go in again */
  @InFlag({ optional: true }) back?: boolean;
  /** what is out goes on without those that were in no rig yet */
  @InFlag({ optional: true }) ahead?: boolean;
  @InText({ min: 5, max: 500, lines: true, optional: true }) overrideReason?: string;
}

export class RigsFilterDto {
  @InOneOf(STAGES, { optional: true }) stage?: Stage;
}

export class LoadBatchView {
  @Out() batchId: string;
  @Out() pieces: number;
  @OutList(() => String) pieceIds: string[];
  @OutEnum(COMPONENTS) component: Component;
  @Out() modelName: string;
  /** it is being glued still, and not at the rig */
  @Out() isGlued: boolean;
  @Out() version: number;
}

/** What went into a rig together, or sits in one of its places. */
export class RigLoadView {
  @Out() loadId: string;
  /** null where the rig is closed over all of it */
  @OutOrNull(Number) place: number | null;
  @Out() pieces: number;
  @Out() fromMs: number;
  /** null while it is open */
  @OutOrNull(Number) closedMs: number | null;
  /** when it may come out, or could have; null while it is open or its clock stands */
  @OutOrNull(Number) freeMs: number | null;
  @Out() isOver: boolean;
  /** share of its time that is done */
  @Out() done: number;
  /** why its clock stands */
  @OutEnumOrNull(['cold', 'silent']) stands: 'cold' | 'silent' | null;
  /** how far it has come, in words */
  @Out() told: string;
  @OutList(() => LoadBatchView) batches: LoadBatchView[];
}

export class ForRigView {
  @Out() batchId: string;
  /** "3 Millrace bodies" */
  @Out() what: string;
  @Out() pieces: number;
  /** so many of them fit now */
  @Out() fits: number;
  /** it waits at the rig, is being glued, or is next to be */
  @OutEnum(['waits', 'being glued', 'to be glued']) state: 'waits' | 'being glued' | 'to be glued';
  @Out() sinceMs: number;
  @OutOrNull(Number) dueMs: number | null;
  /** the factory's days past its due date, below zero before it; null where it has none */
  @OutOrNull(Number) lateDays: number | null;
  @Out() version: number;
}

export class ComingView {
  @Out() batchId: string;
  @Out() what: string;
  @Out() pieces: number;
  /** when, if nothing holds it up */
  @Out() atMs: number;
}

/** Closing a part-filled rig at a time, and who waits because of that. */
export class ClosingView {
  @Out() closeMs: number;
  @Out() pieces: number;
  @OutList(() => String) waitsFor: string[];
  /** what is in it is held so much longer than if it were closed at once, in hours of one piece */
  @Out() heldPieceHours: number;
  /** what comes too late waits so long for it to open again */
  @Out() shutOutPieceHours: number;
  @Out() emptyPlaces: number;
}

/** The next load of what is closed over all, where what is there does not fill it. */
export class NextLoadView {
  @Out() pieces: number;
  @OutOrNull(Number) sinceMs: number | null;
  /** going on at once and waiting for each that comes, the least waiting first */
  @OutList(() => ClosingView) closings: ClosingView[];
}

export class BringsView {
  @Out() stationCode: string;
  @Out() stationName: string;
  @Out() pieces: number;
  @Out() minutes: number;
  @Out() days: number;
}

export class RigView {
  @Out() id: string;
  @Out() name: string;
  @Out() kind: string;
  @Out() stationCode: string;
  @Out() stationName: string;
  @OutEnum(RIG_CYCLES) cycle: RigCycle;
  @Out() places: number;
  @Out() handsMinutes: number;
  @OutList(() => RigLoadView) loads: RigLoadView[];
  @Out() free: number;
  /** by when it must be closed, before the glue in it skins over; null where it is closed, or nobody says */
  @OutOrNull(Number) closeByMs: number | null;
  @OutList(() => ForRigView) waiting: ForRigView[];
  @OutList(() => ComingView) coming: ComingView[];
  /** of what is closed over all, the load that is not full */
  @OutOrNull(NextLoadView) nextLoad: NextLoadView | null;
  /** what it holds brings to the next bench */
  @OutList(() => BringsView) brings: BringsView[];
  @OutOrNull(Number) usualMinutes: number | null;
  @OutOrNull(Number) ceilingAnHour: number | null;
  @Out() outToday: number;
  @OutOrNull(Number) couldToday: number | null;
}

/** What whoever tends the rigs has to know. */
export class RhythmView {
  @Out() freePieces: number;
  @OutOrNull(Number) freeSinceMs: number | null;
  @Out() idlePlaceMinutes: number;
  @OutOrNull(Number) nextMs: number | null;
  @OutOrNull(Number) returnMs: number | null;
  @Out() returnPieces: number;
  @Out() lostPlaceMinutes: number;
  /** until when that is reckoned: the end of this shift */
  @Out() untilMs: number;
}

export class RigsView {
  @OutList(() => RigView) rigs: RigView[];
  @OutOrNull(RhythmView) rhythm: RhythmView | null;
}
