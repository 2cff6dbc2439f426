import { STAGES, type Limit, type Stage } from '@ample-crane/core';
import { Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';

export class StationFlowView {
  @Out() code: string;
  @Out() name: string;
  @OutEnum(STAGES) stage: Stage;
  @Out() benches: number;
  @Out() workedHours: number;
  @Out() availableHours: number;
  /** load that arrived ÷ available hours */
  @Out() loadRatio: number;
  @Out() meanActiveHours: number;
  @Out() good: number;
  @Out() rework: number;
  @Out() scrap: number;
  @OutOrNull(Number) firstPassYield: number | null;
  @Out() queuedBatches: number;
  @Out() queuedHours: number;
  @Out() weeklyHours: number;
  @OutList(() => Number) goodByShift: number[];
}

/** What limits the factory. */
export class LimitView {
  @OutEnum(['station', 'people', 'room', 'filling', 'starts', 'nothing']) kind: Limit['kind'];
  /** the narrow, where it is a station */
  @OutOrNull(String) stationCode: string | null;
  @OutOrNull(String) stationName: string | null;
  @Out() sentence: string;
}

export class SpanView {
  @Out() station: string;
  @Out() stationName: string;
  @Out() fromMs: number;
  @Out() toMs: number;
}

/** A station was given another number of places. */
export class PlacesChangeView {
  @Out() station: string;
  @Out() stationName: string;
  @Out() atMs: number;
  @Out() before: number;
  @Out() after: number;
}

export class ClassView {
  @Out() days: number;
  @Out() count: number;
}

export class FlowView {
  @Out() days: number;
  @Out() fromMs: number;
  @Out() toMs: number;
  @OutList(() => StationFlowView) stations: StationFlowView[];
  @OutList(() => Number) shiftsMs: number[];
  @Out() meanWip: number;
  @OutList(() => Number) wipByDay: number[];
  @Out() throughputPerDay: number;
  @Out() shipped: number;
  @Out() meanLeadDays: number;
  @OutOrNull(Number) leadP50Days: number | null;
  @OutOrNull(Number) leadP85Days: number | null;
  @OutList(() => ClassView) leadHistogram: ClassView[];
  @OutOrNull(Number) littleResidual: number | null;
  @OutPart(() => LimitView) limit: LimitView;
  @OutList(() => SpanView) spans: SpanView[];
  /** in the window, the latest first */
  @OutList(() => PlacesChangeView) placesChanges: PlacesChangeView[];
}

export class MonthView {
  /** "2026-03" */
  @Out() id: string;
  @Out() fromMs: number;
  /** all of it is over and on record */
  @Out() whole: boolean;
  @Out() workDays: number;
  /** hours that people who work here now were there */
  @Out() peopleHours: number;
  /** bodies begun, and instruments sent off */
  @Out() begun: number;
  @Out() shipped: number;
  /** by working day */
  @Out() shippedPerDay: number;
  @OutOrNull(Number) meanLeadDays: number | null;
  /** of what came out of all stations, what came back or was lost */
  @OutOrNull(Number) returnedShare: number | null;
  @OutOrNull(String) busiest: string | null;
  @OutOrNull(Number) busiestShare: number | null;
  /** how it compares with the month before; null where one of the two is not whole */
  @OutOrNull(String) why: string | null;
}

export class MonthsView {
  /** when the first body was begun */
  @OutOrNull(Number) sinceMs: number | null;
  /** the earliest first */
  @OutList(() => MonthView) months: MonthView[];
}
