import type { CutYield, LotUse, SupplierRecord, WoodUse } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Quantity, Text } from '../platform/database/columns.ts';

@Entity('wood_use')
export class WoodUseEntity implements WoodUse {
  @PrimaryColumn('text') id: string;
  @Count() day: number;
  @Text() species: string;
  @Text() use: LotUse;
  @Quantity() volumeCm3: number;
}

@Entity('supplier_record')
export class SupplierRecordEntity implements SupplierRecord {
  @PrimaryColumn('text') supplier: string;
  @Count() lots: number;
  @Quantity() wetterMilliPct: number;
}

@Entity('cut_yield')
export class CutYieldEntity implements CutYield {
  @PrimaryColumn('text') id: string;
  @Count() boards: number;
  @Quantity() boardsMm3: number;
  @Quantity() blanksMm3: number;
}
