import { Batch, Defect, Instrument, Job, Piece, Visit } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { BatchEntity, DefectEntity, InstrumentEntity, JobEntity, PieceEntity, VisitEntity } from './batch.entity.ts';
import { Jobs1700000000008 } from './migrations/1700000000008-jobs.ts';
import { BatchLists1700000000011 } from './migrations/1700000000011-batch-lists.ts';

export const batches: RoomTables = {
  rows: [
    kept(Job, JobEntity),
    kept(Batch, BatchEntity),
    kept(Instrument, InstrumentEntity),
    kept(Piece, PieceEntity),
    kept(Visit, VisitEntity),
    kept(Defect, DefectEntity),
  ],
  entities: [],
  migrations: [Jobs1700000000008, BatchLists1700000000011],
};
