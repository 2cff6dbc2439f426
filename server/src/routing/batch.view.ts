import {
  BATCH_STATUSES,
  CAUTION_KINDS,
  COMPONENTS,
  earliestMs,
  PIECE_STATES,
  STAGES,
  worst,
  type BatchStatus,
  type CautionKind,
  type Component,
  type Finding,
  type Operation,
  type PieceState,
  type Stage,
  type Verdict,
} from '@ample-crane/core';
import { Out, OutEnum, OutEnumOrNull, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { FindingView, LogView, OverrideView } from '../platform/http/views.ts';
import { operationAt, type Shop } from '../setup/shop.service.ts';
import type { BatchEntity } from './routing.entity.ts';

const OPERATION_KINDS = ['work', 'dwell', 'fit', 'dispatch'] as const;

export class CharacteristicView {
  @Out() id: string;
  @Out() name: string;
  @Out() unit: string;
  @Out() low: number;
  @Out() target: number;
  @Out() high: number;
}

export class CoatPlanView {
  @Out() materialId: string;
  @Out() materialName: string;
  @Out() coats: number;
  @Out() wetUm: number;
  @Out() flashMinutes: number;
}

export class BatchView {
  @Out() id: string;
  @Out() number: number;
  @OutEnum(COMPONENTS) component: Component;
  @Out() modelId: string;
  @Out() modelName: string;
  @OutOrNull(String) orderId: string | null;
  @OutOrNull(String) lotId: string | null;
  @Out() operationId: string;
  @Out() operationName: string;
  @OutEnum(OPERATION_KINDS) operationKind: Operation['kind'];
  @OutEnum(STAGES) stage: Stage;
  @Out() stationCode: string;
  @Out() stationName: string;
  @OutEnum(BATCH_STATUSES) status: BatchStatus;
  @Out() sinceMs: number;
  @Out() arrivedMs: number;
  @Out() startedMs: number;
  @OutOrNull(Number) dueMs: number | null;
  @Out() quantity: number;
  @OutOrNull(String) carrier: string | null;
  @OutOrNull(String) holdReason: string | null;
  @Out() pass: number;
  @Out() version: number;
  @OutOrNull(String) nextOperationName: string | null;
  @OutOrNull(String) skill: string | null;
  @OutEnum(['pass', 'wait', 'stop']) verdict: Verdict;
  /** earliest time its gate can open */
  @OutOrNull(Number) untilMs: number | null;
  /** share of its wait that is done */
  @OutOrNull(Number) done: number | null;
  @Out() touchMinutes: number;
  @OutList(() => FindingView) findings: Finding[];
}

export class PieceView {
  @Out() id: string;
  @Out() ordinal: number;
  @OutEnum(PIECE_STATES) state: PieceState;
  @OutOrNull(String) serial: string | null;
}

export class VisitView {
  @Out() operationId: string;
  @Out() operationName: string;
  @Out() stationName: string;
  @OutEnum(STAGES) stage: Stage;
  @Out() pass: number;
  @Out() arrivedMs: number;
  @OutOrNull(Number) startedMs: number | null;
  @OutOrNull(Number) finishedMs: number | null;
  @OutOrNull(Number) leftMs: number | null;
  @Out() good: number;
  @Out() rework: number;
  @Out() scrap: number;
  @Out() touchMs: number;
  @OutOrNull(String) by: string | null;
}

export class ForecastView {
  @Out() operationId: string;
  @Out() operationName: string;
  @OutEnum(STAGES) stage: Stage;
  @OutEnum(OPERATION_KINDS) kind: Operation['kind'];
  @Out() arriveMs: number;
  @Out() leaveMs: number;
}

export class CoatView {
  @Out() id: string;
  @Out() atMs: number;
  @Out() operationName: string;
  @Out() materialName: string;
  @Out() wetUm: number;
  @Out() dryUm: number;
  @Out() flashUntilMs: number;
  @Out() by: string;
}

export class MeasureView {
  @Out() id: string;
  @Out() pieceId: string;
  @Out() operationName: string;
  @Out() characteristicName: string;
  @Out() unit: string;
  @Out() value: number;
  @Out() low: number;
  @Out() high: number;
  @Out() inBand: boolean;
  @Out() atMs: number;
  @Out() by: string;
}

export class DefectView {
  @Out() id: string;
  @Out() pieceId: string;
  @Out() kind: string;
  @Out() operationName: string;
  @Out() originOperationName: string;
  @OutEnum(['rework', 'scrap']) disposition: 'rework' | 'scrap';
  @Out() note: string;
  @Out() atMs: number;
  @Out() by: string;
}

export class BuildView {
  @Out() materialName: string;
  @Out() dryUm: number;
  @Out() lowUm: number;
  @Out() highUm: number;
  @OutEnum(['thin', 'in window', 'thick']) verdict: 'thin' | 'in window' | 'thick';
}

export class StepChoiceView {
  @Out() id: string;
  @Out() name: string;
}

export class CardView {
  @OutPart(() => BatchView) batch: BatchView;
  @Out() customer: string;
  @OutList(() => PieceView) pieces: PieceView[];
  /** pieces that the present pass is about */
  @OutList(() => String) inPass: string[];
  @OutList(() => VisitView) visits: VisitView[];
  @OutList(() => ForecastView) forecast: ForecastView[];
  @OutList(() => CoatView) coats: CoatView[];
  @Out() coatsThisVisit: number;
  @OutOrNull(CoatPlanView) coatPlan: CoatPlanView | null;
  @OutOrNull(BuildView) build: BuildView | null;
  @OutList(() => FindingView) coatFindings: Finding[];
  @OutList(() => CharacteristicView) characteristics: CharacteristicView[];
  @OutList(() => String) unmeasured: string[];
  @OutList(() => MeasureView) measures: MeasureView[];
  @OutList(() => DefectView) defects: DefectView[];
  @OutList(() => OverrideView) overrides: OverrideView[];
  @OutList(() => LogView) log: LogView[];
  @OutList(() => String) cautions: CautionKind[];
  /** steps a defect can come from */
  @OutList(() => StepChoiceView) originChoices: StepChoiceView[];
  /** people who can do the present step */
  @OutList(() => StepChoiceView) workers: StepChoiceView[];
  @OutList(() => String) fittedInto: string[];
  @OutEnumOrNull(CAUTION_KINDS) mainCaution: CautionKind | null;
}

/** A batch as every screen shows it. */
export function toBatchView(batch: BatchEntity, shop: Shop, findings: readonly Finding[], touchMinutes: number): BatchView {
  const operation = operationAt(shop, batch);
  const next = operation.next[0];
  const waits = findings.filter((f) => f.done !== undefined).map((f) => f.done ?? 0);
  return {
    id: batch.id,
    number: batch.number,
    component: batch.component,
    modelId: batch.modelId,
    modelName: shop.models.get(batch.modelId)?.name ?? batch.modelId,
    orderId: batch.orderId,
    lotId: batch.lotId,
    operationId: batch.operationId,
    operationName: operation.name,
    operationKind: operation.kind,
    stage: batch.stage,
    stationCode: batch.stationCode,
    stationName: shop.stations.get(batch.stationCode)?.name ?? batch.stationCode,
    status: batch.status,
    sinceMs: batch.sinceMs,
    arrivedMs: batch.arrivedMs,
    startedMs: batch.startedMs,
    dueMs: batch.dueMs,
    quantity: batch.quantity,
    carrier: batch.carrier,
    holdReason: batch.holdReason,
    pass: batch.pass,
    version: batch.version,
    nextOperationName: next === undefined ? null : operationAt(shop, { routeId: batch.routeId, operationId: next }).name,
    skill: operation.skill ?? null,
    verdict: worst(findings),
    untilMs: earliestMs(findings) ?? null,
    done: waits.length === 0 ? null : Math.min(...waits),
    touchMinutes,
    findings: [...findings],
  };
}
