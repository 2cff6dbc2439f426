import { CHART_KINDS, CONTROL_STATES, RUN_RULES, type ChartKind, type ControlState, type RunRule } from '@ample-crane/core';
import { Type } from 'class-transformer';
import { InCount, InFlag, InInstant, InOneOf, InText, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';

export class SettleSignalDto {
  @InText({ max: 200 }) dimensionId: string;
  /** what was found and done */
  @InText({ max: 400 }) note: string;
  /** limits are made anew of the values to come */
  @InFlag() anew: boolean;
  /** when it happened; now, when left out */
  @InInstant({ optional: true }) atMs?: number;
}

export class ChartQuery {
  @InText({ max: 200 }) id: string;
  @InOneOf(CHART_KINDS, { optional: true }) kind?: ChartKind;
  /** how many of the latest values */
  @Type(() => Number) @InCount({ min: 10, max: 500, optional: true }) size?: number;
}

export class LimitsView {
  @Out() centre: number;
  @Out() lower: number;
  @Out() upper: number;
}

export class IndexView {
  @Out() value: number;
  /** where it lies with 95 % confidence */
  @Out() from: number;
  @Out() to: number;
}

export class CapabilityView {
  @Out() count: number;
  @Out() mean: number;
  @Out() sigmaOverall: number;
  @OutOrNull(IndexView) pp: IndexView | null;
  @OutPart(() => IndexView) ppk: IndexView;
  /** only of what is in control */
  @OutOrNull(IndexView) cp: IndexView | null;
  @OutOrNull(IndexView) cpk: IndexView | null;
}

export class DriftLeftView {
  /** parts until the line leaves the tolerance */
  @Out() x: number;
  @Out() from: number;
  @Out() to: number;
  @OutEnum(['low', 'high']) edge: 'low' | 'high';
}

export class DriftView {
  /** change from one part to the next, with its 95 % interval */
  @Out() slope: number;
  @Out() slopeFrom: number;
  @Out() slopeTo: number;
  @Out() now: number;
  /** null where it moves to an open side */
  @OutOrNull(DriftLeftView) left: DriftLeftView | null;
}

export class OpenSignalView {
  @OutEnum(RUN_RULES) rule: RunRule;
  @Out() sentence: string;
  @Out() atMs: number;
  @Out() batchId: string;
  @Out() pieceId: string;
  @Out() value: number;
}

export class FoundBehindView {
  @Out() note: string;
  @Out() atMs: number;
  @Out() by: string;
}

export class DimensionView {
  @Out() id: string;
  @Out() modelName: string;
  @Out() operationId: string;
  @Out() stepName: string;
  /** null where no route has the step any longer */
  @OutOrNull(String) stage: string | null;
  @Out() stationCode: string;
  @Out() stationName: string;
  @Out() name: string;
  @Out() unit: string;
  @Out() low: number;
  @Out() high: number;
  @OutOrNull(String) instrument: string | null;
  /** the batch is held when a rule fires */
  @Out() holds: boolean;
  /** the skill of who decides then; null for any lead */
  @OutOrNull(String) decidingSkill: string | null;
  /** values on its chart so far */
  @Out() count: number;
  /** how many more make limits; 0 once there are some */
  @Out() lacking: number;
  @OutOrNull(Number) lastMs: number | null;
  @OutOrNull(Number) lastValue: number | null;
  @OutEnum(CONTROL_STATES) state: ControlState;
  @OutOrNull(LimitsView) limits: LimitsView | null;
  @OutOrNull(OpenSignalView) signal: OpenSignalView | null;
  /** what was last found behind a signal */
  @OutOrNull(FoundBehindView) found: FoundBehindView | null;
  @OutOrNull(CapabilityView) capability: CapabilityView | null;
  @OutOrNull(DriftView) drift: DriftView | null;
}

export class ChartPointView {
  @Out() value: number;
  @OutOrNull(Number) spread: number | null;
  @Out() atMs: number;
  @Out() batchId: string;
  @OutList(() => String) pieceIds: string[];
}

export class ChartSignalView {
  @Out() sentence: string;
  /** positions of the points that make it */
  @OutList(() => Number) at: number[];
}

export class ChartView {
  @OutEnum(CHART_KINDS) kind: ChartKind;
  /** values a point stands for */
  @Out() size: number;
  /** batches with too few values to be shown */
  @Out() leftOut: number;
  @OutList(() => ChartPointView) points: ChartPointView[];
  @OutPart(() => LimitsView) values: LimitsView;
  @OutPart(() => LimitsView) spread: LimitsView;
  @OutList(() => ChartSignalView) signals: ChartSignalView[];
}

export class DimensionChartView {
  @OutPart(() => DimensionView) dimension: DimensionView;
  /** null of too few values, or where none were taken together */
  @OutOrNull(ChartView) chart: ChartView | null;
}
