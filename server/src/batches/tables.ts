import {
  Batch,
  BodyHour,
  ClassHour,
  CutterUse,
  Defect,
  Instrument,
  Job,
  LeadTimes,
  Machine,
  Piece,
  RigHour,
  RunTimes,
  StationHour,
  StepTimes,
  Visit,
} from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { BatchEntity, DefectEntity, InstrumentEntity, JobEntity, PieceEntity, VisitEntity } from './batch.entity.ts';
import { BodyHourEntity, ClassHourEntity, LeadTimesEntity, StationHourEntity, StepTimesEntity } from './flowTallies.entity.ts';
import { Jobs1700000000008 } from './migrations/1700000000008-jobs.ts';
import { BatchLists1700000000011 } from './migrations/1700000000011-batch-lists.ts';
import { FlowTallies1700000000017 } from './migrations/1700000000017-flow-tallies.ts';
import { JobSettings1700000000019 } from './migrations/1700000000019-job-settings.ts';
import { BareWood1700000000026 } from './migrations/1700000000026-bare-wood.ts';
import { Runs1700000000030 } from './migrations/1700000000030-runs.ts';
import { StepTimes1700000000035 } from './migrations/1700000000035-step-times.ts';
import { WipedFaces1700000000037 } from './migrations/1700000000037-wiped-faces.ts';
import { WorkClasses1700000000038 } from './migrations/1700000000038-work-classes.ts';
import { CutterUseEntity, MachineEntity, RigHourEntity, RunTimesEntity } from './run.entity.ts';

export const batches: RoomTables = {
  rows: [
    kept(Job, JobEntity),
    kept(Batch, BatchEntity),
    kept(Instrument, InstrumentEntity),
    kept(Piece, PieceEntity),
    kept(Visit, VisitEntity),
    kept(Defect, DefectEntity),
    kept(StationHour, StationHourEntity),
    kept(ClassHour, ClassHourEntity),
    kept(StepTimes, StepTimesEntity),
    kept(BodyHour, BodyHourEntity),
    kept(LeadTimes, LeadTimesEntity),
    kept(Machine, MachineEntity),
    kept(RunTimes, RunTimesEntity),
    kept(CutterUse, CutterUseEntity),
    kept(RigHour, RigHourEntity),
  ],
  entities: [],
  migrations: [
    Jobs1700000000008,
    BatchLists1700000000011,
    FlowTallies1700000000017,
    JobSettings1700000000019,
    BareWood1700000000026,
    Runs1700000000030,
    StepTimes1700000000035,
    WipedFaces1700000000037,
    WorkClasses1700000000038,
  ],
};
