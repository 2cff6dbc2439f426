import type { GaugeValues, InstrumentStudy } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('instrument_study')
export class InstrumentStudyEntity implements InstrumentStudy {
  @PrimaryColumn('text') id: string;
  @Text() instrument: string;
  @Text() what: string;
  @Text() unit: string;
  @Quantity(OrNothing) low: number | null;
  @Quantity(OrNothing) high: number | null;
  @Json() people: readonly string[];
  @Json() values: GaugeValues;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
}
