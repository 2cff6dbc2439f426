import type {
  Blank,
  BlankState,
  BoardPlan,
  CuttingSettings,
  Depth,
  KeptWood,
  Look,
  Lot,
  LotState,
  LotUse,
  Method,
  Reading,
  ReadingSession,
  Rect,
  StockBoard,
} from '@ample-crane/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

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
  @Quantity(OrNothing) firstPct: number | null;
  @Instant('first_read_at', OrNothing) firstReadMs: number | null;
  @Count() sessions: number;
  @Quantity(OrNothing) papersPct: number | null;
  @Text(OrNothing) grade: string | null;
  @Text(OrNothing) place: string | null;
  @Json() stays: Lot['stays'];
  @Json() samples: Record<string, number>;
  @Text(OrNothing) scheduleId: string | null;
  @Count() version: number;
}

@Entity('reading_session')
export class ReadingSessionEntity implements ReadingSession {
  @PrimaryColumn('text') id: string;
  @Text() lotId: string;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Text() meter: Method;
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
  @Quantity(OrNothing) massG: number | null;
  @Quantity(OrNothing) dryMassG: number | null;
  @Quantity(OrNothing) woodTempC: number | null;
  @Quantity(OrNothing) firstRawPct: number | null;
  @Text(OrNothing) struck: string | null;
}

@Entity('board')
export class BoardEntity implements StockBoard {
  @PrimaryColumn('text') id: string;
  @Text() lotId: string;
  @Count() ordinal: number;
  @Quantity() lengthMm: number;
  @Quantity() widthMm: number;
  @Quantity() widthEndMm: number;
  @Quantity() thicknessMm: number;
  @Json() faults: Rect[];
  @Text(OrNothing) grade: string | null;
  @Quantity(OrNothing) massG: number | null;
  @Text(OrNothing) setId: string | null;
  @Text() state: StockBoard['state'];
}

@Entity('blank')
export class BlankEntity implements Blank {
  @PrimaryColumn('text') id: string;
  @Text() lotId: string;
  @Text() boardId: string;
  @Text() modelId: string;
  @Text() component: string;
  @Quantity() lengthMm: number;
  @Quantity() widthMm: number;
  @Quantity() thicknessMm: number;
  @Text() setId: string;
  @Text() look: Look;
  @Quantity(OrNothing) massG: number | null;
  @Quantity(OrNothing) moisturePct: number | null;
  @Text(OrNothing) orderId: string | null;
  @Text() state: BlankState;
  @Text(OrNothing) pieceId: string | null;
  @Count() version: number;
}

@Entity('kept_wood')
export class KeptWoodEntity implements KeptWood {
  @PrimaryColumn('text') id: string;
  @Text() lotId: string;
  @Text() orderId: string;
  @Quantity() volumeM3: number;
}

/** A blank that a plan asks for: what of, for which model's part, how many, and what one is worth. */
export interface PlanWant {
  id: string;
  modelId: string;
  component: string;
  orderId: string | null;
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  leavesEach: number;
  anyGrain?: boolean;
  count: number;
  value: number;
}

@Entity('cutting_plan')
export class CuttingPlanEntity {
  @PrimaryColumn('text') id: string;
  @Count() number: number;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Json() lotIds: string[];
  @Json() settings: CuttingSettings;
  @Json() wanted: PlanWant[];
  @Json() boards: BoardPlan[];
  @Text() state: 'draft' | 'cut';
  @Count() version: number;
}

@Entity('picture')
export class PictureEntity {
  @PrimaryColumn('text') id: string;
  @Text() lotId: string;
  @Text(OrNothing) boardId: string | null;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Text() name: string;
  @Text() mediaType: string;
  // Only asked for by name: a list of pictures does not carry them.
  @Column('bytea', { select: false }) bytes: Buffer;
}
