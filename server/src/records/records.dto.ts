import { INSTRUMENT_STATES, type InstrumentState } from '@ample-crane/core';
import { Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { LogView, OverrideView } from '../platform/http/views.ts';
import { BuildView, CoatView, DefectView, MeasureView, VisitView } from '../batches/batch.view.ts';
import { ReadingSessionView } from '../timber/lot.dto.ts';

export class InstrumentView {
  @Out() serial: string;
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() batchId: string;
  @OutOrNull(String) orderId: string | null;
  @OutEnum(INSTRUMENT_STATES) state: InstrumentState;
  @Out() startedMs: number;
  @Out() fittedMs: number;
  @OutOrNull(Number) shippedMs: number | null;
  @OutOrNull(String) consignee: string | null;
  @Out() version: number;
}

export class PartView {
  @Out() pieceId: string;
  @Out() component: string;
  @Out() batchId: string;
  @OutOrNull(String) lotId: string | null;
  /** the blank and board it was made of, where boards are measured */
  @OutOrNull(String) blankId: string | null;
  @OutOrNull(String) boardId: string | null;
  @Out() species: string;
  @Out() supplier: string;
  @Out() origin: string;
  @OutOrNull(String) permit: string | null;
  @OutOrNull(Number) releasedMs: number | null;
  /** the session its lot was released on; the others stand on the lot's own page */
  @OutOrNull(ReadingSessionView) atRelease: ReadingSessionView | null;
  /** how many sessions the lot has */
  @Out() sessions: number;
  @OutList(() => VisitView) visits: VisitView[];
}

export class RecordView {
  @OutPart(() => InstrumentView) instrument: InstrumentView;
  @Out() construction: string;
  @OutOrNull(Number) clearanceMm: number | null;
  @OutOrNull(String) shipper: string | null;
  @OutList(() => PartView) parts: PartView[];
  @OutList(() => VisitView) visits: VisitView[];
  @OutList(() => CoatView) coats: CoatView[];
  @OutOrNull(BuildView) build: BuildView | null;
  @OutList(() => MeasureView) measures: MeasureView[];
  @OutList(() => DefectView) defects: DefectView[];
  @OutList(() => OverrideView) overrides: OverrideView[];
  @OutList(() => LogView) log: LogView[];
}
