import type { RoomProfile } from '@ample-crane/devices';
import { Entity, PrimaryColumn } from 'typeorm';
import { Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('zone')
export class ZoneEntity {
  @PrimaryColumn('text') id: string;
  @Text() name: string;
  /** how the stand-in sensor behaves; nothing where a real one reports */
  @Json(OrNothing) standIn: RoomProfile | null;
}

@Entity('zone_reading')
export class ZoneReadingEntity {
  @PrimaryColumn('text') zoneId: string;
  @Instant('at', { primary: true }) atMs: number;
  @Quantity() tempC: number;
  @Quantity() relativeHumidity: number;
}
