import type {
  Batch,
  BatchStatus,
  Component,
  Defect,
  Disposition,
  Job,
  JobShare,
  Piece,
  PieceState,
  RouteFacts,
  Run,
  SettingNoted,
  SignOff,
  Stage,
  Visit,
  InstrumentState,
  Instrument,
  Judged,
  WorkClass,
} from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('batch')
export class BatchEntity implements Batch {
  @PrimaryColumn('text') id: string;
  @Count() number: number;
  @Text() modelId: string;
  @Text() component: Component;
  @Text(OrNothing) orderId: string | null;
  @Text(OrNothing) lotId: string | null;
  @Text() routeId: string;
  @Text() operationId: string;
  @Text() stationCode: string;
  @Text() stage: Stage;
  @Text() status: BatchStatus;
  @Text(OrNothing) heldStatus: BatchStatus | null;
  @Text(OrNothing) holdReason: string | null;
  @Instant('since_at') sinceMs: number;
  @Instant('arrived_at') arrivedMs: number;
  @Instant('started_at') startedMs: number;
  @Instant('ended_at', OrNothing) endedMs: number | null;
  @Instant('due_at', OrNothing) dueMs: number | null;
  @Count() quantity: number;
  @Text() visitId: string;
  @Text(OrNothing) jobId: string | null;
  @Count() pass: number;
  @Flag() redo: boolean;
  @Json() passes: Readonly<Record<string, number>>;
  @Json() rounds: Readonly<Record<string, number>>;
  @Flag() accepted: boolean;
  @Json() signOffs: readonly SignOff[];
  @Text(OrNothing) wayId: string | null;
  @Json() facts: RouteFacts;
  @Text() workClass: WorkClass;
  @Json(OrNothing) judged: Judged | null;
  @Text(OrNothing) parentId: string | null;
  @Text(OrNothing) awayTo: string | null;
  @Instant('due_back_at', OrNothing) dueBackMs: number | null;
  @Count() version: number;
}

@Entity('piece')
export class PieceEntity implements Piece {
  @PrimaryColumn('text') id: string;
  @Text() batchId: string;
  @Text() component: Component;
  @Text() modelId: string;
  @Count() ordinal: number;
  @Text() state: PieceState;
  @Text(OrNothing) lotId: string | null;
  @Text(OrNothing) serial: string | null;
  @Text(OrNothing) blankId: string | null;
  @Text(OrNothing) intoId: string | null;
  @Text(OrNothing) setId: string | null;
  @Count(OrNothing) grit: number | null;
  @Count() coats: number;
  @Json(OrNothing) lastCoat: Piece['lastCoat'];
  @Instant('bare_at', OrNothing) bareMs: number | null;
  @Instant('wiped_at', OrNothing) wipedMs: number | null;
  @Text(OrNothing) inRig: string | null;
  @Json(OrNothing) stay: Piece['stay'];
  @Json() trail: readonly { batchId: string; fromMs: number }[];
  @Instant('body_from_at', OrNothing) bodyFromMs: number | null;
  @Instant('out_at', OrNothing) outMs: number | null;
}

@Entity('visit')
export class VisitEntity implements Visit {
  @PrimaryColumn('text') id: string;
  @Text() batchId: string;
  @Text() modelId: string;
  @Text() component: Component;
  @Text() operationId: string;
  @Text() stationCode: string;
  @Text() stage: Stage;
  @Count() pass: number;
  @Flag() redo: boolean;
  @Count() quantity: number;
  @Instant('arrived_at') arrivedMs: number;
  @Instant('started_at', OrNothing) startedMs: number | null;
  @Instant('finished_at', OrNothing) finishedMs: number | null;
  @Instant('left_at', OrNothing) leftMs: number | null;
  @Count() good: number;
  @Count() rework: number;
  @Count() scrap: number;
  @Count(OrNothing) loadS: number | null;
  @Quantity() touchMs: number;
  @Text(OrNothing) personId: string | null;
  @Json() continues: readonly string[];
  @Json(OrNothing) run: Run | null;
  @Text() workClass: WorkClass;
}

@Entity('job')
export class JobEntity implements Job {
  @PrimaryColumn('text') id: string;
  @Text() stationCode: string;
  @Text(OrNothing) openAt: string | null;
  @Count(OrNothing) bench: number | null;
  @Text() wayId: string;
  @Json() personIds: readonly string[];
  @Json() settings: readonly SettingNoted[];
  @Instant('from_at') fromMs: number;
  @Instant('to_at', OrNothing) toMs: number | null;
  @Json() shares: readonly JobShare[];
}

@Entity('defect')
export class DefectEntity implements Defect {
  @PrimaryColumn('text') id: string;
  @Text() pieceId: string;
  @Text() batchId: string;
  @Text() operationId: string;
  @Text() originOperationId: string;
  @Text() kind: string;
  @Text() disposition: Disposition;
  @Text() note: string;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
}

@Entity('instrument')
export class InstrumentEntity implements Instrument {
  @PrimaryColumn('text') serial: string;
  @Text() modelId: string;
  @Text(OrNothing) orderId: string | null;
  @Text() batchId: string;
  @Text() bodyId: string;
  @Text(OrNothing) neckId: string | null;
  @Quantity(OrNothing) clearanceMm: number | null;
  @Text() state: InstrumentState;
  @Instant('started_at') startedMs: number;
  @Instant('fitted_at') fittedMs: number;
  @Instant('shipped_at', OrNothing) shippedMs: number | null;
  @Text(OrNothing) consignee: string | null;
  @Text(OrNothing) shipper: string | null;
  @Count() version: number;
}
