import { BLANK_STATES, LOOKS, LOT_USES, type BlankState, type Look, type LotUse } from '@ample-crane/core';
import {
  InCount,
  InFlag,
  InList,
  InNumber,
  InPart,
  InText,
  InTexts,
  Out,
  OutEnum,
  OutList,
  OutOrNull,
  OutPart,
} from '../platform/http/fields.ts';
import { VersionDto } from '../platform/http/version.dto.ts';

const LENGTH = { min: 1, max: 12_000 } as const;
const ACROSS = { min: 1, max: 2_000 } as const;

export class RectDto {
  @InNumber({ min: 0, max: 12_000 }) xMm: number;
  @InNumber({ min: 0, max: 2_000 }) yMm: number;
  @InNumber(LENGTH) lengthMm: number;
  @InNumber(ACROSS) widthMm: number;
}

export class BoardDto {
  @InNumber(LENGTH) lengthMm: number;
  /** at the left end */
  @InNumber(ACROSS) widthMm: number;
  /** at the right end */
  @InNumber(ACROSS) widthEndMm: number;
  @InNumber({ min: 1, max: 300 }) thicknessMm: number;
  @InList(() => RectDto, { max: 40 }) faults: RectDto[];
  @InText({ max: 40, nullable: true, optional: true }) grade?: string | null;
  @InNumber({ min: 1, max: 500_000, nullable: true, optional: true }) massG?: number | null;
  /** slices of one log share it */
  @InText({ max: 40, nullable: true, optional: true }) setId?: string | null;
}

export class BoardsDto extends VersionDto {
  @InList(() => BoardDto, { max: 200 }) boards: BoardDto[];
}

export class CuttingSettingsDto {
  @InNumber({ min: 0, max: 20 }) kerfMm: number;
  @InNumber({ min: 0, max: 200 }) edgingMm: number;
  @InNumber({ min: 0, max: 1_000 }) endTrimMm: number;
  @InNumber({ min: 0, max: 30 }) planingMm: number;
  @InNumber({ min: 0, max: 20 }) resawKerfMm: number;
}

export class WantDto {
  @InText({ max: 60 }) id: string;
  @InText() modelId: string;
  @InText({ max: 40 }) component: string;
  @InText({ nullable: true }) orderId: string | null;
  @InNumber(LENGTH) lengthMm: number;
  @InNumber(ACROSS) widthMm: number;
  @InNumber({ min: 0.5, max: 300 }) thicknessMm: number;
  @InCount({ min: 0, max: 12 }) leavesEach: number;
  /** may lie across the board's grain */
  @InFlag({ optional: true }) anyGrain?: boolean;
  @InCount({ min: 0, max: 2_000 }) count: number;
  @InNumber({ min: 0, max: 1_000_000 }) value: number;
}

export class PlacedBlankDto extends RectDto {
  @InText({ max: 60 }) blankId: string;
  @InCount({ min: 1, max: 200 }) pieces: number;
}

export class BoardPlanDto {
  @InText() boardId: string;
  @InList(() => PlacedBlankDto, { max: 400 }) placed: PlacedBlankDto[];
}

export class PlanDto {
  @InTexts({ max: 20 }) lotIds: string[];
  @InPart(() => CuttingSettingsDto) settings: CuttingSettingsDto;
  @InList(() => WantDto, { max: 20 }) wanted: WantDto[];
  @InList(() => BoardPlanDto, { max: 400 }) boards: BoardPlanDto[];
}

export class SavePlanDto extends PlanDto {
  @InCount({ min: 1, max: 1_000_000 }) version: number;
}

export class BoardView {
  @Out() id: string;
  @Out() lotId: string;
  @Out() ordinal: number;
  @Out() lengthMm: number;
  @Out() widthMm: number;
  @Out() widthEndMm: number;
  @Out() thicknessMm: number;
  @OutList(() => RectDto) faults: RectDto[];
  @OutOrNull(String) grade: string | null;
  @OutOrNull(Number) massG: number | null;
  @OutOrNull(String) setId: string | null;
  @OutEnum(['whole', 'cut']) state: 'whole' | 'cut';
}

export class BlankView {
  @Out() id: string;
  @Out() lotId: string;
  @Out() boardId: string;
  @Out() species: string;
  @OutEnum(LOT_USES) use: LotUse;
  /** what it was cut for; it may become another part that it fits */
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() component: string;
  @Out() lengthMm: number;
  @Out() widthMm: number;
  @Out() thicknessMm: number;
  @Out() setId: string;
  @OutEnum(LOOKS) look: Look;
  @OutOrNull(Number) massG: number | null;
  @OutOrNull(Number) moisturePct: number | null;
  @OutOrNull(String) orderId: string | null;
  @OutEnum(BLANK_STATES) state: BlankState;
  @OutOrNull(String) pieceId: string | null;
  /** the instrument it became part of */
  @OutOrNull(String) serial: string | null;
  @Out() version: number;
}

/** What an order still asks for of one model's part, or nobody does and it can be cut for stock. */
export class CutNeedView {
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() component: string;
  @Out() species: string;
  @Out() use: string;
  @OutOrNull(String) orderId: string | null;
  @OutOrNull(Number) dueMs: number | null;
  @Out() lengthMm: number;
  @Out() widthMm: number;
  @Out() thicknessMm: number;
  @Out() leavesEach: number;
  /** not started, and no blank kept for it */
  @Out() count: number;
}

export class YieldView {
  /** of what: this lot, its supplier, all */
  @Out() of: string;
  @Out() boards: number;
  /** volume of blanks over that of the boards they came from */
  @Out() yield: number;
}

export class PlanLineView {
  @Out() id: string;
  @Out() number: number;
  @Out() atMs: number;
  @Out() by: string;
  @OutList(() => String) lotIds: string[];
  @Out() boards: number;
  @Out() blanks: number;
  @OutEnum(['draft', 'cut']) state: 'draft' | 'cut';
}

export class PlanView extends PlanLineView {
  @Out() version: number;
  @OutPart(() => CuttingSettingsDto) settings: CuttingSettingsDto;
  @OutList(() => WantDto) wanted: WantDto[];
  @OutList(() => BoardPlanDto) plans: BoardPlanDto[];
  @OutList(() => BoardView) whole: BoardView[];
  @OutList(() => YieldView) past: YieldView[];
  /** blanks it gave, once cut */
  @OutList(() => BlankView) cut: BlankView[];
}

export class CuttingView {
  @OutPart(() => CuttingSettingsDto) settings: CuttingSettingsDto;
  @OutList(() => CutNeedView) needs: CutNeedView[];
  /** whole boards of released lots */
  @OutList(() => BoardView) whole: BoardView[];
}

export class CutDoneView {
  @Out() id: string;
  @OutList(() => BlankView) blanks: BlankView[];
}

export class WeighDto {
  @InList(() => WeighedDto, { max: 500 }) blanks: WeighedDto[];
}

export class WeighedDto extends VersionDto {
  @InText() id: string;
  @InNumber({ min: 1, max: 100_000 }) massG: number;
  /** when weighed; the lot's latest mean when left out */
  @InNumber({ min: 0, max: 100, optional: true }) moisturePct?: number;
}

export class JoinBlanksDto {
  /** as they lie side by side */
  @InList(() => BlankVersionDto, { max: 8 }) blanks: BlankVersionDto[];
  /** width that jointing takes at each joint */
  @InNumber({ min: 0, max: 50 }) jointMm: number;
}

export class ReserveDto {
  @InList(() => BlankVersionDto, { max: 500 }) blanks: BlankVersionDto[];
  /** the order they are kept for; nothing lets them go */
  @InText({ nullable: true }) orderId: string | null;
}

export class BlankVersionDto extends VersionDto {
  @InText() id: string;
}
