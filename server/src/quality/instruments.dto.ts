import { GAUGE_VERDICTS, type GaugeVerdict } from '@ample-crane/core';
import { InList, InNumber, InNumbers, InText, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';

export class PartMeasuredDto {
  /** the same part, again and again */
  @InNumbers({ min: -100_000, max: 100_000, most: 20 }) again: number[];
}

export class PersonMeasuredDto {
  @InText({ max: 80 }) name: string;
  @InList(() => PartMeasuredDto, { max: 50 }) parts: PartMeasuredDto[];
}

export class StudyInstrumentDto {
  @InText({ max: 80 }) instrument: string;
  /** what was measured */
  @InText({ max: 80 }) what: string;
  @InText({ min: 0, max: 20 }) unit: string;
  /** the tolerance it is held against; null where a side is open */
  @InNumber({ min: -100_000, max: 100_000, nullable: true }) low: number | null;
  @InNumber({ min: -100_000, max: 100_000, nullable: true }) high: number | null;
  @InList(() => PersonMeasuredDto, { max: 10 }) people: PersonMeasuredDto[];
}

export class GaugeView {
  /** deviations in the unit of the values */
  @Out() repeatability: number;
  @Out() reproducibility: number;
  @Out() gauge: number;
  @Out() part: number;
  @OutOrNull(Number) ofTolerancePct: number | null;
  @Out() ofTotalPct: number;
  /** kinds of part it can tell apart; null for any number */
  @OutOrNull(Number) categories: number | null;
}

export class InstrumentStudyView {
  @Out() id: string;
  @Out() instrument: string;
  @Out() what: string;
  @Out() unit: string;
  @OutList(() => String) people: string[];
  @Out() parts: number;
  @Out() repeats: number;
  @Out() atMs: number;
  @Out() by: string;
  @OutEnum(GAUGE_VERDICTS) verdict: GaugeVerdict;
  @Out() sentence: string;
  @OutPart(() => GaugeView) byVariance: GaugeView;
  /** null where there is more of something than ranges are read of */
  @OutOrNull(GaugeView) byRange: GaugeView | null;
}
