import type { CutterUse, Machine, RigHour, RunTimes, Timed } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, Json, Quantity, Text } from '../platform/database/columns.ts';

@Entity('machine')
export class MachineEntity implements Machine {
  @PrimaryColumn('text') id: string;
  @Text() stationCode: string;
  @Count() bench: number;
  @Text() modelId: string;
  @Text() programId: string;
  @Text() what: string;
  @Text() revision: string;
  @Text() fixture: string;
  @Json() ticks: readonly string[];
  @Text() batchId: string;
  @Text() personId: string;
  @Instant('at') atMs: number;
}

@Entity('run_times')
export class RunTimesEntity implements RunTimes {
  @PrimaryColumn('text') id: string;
  @Text() programId: string;
  @Text() revision: string;
  @Text() stationCode: string;
  @Text() timed: Timed;
  @Count() minutesClass: number;
  @Count() count: number;
}

@Entity('cutter_use')
export class CutterUseEntity implements CutterUse {
  @PrimaryColumn('text') id: string;
  @Count() seconds: number;
}

@Entity('rig_hour')
export class RigHourEntity implements RigHour {
  @PrimaryColumn('text') id: string;
  @Text() rigId: string;
  @Count() hour: number;
  @Count() pieces: number;
  @Quantity() placeSeconds: number;
}
