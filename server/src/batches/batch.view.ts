import {
  BATCH_STATUSES,
  COMPONENTS,
  DISPOSITIONS,
  earliestMs,
  onward,
  OPERATION_KINDS,
  PIECE_STATES,
  STAGES,
  TRIAL_VERDICTS,
  WORK_CLASSES,
  worst,
  type BatchStatus,
  type Component,
  type Disposition,
  type Finding,
  type Judged,
  type Operation,
  type PieceState,
  type Stage,
  type TrialVerdict,
  type Verdict,
  type WorkClass,
  type PlacementRow,
} from '@ample-crane/core';
import { Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { RigsForView } from './rigs.view.ts';
import { SettingView, SheetView } from './sheet.view.ts';
import { FindingView, LogView, OverrideView } from '../platform/http/views.ts';
import type { FactoryNow } from '../factory/factory.service.ts';
import type { BatchEntity } from './batch.entity.ts';
import { CharacteristicView } from '../factory/setup.dto.ts';

export class CoatPlanView {
  @Out() materialId: string;
  @Out() materialName: string;
  @Out() coats: number;
  @Out() wetUm: number;
  @Out() flashMinutes: number;
}

/** What can be wrong, as the register names it. */
export class DefectKindsView {
  /** what this stage usually causes */
  @OutList(() => String) usual: string[];
  @OutList(() => String) other: string[];
}

/** What a trial has shown, and who said so. */
export class JudgedView {
  @OutEnum(TRIAL_VERDICTS) verdict: TrialVerdict;
  @Out() words: string;
  @OutOrNull(String) by: string | null;
  @Out() atMs: number;
}

export class PlacementView {
  @Out() carrierId: string;
  @Out() carrierName: string;
  @Out() pieces: number;
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
  @OutOrNull(Number) endedMs: number | null;
  @OutOrNull(Number) dueMs: number | null;
  @Out() quantity: number;
  /** where it sits */
  @OutList(() => PlacementView) placements: PlacementView[];
  /** whether the present station has taken it over, where that is asked */
  @Out() accepted: boolean;
  @Out() handOver: boolean;
  @Out() redo: boolean;
  @OutEnum(WORK_CLASSES) workClass: WorkClass;
  /** what a trial has shown */
  @OutOrNull(JudgedView) judged: JudgedView | null;
  @OutOrNull(String) parentId: string | null;
  @OutOrNull(String) awayTo: string | null;
  @OutOrNull(Number) dueBackMs: number | null;
  @Out() routeId: string;
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
  /** who is working on it, or was when it was paused */
  @OutOrNull(String) worker: string | null;
  @OutOrNull(String) workerId: string | null;
  @Out() touchMinutes: number;
  @OutList(() => FindingView) findings: Finding[];
  /** what must exist before the step is begun, and does not */
  @OutList(() => FindingView) missing: Finding[];
  /** the question of a loop that runs until somebody accepts */
  @OutOrNull(String) question: string | null;
  /** the skill for which somebody has to accept it, where its gate waits for nothing else */
  @OutOrNull(String) acceptFor: string | null;
}

export class PieceView {
  @Out() id: string;
  @Out() ordinal: number;
  @OutEnum(PIECE_STATES) state: PieceState;
  @OutOrNull(String) serial: string | null;
  @OutOrNull(String) intoId: string | null;
  /** shared by what was cut from one block */
  @OutOrNull(String) setId: string | null;
  @OutOrNull(Number) grit: number | null;
  @Out() coats: number;
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
  /** what must be at hand for it, in words */
  @OutList(() => String) needs: string[];
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

export class UnmeasuredView {
  @Out() characteristicId: string;
  @Out() name: string;
  @Out() taken: number;
  @Out() wanted: number;
  /** the pieces that have not been measured */
  @OutList(() => String) pieceIds: string[];
}

export class OffMeasureView {
  @Out() pieceId: string;
  @Out() name: string;
  @Out() unit: string;
  @Out() value: number;
  @Out() low: number;
  @Out() high: number;
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
  @OutEnum(DISPOSITIONS) disposition: Disposition;
  @Out() note: string;
  @Out() atMs: number;
  @Out() by: string;
}

export class BuildView {
  @Out() materialName: string;
  @Out() dryUm: number;
  @Out() thickestUm: number;
  @Out() lowUm: number;
  @Out() highUm: number;
  @OutEnum(['thin', 'in window', 'thick']) verdict: 'thin' | 'in window' | 'thick';
}

export class StepChoiceView {
  @Out() id: string;
  @Out() name: string;
}

export class WayView {
  @Out() id: string;
  @Out() name: string;
  @Out() stationName: string;
  @Out() minutesPerPiece: number;
}

export class WaitingView {
  @Out() id: string;
  @OutEnum(COMPONENTS) component: Component;
  @Out() quantity: number;
}

export class UndoView {
  @Out() entryId: number;
  @Out() sentence: string;
}

export class KitShortageView {
  @Out() sentence: string;
  /** for so many pieces there is enough */
  @Out() enoughFor: number;
}

export class MachineStartView {
  @Out() id: string;
  @Out() bench: number;
  /** whoever is there now */
  @OutOrNull(String) takenBy: string | null;
  /** what was left on it, as it was last looked at */
  @OutOrNull(String) left: string | null;
  @OutOrNull(Number) leftMs: number | null;
  /** whether that is what this batch runs */
  @Out() same: boolean;
  /** cutters that the program names and that are not on it */
  @OutList(() => String) lacking: string[];
  /** cutters whose life this batch would use up */
  @OutList(() => String) warnings: string[];
  /** what its own controller says, in words; null where none speaks */
  @OutOrNull(String) controller: string | null;
  /** what speaks against starting here by that */
  @OutOrNull(String) controllerAgainst: string | null;
}

/** The program that the present step runs at its machine. */
export class ProgramStartView {
  @Out() what: string;
  /** the revision that the card asks for; null where none may run */
  @OutOrNull(String) revision: string | null;
  @Out() fixture: string;
  @Out() piecesALoad: number;
  /** how many loads the batch makes */
  @Out() loads: number;
  /** whether the start checklist is asked for */
  @Out() checked: boolean;
  @OutList(() => MachineStartView) machines: MachineStartView[];
}

export class CardView {
  @OutPart(() => BatchView) batch: BatchView;
  @Out() customer: string;
  /** where its lot lies, while it is in the rough mill; null where nobody said, or there is none */
  @OutOrNull(String) lotPlace: string | null;
  /** what was chosen on its order, in words */
  @OutList(() => String) options: string[];
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
  /** what is to be noted when the step begins */
  @OutList(() => SettingView) settings: SettingView[];
  /** how the step is done; null where nothing was written of it */
  @OutOrNull(SheetView) sheet: SheetView | null;
  /** what the pass still lacks of the measures of its step */
  @OutList(() => UnmeasuredView) unmeasured: UnmeasuredView[];
  /** latest measures of this visit that lie out of band */
  @OutList(() => OffMeasureView) off: OffMeasureView[];
  @OutList(() => MeasureView) measures: MeasureView[];
  @OutList(() => DefectView) defects: DefectView[];
  @OutList(() => OverrideView) overrides: OverrideView[];
  @OutList(() => LogView) log: LogView[];
  @OutList(() => String) cautions: string[];
  @OutPart(() => DefectKindsView) defectKinds: DefectKindsView;
  /** steps a defect can come from */
  @OutList(() => StepChoiceView) originChoices: StepChoiceView[];
  /** people who can do the present step */
  @OutList(() => StepChoiceView) workers: StepChoiceView[];
  /** people who can accept it at its gate */
  @OutList(() => StepChoiceView) accepters: StepChoiceView[];
  @OutList(() => String) fittedInto: string[];
  /** the ways the present step can be done, its own first */
  @OutList(() => WayView) ways: WayView[];
  /** other batches that wait at this step: to be joined, fitted again or merged */
  @OutList(() => WaitingView) besides: WaitingView[];
  /** whether a piece that must be done again goes back alone */
  @Out() reworkAlone: boolean;
  /** what its step lacks of the kits that are counted */
  @OutOrNull(KitShortageView) kitShortage: KitShortageView | null;
  /** the program that the present step runs at its machine; null where it runs none */
  @OutOrNull(ProgramStartView) program: ProgramStartView | null;
  /** the rigs it may be pressed in now; null where it is not pressed */
  @OutOrNull(RigsForView) rigs: RigsForView | null;
  /** what waits at the same station and may go into one job with it */
  @OutList(() => WaitingView) together: WaitingView[];
  /** whether, at a joining, this is the batch the others become part of */
  @Out() hostsHere: boolean;
  /** the latest entry, if it can be taken back */
  @OutOrNull(UndoView) undo: UndoView | null;
  /** which visit to its station this step is */
  @Out() stationPass: number;
  @Out() stationPasses: number;
}

/** A batch as every screen shows it. */
export function toBatchView(
  batch: BatchEntity,
  factory: FactoryNow,
  findings: readonly Finding[],
  missing: readonly string[],
  touchMinutes: number,
  placements: readonly PlacementRow[],
  workerId: string | null,
): BatchView {
  const operation = factory.operationAt(batch);
  const next = onward(factory.routeOf(batch), operation, batch.component);
  const waits = findings.filter((f) => f.done !== undefined).map((f) => f.done ?? 0);
  return {
    id: batch.id,
    number: batch.number,
    component: batch.component,
    modelId: batch.modelId,
    modelName: factory.modelName(batch.modelId),
    orderId: batch.orderId,
    lotId: batch.lotId,
    operationId: batch.operationId,
    operationName: operation.name,
    operationKind: operation.kind,
    stage: batch.stage,
    stationCode: batch.stationCode,
    stationName: factory.stationName(batch.stationCode),
    status: batch.status,
    sinceMs: batch.sinceMs,
    arrivedMs: batch.arrivedMs,
    startedMs: batch.startedMs,
    endedMs: batch.endedMs,
    dueMs: batch.dueMs,
    quantity: batch.quantity,
    placements: placements
      .filter((p) => p.batchId === batch.id)
      .map((p) => ({
        carrierId: p.carrierId,
        carrierName: factory.setUp.carriers.get(p.carrierId)?.name ?? p.carrierId,
        pieces: p.pieces,
      })),
    accepted: batch.accepted,
    handOver: operation.handOver === true,
    redo: batch.redo,
    workClass: batch.workClass,
    judged: batch.judged && judgedView(batch.judged, factory),
    parentId: batch.parentId,
    awayTo: batch.awayTo,
    dueBackMs: batch.dueBackMs,
    routeId: batch.routeId,
    holdReason: batch.holdReason,
    pass: batch.pass,
    version: batch.version,
    nextOperationName: next === undefined ? null : factory.operationAt({ ...batch, operationId: next }).name,
    skill: operation.skill ?? null,
    verdict: worst(findings),
    untilMs: earliestMs(findings) ?? null,
    done: waits.length === 0 ? null : Math.min(...waits),
    worker: workerId === null ? null : factory.personName(workerId),
    workerId,
    touchMinutes,
    findings: [...findings],
    missing: missing.map((sentence) => ({ rule: 'prerequisite', verdict: 'stop', sentence })),
    question: questionOf(operation, batch),
    acceptFor: acceptFor(operation, batch, findings),
  };
}

const isAtGate = (batch: BatchEntity) => batch.status === 'finished' || batch.status === 'dwelling';

function questionOf(operation: Operation, batch: BatchEntity): string | null {
  if (!isAtGate(batch) || operation.repeat?.kind !== 'until accepted') return null;
  return `Round ${(batch.rounds[operation.id] ?? 0) + 1} of at most ${operation.repeat.maximum}: accepted?`;
}

function acceptFor(operation: Operation, batch: BatchEntity, findings: readonly Finding[]): string | null {
  const held = findings.filter((f) => f.verdict !== 'pass');
  if (!isAtGate(batch) || held.length === 0 || held.some((f) => f.rule !== 'signOff')) return null;
  const rule = operation.gate.find((r) => r.kind === 'signOff' && !batch.signOffs.some((s) => s.skill === r.skill));
  return rule?.kind === 'signOff' ? rule.skill : null;
}

const judgedView = ({ verdict, words, personId, atMs }: Judged, factory: FactoryNow): JudgedView => ({
  verdict,
  words,
  by: personId === null ? null : factory.personName(personId),
  atMs,
});
