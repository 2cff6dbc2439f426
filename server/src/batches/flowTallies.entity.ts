import type { BodyHour, ClassHour, LeadTimes, StationHour, StepTimes, WorkClass } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Quantity, Text } from '../platform/database/columns.ts';

@Entity('station_hour')
export class StationHourEntity implements StationHour {
  @PrimaryColumn('text') id: string;
  @Text() stationCode: string;
  @Count() hour: number;
  @Quantity() loadS: number;
  @Quantity() busyFirstMs: number;
  @Quantity() busySecondMs: number;
  @Quantity() busyThirdMs: number;
  @Quantity() busyLastMs: number;
  @Count() goodFirst: number;
  @Count() goodSecond: number;
  @Count() goodThird: number;
  @Count() goodLast: number;
  @Count() rework: number;
  @Count() scrap: number;
}

@Entity('body_hour')
export class BodyHourEntity implements BodyHour {
  @PrimaryColumn('text') id: string;
  @Count() hour: number;
  @Count() entered: number;
  @Count() shipped: number;
  @Count() scrapped: number;
  @Quantity() leadMinutes: number;
}

@Entity('lead_times')
export class LeadTimesEntity implements LeadTimes {
  @PrimaryColumn('text') id: string;
  @Count() hour: number;
  @Count() leadClass: number;
  @Count() shipped: number;
}

@Entity('class_hour')
export class ClassHourEntity implements ClassHour {
  @PrimaryColumn('text') id: string;
  @Text() stationCode: string;
  @Text() workClass: WorkClass;
  @Count() hour: number;
  @Count() pieces: number;
  @Quantity() touchS: number;
}

@Entity('step_times')
export class StepTimesEntity implements StepTimes {
  @PrimaryColumn('text') id: string;
  @Text() modelId: string;
  @Text() operationId: string;
  @Text() stationCode: string;
  @Count() batches: number;
  @Count() pieces: number;
  @Quantity() loadS: number;
  @Quantity() touchS: number;
}
