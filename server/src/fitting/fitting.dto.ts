import { InCount, InList, InText, Out, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { BatchView } from '../batches/batch.view.ts';

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
