import {
  LOT_STATES,
  LOT_USES,
  METHODS,
  OUT_OF_BAND,
  type OutOfBand,
  type Finding,
  type LotState,
  type LotUse,
  type Method,
  type Verdict,
} from '@ample-crane/core';
import { Transform, Type } from 'class-transformer';
import {
  InCount,
  InFlag,
  InInstant,
  InNumber,
  InOneOf,
  InText,
  InEach,
  Out,
  OutEnum,
  OutEnumOrNull,
  OutList,
  OutOrNull,
  OutPart,
} from '../platform/http/fields.ts';
import { BlankView, BoardView } from './cutting.dto.ts';
import { PictureView } from './pictures.ts';
import { OPEN_STATES, type OpenState } from './openStates.ts';
import { DryingView, ReadyView } from './drying.view.ts';
import { FindingView, LogView, OverrideView } from '../platform/http/views.ts';
import { VersionDto } from '../platform/http/version.dto.ts';

export class ReceiveLotDto {
  @InText({ max: 60 }) species: string;
  @InText({ max: 60 }) form: string;
  @InOneOf(LOT_USES) use: LotUse;
  @InNumber({ min: 1, max: 150 }) thicknessMm: number;
  @InNumber({ min: 0.0001, max: 500 }) volumeM3: number;
  @InText({ max: 120 }) supplier: string;
  @InText({ max: 120 }) origin: string;
  @InText({ max: 60, nullable: true }) permit: string | null;
  @InFlag() restricted: boolean;
  @InText() zoneId: string;
  /** moisture by the supplier's papers */
  @InNumber({ min: 0, max: 200, optional: true, nullable: true }) papersPct?: number | null;
  @InText({ max: 40, optional: true, nullable: true }) grade?: string | null;
  @InText({ max: 40, optional: true, nullable: true }) place?: string | null;
}

export class DescribeLotDto extends VersionDto {
  @InNumber({ min: 0, max: 200, optional: true, nullable: true }) papersPct?: number | null;
  @InText({ max: 40, optional: true, nullable: true }) grade?: string | null;
  @InText({ max: 40, optional: true, nullable: true }) place?: string | null;
  @InText({ max: 60, optional: true, nullable: true }) permit?: string | null;
}

/** So much of a lot is an order's; none of it at 0. */
export class KeepWoodDto extends VersionDto {
  @InText({ max: 40 }) orderId: string;
  @InNumber({ min: 0, max: 500 }) volumeM3: number;
}

/** Wood of a lot that an order has. */
export class KeptWoodView {
  @Out() orderId: string;
  @Out() customer: string;
  @Out() volumeM3: number;
}

export class MoveLotDto extends VersionDto {
  @InText() zoneId: string;
  @InText({ max: 40, nullable: true }) place: string | null;
  /** the kiln schedule it goes on, where the zone is a kiln or cabinet */
  @InText({ nullable: true }) scheduleId: string | null;
}

export class AirDto {
  @Type(() => Number)
  @InNumber({ min: -10, max: 100 })
  tempC: number;
  /** fraction 0…1 */
  @Type(() => Number)
  @InNumber({ min: 0.01, max: 0.99 })
  relativeHumidity: number;
}

export class ReadingsDto extends VersionDto {
  /** a row of values as people say them: `8.4 8.6 c9.6` */
  @InText({ max: 2000, lines: true }) text: string;
  @InNumber({ min: -20, max: 60 }) woodTempC: number;
  @InOneOf(METHODS) meter: Method;
  @InInstant({ optional: true }) atMs?: number;
}

class ReadingNamedDto extends VersionDto {
  @InText() sessionId: string;
  @InCount({ min: 1, max: 1000 }) seq: number;
}

export class CorrectReadingDto extends ReadingNamedDto {
  /** the reading as it should have been typed */
  @InText({ max: 60 }) text: string;
}

export class StrikeDto extends ReadingNamedDto {
  @InText({ max: 300 }) reason: string;
}

export class ReleaseLotDto extends VersionDto {
  @InText({ min: 5, max: 500, lines: true, optional: true }) overrideReason?: string;
}

export class LotFilterDto {
  @Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.split(',') : value))
  @InEach(OPEN_STATES)
  states?: OpenState[];
}

export class BandView {
  @Out() low: number;
  @Out() high: number;
}

export class LotView {
  @Out() id: string;
  @Out() number: number;
  @Out() species: string;
  @Out() form: string;
  @OutEnum(LOT_USES) use: LotUse;
  @Out() thicknessMm: number;
  @Out() volumeM3: number;
  @Out() leftM3: number;
  @Out() supplier: string;
  @Out() origin: string;
  @OutOrNull(String) permit: string | null;
  @Out() restricted: boolean;
  @Out() zoneId: string;
  @Out() receivedMs: number;
  @OutEnum(LOT_STATES) state: LotState;
  @OutOrNull(Number) releasedMs: number | null;
  @OutOrNull(Number) meanPct: number | null;
  @OutOrNull(Number) lastReadMs: number | null;
  @Out() version: number;
  @OutPart(() => BandView) band: BandView;
  /** whether it was released and lies outside its band, and since when */
  @OutEnumOrNull(OUT_OF_BAND) outOfBand: OutOfBand | null;
  @OutEnum(['pass', 'wait', 'stop']) verdict: Verdict;
  @OutList(() => FindingView) findings: Finding[];
  @OutList(() => Number) latest: number[];
  /** positions of the latest readings that stand apart from the rest */
  @OutList(() => Number) odd: number[];
  @Out() readingsNeeded: number;
  /** whose rules these are: the factory's, or those of a form or use */
  @Out() rulesOf: string;
  @OutOrNull(ReadyView) ready: ReadyView | null;
  @OutOrNull(Number) papersPct: number | null;
  /** mean of its first session, while it dries */
  @OutOrNull(Number) firstPct: number | null;
  @OutOrNull(String) grade: string | null;
  @OutOrNull(String) place: string | null;
  /** measured and not cut: what a cutting plan can be made of */
  @Out() wholeBoards: number;
  @OutOrNull(String) scheduleId: string | null;
  @Out() sessions: number;
}

export class ReadingView {
  @Out() seq: number;
  @OutEnum(['shell', 'core']) depth: 'shell' | 'core';
  @Out() rawPct: number;
  @Out() correctedPct: number;
  @OutOrNull(Number) massG: number | null;
  @OutOrNull(Number) dryMassG: number | null;
  /** of the wood, where it was not the session's */
  @OutOrNull(Number) woodTempC: number | null;
  /** what was written down first, where it was put right */
  @OutOrNull(Number) firstRawPct: number | null;
  @OutOrNull(String) struck: string | null;
}

export class ReadingSessionView {
  @Out() id: string;
  @Out() atMs: number;
  @Out() by: string;
  @Out() meter: string;
  @Out() woodTempC: number;
  @Out() meanPct: number;
  @Out() spreadPct: number;
  @OutList(() => ReadingView) readings: ReadingView[];
}

export class LotUseView {
  @Out() batchId: string;
  @Out() modelName: string;
  @Out() component: string;
  @Out() startedMs: number;
}

export class StayView {
  @Out() zoneId: string;
  @Out() zoneName: string;
  @Out() fromMs: number;
}

export class SampleView {
  @Out() name: string;
  @Out() dryMassG: number;
}

export class LotCardView {
  @OutPart(() => LotView) lot: LotView;
  @Out() zoneName: string;
  @OutList(() => StayView) stays: StayView[];
  @OutList(() => SampleView) samples: SampleView[];
  @OutOrNull(DryingView) drying: DryingView | null;
  @OutList(() => ReadingSessionView) sessions: ReadingSessionView[];
  @OutList(() => LotUseView) batches: LotUseView[];
  @OutList(() => String) serials: string[];
  /** what orders that wait for it keep of it */
  @OutList(() => KeptWoodView) kept: KeptWoodView[];
  @OutList(() => BoardView) boards: BoardView[];
  @OutList(() => BlankView) blanks: BlankView[];
  @OutList(() => PictureView) pictures: PictureView[];
  @OutList(() => OverrideView) overrides: OverrideView[];
  @OutList(() => LogView) log: LogView[];
}
