import { LOT_STATES, LOT_USES, type Finding, type LotState, type LotUse, type Verdict } from '@ample-crane/core';
import { Transform } from 'class-transformer';
import {
  InCount,
  InFlag,
  InInstant,
  InNumber,
  InOneOf,
  InText,
  InTexts,
  Out,
  OutEnum,
  OutList,
  OutOrNull,
  OutPart,
} from '../platform/http/fields.ts';
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
}

export class ReadingsDto extends VersionDto {
  /** a row of values as people say them: `8.4 8.6 c9.6` */
  @InText({ max: 2000 }) text: string;
  @InNumber({ min: -20, max: 60 }) woodTempC: number;
  @InOneOf(['pin', 'pinless']) meter: 'pin' | 'pinless';
  @InInstant({ optional: true }) atMs?: number;
}

export class StrikeDto extends VersionDto {
  @InText() sessionId: string;
  @InCount({ min: 1, max: 1000 }) seq: number;
  @InText({ max: 300 }) reason: string;
}

export class ReleaseLotDto extends VersionDto {
  @InText({ max: 500, optional: true }) overrideReason?: string;
}

export class CsvDto {
  /** the file's text */
  @InText({ max: 2_000_000 }) csv: string;
}

export class LotFilterDto {
  @Transform(({ value }: { value: unknown }) => (typeof value === 'string' ? value.split(',') : value))
  @InTexts({ max: 10, optional: true })
  states?: string[];
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
  @OutEnum(['pass', 'wait', 'stop']) verdict: Verdict;
  @OutList(() => FindingView) findings: Finding[];
  @OutList(() => Number) latest: number[];
  /** days until its mean enters the band: 0 when in it, null when unknown or never */
  @OutOrNull(Number) daysToBand: number | null;
  @OutOrNull(String) never: string | null;
}

export class ReadingView {
  @Out() seq: number;
  @OutEnum(['shell', 'core']) depth: 'shell' | 'core';
  @Out() rawPct: number;
  @Out() correctedPct: number;
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

export class LotCardView {
  @OutPart(() => LotView) lot: LotView;
  @Out() zoneName: string;
  @Out() roomEmcPct: number;
  @Out() ratePerDay: number;
  @OutList(() => ReadingSessionView) sessions: ReadingSessionView[];
  @OutList(() => LotUseView) batches: LotUseView[];
  @OutList(() => String) serials: string[];
  @OutList(() => OverrideView) overrides: OverrideView[];
  @OutList(() => LogView) log: LogView[];
}

export class ImportRowView {
  @Out() line: number;
  @Out() lotId: string;
  @Out() text: string;
  @OutOrNull(Number) atMs: number | null;
  @OutOrNull(String) problem: string | null;
}

export class ImportView {
  @OutList(() => ImportRowView) rows: ImportRowView[];
  @Out() good: number;
  @Out() bad: number;
  @Out() saved: boolean;
}
