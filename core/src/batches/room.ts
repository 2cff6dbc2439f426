import type { Room } from '../ledger/index.ts';
import type { Routes } from '../routing/index.ts';
import type { Factory } from '../factory/index.ts';
import { jobsAt } from './benchPlaces.ts';
import { BATCH_COMMANDS } from './commands/index.ts';
import { Batch, Instrument, Piece, Visit } from './batch.ts';
import { Defect } from './defect.ts';
import { BATCH_ENTRIES } from './entries/index.ts';
import { BodyHour, ClassHour, LeadTimes, StationHour, StepTimes } from './flowTallies.ts';
import { Job } from './job.ts';
import { inRig, staysOf } from './stays.ts';
import { RigHour } from './rigHour.ts';
import { CutterUse, Machine, RunTimes } from './run.ts';

export const batches = {
  name: 'batches',
  rows: [
    Job,
    Batch,
    Instrument,
    Piece,
    Visit,
    Defect,
    StationHour,
    ClassHour,
    StepTimes,
    BodyHour,
    LeadTimes,
    Machine,
    RunTimes,
    CutterUse,
    RigHour,
  ],
  entries: BATCH_ENTRIES,
  commands: BATCH_COMMANDS,
  answers: [jobsAt, staysOf, inRig],
} as const satisfies Room<Routes, Factory>;
