import type { Instrument, InstrumentState } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

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
