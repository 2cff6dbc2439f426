import { Batch, Instrument, Piece, Visit, Run, Defect } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { BatchEntity, DefectEntity, InstrumentEntity, PieceEntity, RunEntity, VisitEntity } from './batch.entity.ts';

export const batches: RoomTables = {
  rows: [
    kept(Batch, BatchEntity),
    kept(Instrument, InstrumentEntity),
    kept(Piece, PieceEntity),
    kept(Visit, VisitEntity),
    kept(Run, RunEntity),
    kept(Defect, DefectEntity),
  ],
  entities: [],
};
