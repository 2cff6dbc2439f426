import {
  COMPONENTS,
  DISPOSITIONS,
  TRIAL_VERDICTS,
  WORK_CLASSES,
  type Disposition,
  type TrialVerdict,
  type WorkClass,
} from '@ample-crane/core';
import { WhenDto } from '../platform/http/version.dto.ts';
import { InCount, InFlag, InInstant, InList, InNumber, InOneOf, InPart, InText, InTexts } from '../platform/http/fields.ts';

const STARTED = COMPONENTS.filter((c) => c !== 'instrument');
const PIECES_MAX = 400;

export class PlacementDto {
  @InText({ max: 40 }) carrierId: string;
  @InCount({ min: 1, max: PIECES_MAX }) pieces: number;
}

export class StartBatchDto {
  @InText() modelId: string;
  @InOneOf(STARTED) component: (typeof STARTED)[number];
  @InCount({ min: 1, max: PIECES_MAX }) quantity: number;
  @InText() lotId: string;
  /** blanks it is made of, one for each piece; without them it is cut from the lot by volume */
  @InTexts({ max: PIECES_MAX, optional: true }) blankIds?: string[];
  @InText({ nullable: true }) orderId: string | null;
  /** where it sits */
  @InList(() => PlacementDto, { max: 40, optional: true }) placements?: PlacementDto[];
  /** what is left of the lot is too little for another batch, and goes with this one */
  @InFlag({ optional: true }) restIsOffcut?: boolean;
  /** what it is made for; for orders and stock where nothing is said */
  @InOneOf(WORK_CLASSES, { optional: true }) workClass?: WorkClass;
  /** the batch whose pieces these are cut from the same blocks as, in order */
  @InText({ optional: true }) matchBatchId?: string;
}

export class WorkDto extends WhenDto {
  @InText() personId: string;
}

export class StartCheckDto {
  /** which of the station's machines it is */
  @InText({ max: 60 }) machineId: string;
  /** the revision that the machine shows */
  @InText({ max: 10 }) revision: string;
  /** what was ticked, by the keys of the register */
  @InTexts({ max: 40 }) ticks: string[];
  @InNumber({ min: 0, max: 10_000, optional: true }) setUpMinutes?: number;
  @InNumber({ min: 0, max: 10_000, optional: true }) quotedMinutes?: number;
}

export class ResumeDto extends WorkDto {
  /** what was looked at on the machine, where others have been on it since */
  @InPart(() => StartCheckDto, { optional: true }) check?: StartCheckDto;
}

export class SettingDto {
  @InText({ max: 80 }) id: string;
  /** where it is a figure, in the unit that the step names */
  @InNumber({ min: -100_000, max: 100_000, optional: true }) figure?: number;
  @InText({ max: 80, optional: true }) words?: string;
}

export class StartWorkDto extends WorkDto {
  /** another way than the step's own */
  @InText({ optional: true }) wayId?: string;
  /** batches waiting at the same station that go into one job with it */
  @InTexts({ max: 40, optional: true }) withBatchIds?: string[];
  @InList(() => PlacementDto, { max: 40, optional: true }) placements?: PlacementDto[];
  /** how many of its pieces are begun, where not all are: the rest waits as a batch of its own */
  @InCount({ min: 1, max: 100_000, optional: true }) quantity?: number;
  /** what the step asks to be noted of how it is done */
  @InList(() => SettingDto, { max: 20, optional: true }) settings?: SettingDto[];
  /** what was looked at on the machine that runs it */
  @InPart(() => StartCheckDto, { optional: true }) check?: StartCheckDto;
}

/** Whoever is signed in accepts the work at its gate, for the skill the gate asks for; nobody does so for another. */
export class SignOffDto extends WhenDto {
  /** at a tablet that is signed in as a station: of whoever signs, at that moment */
  @InText({ max: 8, optional: true }) pin?: string;
  @InText({ max: 80 }) skill: string;
}

export class PauseDto extends WhenDto {
  /** as the register of causes names it */
  @InText({ max: 60 }) cause: string;
}

export class OutcomeDto {
  @InText() pieceId: string;
  @InOneOf(['rework', 'scrap']) outcome: 'rework' | 'scrap';
  /** as the register of defects names it */
  @InText({ max: 60 }) defect: string;
  @InText() originOperationId: string;
  @InText({ min: 0, max: 500, lines: true }) note: string;
}

export class SheetSaidDto {
  /** what was ticked, by its keys */
  @InTexts({ max: 20 }) ticks: string[];
  @InList(() => SettingDto, { max: 20 }) notes: SettingDto[];
}

export class FinishDto extends WhenDto {
  @InCount({ min: 0, max: PIECES_MAX }) good: number;
  @InCount({ min: 0, max: PIECES_MAX }) rework: number;
  @InCount({ min: 0, max: PIECES_MAX }) scrap: number;
  @InList(() => OutcomeDto, { max: PIECES_MAX }) outcomes: OutcomeDto[];
  /** why measures out of band are accepted as they are, by a lead */
  @InText({ min: 5, max: 500, lines: true, optional: true }) acceptReason?: string;
  /** what the step's sheet asks for when it is finished */
  @InPart(() => SheetSaidDto, { optional: true }) sheet?: SheetSaidDto;
}

/** Pieces that are ready before the rest. */
export class FinishSomeDto extends WhenDto {
  @InTexts({ max: PIECES_MAX }) pieceIds: string[];
  @InPart(() => SheetSaidDto, { optional: true }) sheet?: SheetSaidDto;
}

export class MoveDto extends WhenDto {
  @InText({ min: 5, max: 500, lines: true, optional: true }) overrideReason?: string;
  /** the answer where a loop runs until somebody accepts */
  @InFlag({ optional: true }) accepted?: boolean;
  @InList(() => PlacementDto, { max: 40, optional: true }) placements?: PlacementDto[];
}

export class HoldDto extends WhenDto {
  @InText({ max: 500, lines: true }) reason: string;
}

export class PlaceDto extends WhenDto {
  @InList(() => PlacementDto, { max: 40 }) placements: PlacementDto[];
}

export class PiecesDto extends WhenDto {
  @InTexts({ max: PIECES_MAX }) pieceIds: string[];
}

export class MergeDto extends WhenDto {
  @InText() fromBatchId: string;
}

export class PieceDefectDto {
  @InText() pieceId: string;
  /** as the register of defects names it */
  @InText({ max: 60 }) defect: string;
  @InText() originOperationId: string;
  @InText({ min: 0, max: 500, lines: true }) note: string;
}

export class RefusedPieceDto extends PieceDefectDto {
  @InOneOf(DISPOSITIONS) disposition: Disposition;
  /** the step it goes back to, when it is reworked */
  @InText({ nullable: true }) toOperationId: string | null;
}

export class RefuseDto extends WhenDto {
  @InList(() => RefusedPieceDto, { max: PIECES_MAX }) pieces: RefusedPieceDto[];
}

export class ScrapDto extends WhenDto {
  @InList(() => PieceDefectDto, { max: PIECES_MAX }) pieces: PieceDefectDto[];
}

export class SendDto extends WhenDto {
  @InText({ max: 120 }) to: string;
  @InInstant() dueBackMs: number;
}

export class CallDto extends WhenDto {
  @InCount({ min: 1, max: PIECES_MAX }) quantity: number;
  @InText({ nullable: true }) orderId: string | null;
}

export class JoinDto extends WorkDto {
  @InTexts({ max: 40 }) guestBatchIds: string[];
}

export class RefitDto extends WorkDto {
  @InText() neckBatchId: string;
}

export class RerouteDto extends WhenDto {
  @InText() routeId: string;
  @InText() operationId: string;
  @InText({ max: 500, lines: true }) reason: string;
}

export class VerdictDto extends WhenDto {
  @InOneOf(TRIAL_VERDICTS) verdict: TrialVerdict;
  /** what was found */
  @InText({ min: 10, max: 1000, lines: true }) words: string;
}

export class UndoDto extends WhenDto {
  @InCount({ min: 1, max: 2_000_000_000 }) entryId: number;
  @InText({ max: 500, lines: true }) reason: string;
}
