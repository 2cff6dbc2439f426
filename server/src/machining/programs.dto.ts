import { MOVED_TO, PROGRAM_STATES, REVISION_STATES, STAGES, type ProgramState, type RevisionState, type Stage } from '@ample-crane/core';
import { CharacteristicView } from '../factory/setup.dto.ts';
import {
  InCount,
  InInstant,
  InList,
  InNumber,
  InOneOf,
  InPart,
  InText,
  InTexts,
  Out,
  OutEnum,
  OutList,
  OutOrNull,
  OutPart,
} from '../platform/http/fields.ts';

const NAME = { max: 80 };
const NOTE = { min: 0, max: 400 };

export class AskForProgramDto {
  /** null where it serves every model */
  @InText({ nullable: true }) modelId: string | null;
  /** as steps call it */
  @InText(NAME) what: string;
  /** the side of the part that it cuts; empty where it has none */
  @InText({ min: 0, max: 40 }) side: string;
  /** the choices it is for, "option=value"; none where it is for all */
  @InTexts({ max: 40 }) serves: string[];
  /** who writes it */
  @InText({ nullable: true }) ownerId: string | null;
  @InText(NOTE) note: string;
}

export class OnProgramDto {
  @InText({ max: 300 }) programId: string;
  /** the version that was looked at */
  @InCount({ min: 0, max: 1_000_000 }) version: number;
  /** when it happened; now, when left out */
  @InInstant({ optional: true }) atMs?: number;
}

export class AssignProgramDto extends OnProgramDto {
  @InText({ nullable: true }) ownerId: string | null;
  @InText(NOTE) note: string;
}

export class CutterMinutesDto {
  /** the kind of cutter */
  @InText({ max: 60 }) cutter: string;
  /** how long it cuts in a load */
  @InNumber({ min: 0, max: 1000 }) minutes: number;
}

export class PlannedMinutesDto {
  @InNumber({ min: 0, max: 10_000 }) setUp: number;
  @InNumber({ min: 0, max: 10_000 }) load: number;
  @InNumber({ min: 0, max: 10_000 }) run: number;
  @InNumber({ min: 0, max: 10_000 }) unload: number;
}

export class DrawRevisionDto extends OnProgramDto {
  /** what it is for, or what it changes */
  @InText({ max: 400 }) why: string;
  /** what the machine calls it */
  @InText({ min: 0, max: 80 }) file: string;
  @InText({ min: 0, max: 60 }) fixture: string;
  @InCount({ min: 1, max: 1000 }) piecesALoad: number;
  @InList(() => CutterMinutesDto, { max: 30 }) cutters: CutterMinutesDto[];
  @InPart(() => PlannedMinutesDto) planned: PlannedMinutesDto;
}

export class MoveRevisionDto extends OnProgramDto {
  @InText({ max: 10 }) revision: string;
  @InOneOf(MOVED_TO) to: (typeof MOVED_TO)[number];
  @InText(NOTE) note: string;
}

export class FirstPieceMeasureDto {
  @InText({ max: 60 }) characteristicId: string;
  @InNumber({ min: -100_000, max: 100_000 }) value: number;
}

export class ProveRevisionDto extends OnProgramDto {
  @InText({ max: 10 }) revision: string;
  @InText({ max: 60 }) piece: string;
  @InList(() => FirstPieceMeasureDto, { max: 40 }) measures: FirstPieceMeasureDto[];
  @InText(NOTE) note: string;
}

export class PlanRevisionDto extends OnProgramDto {
  @InText({ max: 10 }) revision: string;
  @InPart(() => PlannedMinutesDto) planned: PlannedMinutesDto;
  @InText(NOTE) note: string;
}

export class PlannedMinutesView {
  @Out() setUp: number;
  @Out() load: number;
  @Out() run: number;
  @Out() unload: number;
}

export class CutterMinutesView {
  @Out() cutter: string;
  @Out() minutes: number;
}

export class RevisionStepView {
  @OutEnum(REVISION_STATES) state: RevisionState;
  @Out() atMs: number;
  @Out() by: string;
  @Out() note: string;
}

export class ProofMeasureView {
  @Out() name: string;
  @Out() unit: string;
  @Out() value: number;
  @Out() low: number;
  @Out() high: number;
}

export class ProofView {
  @Out() piece: string;
  @OutList(() => ProofMeasureView) measures: ProofMeasureView[];
  @Out() note: string;
  @Out() atMs: number;
  @Out() by: string;
}

export class ObservedView {
  @Out() count: number;
  @Out() medianMinutes: number;
  /** a quarter took less, and a quarter took more */
  @Out() lowMinutes: number;
  @Out() highMinutes: number;
}

export class TimeTruthView {
  @Out() stationCode: string;
  @Out() stationName: string;
  @OutOrNull(ObservedView) load: ObservedView | null;
  @OutOrNull(ObservedView) setUp: ObservedView | null;
  @OutOrNull(ObservedView) quoted: ObservedView | null;
}

export class RevisionView {
  @Out() name: string;
  @OutEnum(REVISION_STATES) state: RevisionState;
  @Out() why: string;
  @Out() file: string;
  @Out() fixture: string;
  @Out() piecesALoad: number;
  @OutList(() => CutterMinutesView) cutters: CutterMinutesView[];
  @OutPart(() => PlannedMinutesView) planned: PlannedMinutesView;
  @OutList(() => RevisionStepView) steps: RevisionStepView[];
  @OutOrNull(ProofView) proof: ProofView | null;
  /** what loads of it took, by station */
  @OutList(() => TimeTruthView) truths: TimeTruthView[];
}

export class WaitingOrderView {
  @Out() id: string;
  @Out() number: number;
  @Out() customer: string;
  @Out() dueMs: number;
}

export class OtherWayView {
  @Out() name: string;
  @Out() stationName: string;
}

export class WantedView {
  @OutEnum(STAGES) stage: Stage;
  @Out() stepName: string;
  /** the orders that wait for it, the earliest due first */
  @OutList(() => WaitingOrderView) orders: WaitingOrderView[];
  /** how the step can be done meanwhile */
  @OutList(() => OtherWayView) otherWays: OtherWayView[];
}

export class ProgramLineView {
  @Out() id: string;
  @OutOrNull(String) modelId: string | null;
  @Out() modelName: string;
  @Out() what: string;
  @Out() side: string;
  /** the choices it is for, in words */
  @OutList(() => String) serves: string[];
  @OutOrNull(String) ownerId: string | null;
  @OutOrNull(String) owner: string | null;
  @Out() askedMs: number;
  @Out() note: string;
  @OutEnum(PROGRAM_STATES) state: ProgramState;
  /** the revision that work runs */
  @OutOrNull(String) released: string | null;
  /** the newest that is not withdrawn */
  @OutOrNull(String) latest: string | null;
  /** null where no order waits */
  @OutOrNull(WantedView) wanted: WantedView | null;
  @Out() version: number;
}

/** A program that orders need and nobody has asked for. */
export class UnaskedView {
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() what: string;
  @OutPart(() => WantedView) wanted: WantedView;
}

export class ProgramsView {
  @OutList(() => ProgramLineView) programs: ProgramLineView[];
  @OutList(() => UnaskedView) unasked: UnaskedView[];
}

export class ProgramView {
  @OutPart(() => ProgramLineView) line: ProgramLineView;
  @OutList(() => RevisionView) revisions: RevisionView[];
  /** what a first piece is measured for */
  @OutList(() => CharacteristicView) firstPiece: CharacteristicView[];
}
