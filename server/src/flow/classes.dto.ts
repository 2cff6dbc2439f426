import { BATCH_STATUSES, STAGES, WORK_CLASSES, type BatchStatus, type Stage, type WorkClass } from '@ample-crane/core';
import { Out, OutEnum, OutList } from '../platform/http/fields.ts';

/** The hours of a station that orders and stock did not have. */
export class ClassStationView {
  @Out() stationCode: string;
  @Out() stationName: string;
  @OutEnum(STAGES) stage: Stage;
  /** its places were busy for so long, with whatever it was */
  @Out() busyMinutes: number;
  @Out() specialMinutes: number;
  @Out() trialMinutes: number;
  @Out() toolingMinutes: number;
}

/** A batch that is not for orders and stock. */
export class ClassedBatchView {
  @Out() batchId: string;
  @OutEnum(WORK_CLASSES) workClass: WorkClass;
  /** "2 Weirstone bodies" */
  @Out() what: string;
  @OutEnum(STAGES) stage: Stage;
  @Out() operationName: string;
  @Out() stationCode: string;
  @Out() stationName: string;
  @OutEnum(BATCH_STATUSES) status: BatchStatus;
  @Out() sinceMs: number;
}

/** Specials, trials and tooling: where they are, and what they took. */
export class ClassesView {
  /** hours are of so many days */
  @Out() days: number;
  /** stations that had such work, the most of it first */
  @OutList(() => ClassStationView) stations: ClassStationView[];
  @OutList(() => ClassedBatchView) open: ClassedBatchView[];
  /** trials that have ended, and nobody has said what they showed */
  @OutList(() => ClassedBatchView) unjudged: ClassedBatchView[];
}
