import type { DeviceKind, Told } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

/** An instrument or a machine that speaks for itself. */
@Entity('device')
export class DeviceEntity {
  @PrimaryColumn('text') id: string;
  @Text() name: string;
  @Text() kind: DeviceKind;
  @Text(OrNothing) stationCode: string | null;
  @Count(OrNothing) bench: number | null;
  @Text(OrNothing) zoneId: string | null;
  /** SHA-256 of a password that was drawn by chance and told once */
  @Text() passwordHash: string;
  @Flag() active: boolean;
  @Count() version: number;
}

/** What a device told last, and what became of what it said. */
@Entity('device_now')
export class DeviceNowEntity {
  @PrimaryColumn('text') deviceId: string;
  @Flag() connected: boolean;
  @Instant('heard', OrNothing) heardMs: number | null;
  @Json(OrNothing) told: Told | null;
  @Instant('told_at', OrNothing) toldMs: number | null;
  /** how far its clock is ahead of the factory's */
  @Quantity(OrNothing) aheadMs: number | null;
  @Count() taken: number;
  @Count() doubled: number;
  @Count() refused: number;
  @Count() heldBack: number;
}
