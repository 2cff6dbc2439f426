import type { Depth, Lot, LotState, LotUse, Reading, ReadingSession } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Instant, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('lot')
export class LotEntity implements Lot {
  @PrimaryColumn('text') id: string;
  @Count() number: number;
  @Text() species: string;
  @Text() form: string;
  @Text() use: LotUse;
  @Quantity() thicknessMm: number;
  @Quantity() volumeM3: number;
  @Quantity() leftM3: number;
  @Text() supplier: string;
  @Text() origin: string;
  @Text(OrNothing) permit: string | null;
  @Flag() restricted: boolean;
  @Text() zoneId: string;
  @Instant('received_at') receivedMs: number;
  @Text() state: LotState;
  @Instant('released_at', OrNothing) releasedMs: number | null;
  @Quantity(OrNothing) meanPct: number | null;
  @Instant('last_read_at', OrNothing) lastReadMs: number | null;
  @Count() sessions: number;
  @Count() version: number;
}

@Entity('reading_session')
export class ReadingSessionEntity implements ReadingSession {
  @PrimaryColumn('text') id: string;
  @Text() lotId: string;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Text() meter: string;
  @Quantity() woodTempC: number;
  @Quantity() meanPct: number;
  @Quantity() spreadPct: number;
}

@Entity('reading')
export class ReadingEntity implements Reading {
  @PrimaryColumn('text') id: string;
  @Text() sessionId: string;
  @Count() seq: number;
  @Text() depth: Depth;
  @Quantity() rawPct: number;
  @Quantity() correctedPct: number;
  @Text(OrNothing) struck: string | null;
}
