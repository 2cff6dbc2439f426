import type { Order } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, Json, Text } from '../platform/database/columns.ts';

@Entity('customer_order')
export class OrderEntity implements Order {
  @PrimaryColumn('text') id: string;
  @Count() number: number;
  @Text() modelId: string;
  @Count() quantity: number;
  @Json() choices: Readonly<Record<string, string>>;
  @Text() customer: string;
  @Instant('placed_at') placedMs: number;
  @Instant('due_at') dueMs: number;
  @Count() shipped: number;
  @Count() version: number;
}
