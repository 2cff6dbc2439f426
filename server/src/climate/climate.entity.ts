import type { RoomProfile } from '@ample-crane/devices';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('zone')
export class ZoneEntity {
  @PrimaryColumn('text') id: string;
  @Text() name: string;
  /** how the stand-in sensor behaves; nothing where a real one reports */
  @Json(OrNothing) standIn: RoomProfile | null;
  /** counts what changed its past: readings taken in after the fact */
  @Count({ default: 1 }) revision: number;
}

@Entity('zone_reading')
export class ZoneReadingEntity {
  @PrimaryColumn('text') zoneId: string;
  @Instant('at', { primary: true }) atMs: number;
  @Quantity() tempC: number;
  @Quantity() relativeHumidity: number;
}
