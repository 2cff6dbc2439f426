import type { KitStock } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Text } from '../platform/database/columns.ts';

@Entity('kit_stock')
export class KitStockEntity implements KitStock {
  @PrimaryColumn('text') id: string;
  @Text() what: string;
  @Text() serves: string;
  @Count() sets: number;
}
