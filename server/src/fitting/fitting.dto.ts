import { INSTRUMENT_STATES, type InstrumentState } from '@ample-crane/core';
import { InCount, InList, InText, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { LogView, OverrideView } from '../platform/http/views.ts';
import { BatchView, BuildView, CoatView, DefectView, MeasureView, VisitView } from '../batches/batch.view.ts';
import { ReadingSessionView } from '../timber/lot.dto.ts';

export class PairDto {
  @InText() bodyId: string;
  @InText({ nullable: true }) neckId: string | null;
}

export class FitDto {
  @InText() bodyBatchId: string;
  @InCount({ min: 0, max: 1_000_000 }) bodyVersion: number;
  @InText({ nullable: true }) neckBatchId: string | null;
  @InCount({ min: 0, max: 1_000_000, nullable: true }) neckVersion: number | null;
  @InList(() => PairDto, { max: 40 }) pairs: PairDto[];
}

export class ShipDto {
  @InCount({ min: 0, max: 1_000_000 }) version: number;
  @InText({ max: 120 }) consignee: string;
  @InText({ max: 120 }) shipper: string;
}

export class FitPieceView {
  @Out() pieceId: string;
  @Out() batchId: string;
  @OutOrNull(Number) widthMm: number | null;
}

export class PairView {
  @Out() bodyId: string;
  @OutOrNull(String) neckId: string | null;
  @OutOrNull(Number) clearanceMm: number | null;
}

export class FittingSetView {
  @Out() modelId: string;
  @Out() modelName: string;
  @OutPart(() => BatchView) body: BatchView;
  @OutOrNull(BatchView) neck: BatchView | null;
  @Out() separateNecks: boolean;
  @Out() lowMm: number;
  @Out() targetMm: number;
  @Out() highMm: number;
  @OutList(() => FitPieceView) bodies: FitPieceView[];
  @OutList(() => FitPieceView) necks: FitPieceView[];
  @OutList(() => PairView) proposed: PairView[];
  /** pairs that taking them as they come would bring in band */
  @Out() inBandAsTheyCome: number;
}

export class FittingView {
  @OutList(() => FittingSetView) sets: FittingSetView[];
  /** bodies and necks whose counterparts have not arrived */
  @OutList(() => BatchView) waiting: BatchView[];
}

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
  @OutOrNull(Number) meanPctAtRelease: number | null;
  @OutList(() => ReadingSessionView) sessions: ReadingSessionView[];
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
