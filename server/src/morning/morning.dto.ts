import { STAGES, type Finding, type Stage } from '@ample-crane/core';
import { LimitView, StationFlowView } from '../flow/flow.dto.ts';
import { Out, OutEnum, OutEnumOrNull, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { FindingView, LogView } from '../platform/http/views.ts';
import { MakeNextView, OrderView } from '../orders/orders.dto.ts';
import { BatchView } from '../batches/batch.view.ts';

const DECISION_SUBJECTS = ['batch', 'lot', 'zone', 'dimension', 'program', 'cutter', 'device'] as const;
export type DecisionSubject = (typeof DECISION_SUBJECTS)[number];

export class DecisionView {
  @OutEnum(STAGES) stage: Stage;
  /** what kind of act it asks for */
  @OutEnum(['move', 'release', 'answer', 'hold', 'look']) act: 'move' | 'release' | 'answer' | 'hold' | 'look';
  @OutEnumOrNull(DECISION_SUBJECTS) subject: DecisionSubject | null;
  @OutOrNull(String) id: string | null;
  @Out() version: number;
  @Out() sentence: string;
  /** of a move: from where to where, the same for all that go that way */
  @OutOrNull(String) way: string | null;
  @OutList(() => FindingView) findings: Finding[];
}

export class ComingFreeView {
  @OutEnum(['batch', 'lot']) subject: 'batch' | 'lot';
  @Out() id: string;
  @OutEnum(STAGES) stage: Stage;
  @Out() sentence: string;
  @Out() untilMs: number;
}

/** Who is away. */
export class GapView {
  @Out() name: string;
  @Out() fromMs: number;
  @Out() toMs: number;
  /** who stands in, skill by skill */
  @Out() sentence: string;
  /** whether something can be done by nobody else who is there */
  @Out() alone: boolean;
}

export class AloneView {
  @Out() skill: string;
  @Out() name: string;
}

/** The people of a working day. */
export class DayPeopleView {
  @Out() fromMs: number;
  @OutList(() => GapView) gaps: GapView[];
  /** what nobody could do if one person more stayed away */
  @OutList(() => AloneView) alone: AloneView[];
}

export class MorningView {
  @Out() nowMs: number;
  @Out() canMove: number;
  @Out() canRelease: number;
  @Out() comingFreeToday: number;
  @Out() late: number;
  @OutList(() => DecisionView) decisions: DecisionView[];
  @OutList(() => ComingFreeView) comingFree: ComingFreeView[];
  @OutList(() => OrderView) lateOrders: OrderView[];
  /** what is left of today, and the next working day */
  @OutList(() => DayPeopleView) people: DayPeopleView[];
  /** what is made ahead for stock, the soonest to be begun first */
  @OutList(() => MakeNextView) makeNext: MakeNextView[];
  @OutList(() => LogView) changed: LogView[];
  @Out() shippedSinceYesterday: number;
  @Out() finishedSinceYesterday: number;
  @OutPart(() => LimitView) limit: LimitView;
}

export class WalkView {
  @OutEnum(STAGES) stage: Stage;
  @Out() waiting: number;
  @Out() decisions: number;
  /** the climate its stations stand in */
  @Out() zoneId: string;
}

export class FloorView {
  @Out() nowMs: number;
  @OutList(() => StationFlowView) stations: StationFlowView[];
  @OutList(() => BatchView) batches: BatchView[];
  @OutPart(() => LimitView) limit: LimitView;
}

export class FoundView {
  @OutEnum(['batch', 'lot', 'instrument', 'order', 'carrier', 'station', 'person'])
  kind: 'batch' | 'lot' | 'instrument' | 'order' | 'carrier' | 'station' | 'person';
  @Out() id: string;
  @Out() sentence: string;
}
