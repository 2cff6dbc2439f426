import { deviceTroubles, standingOf, toldInWords, type DeviceSeen } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { StationEntity } from '../factory/factory.entity.ts';
import { Clock } from '../platform/clock/clock.ts';
import { DeviceAdapter } from './adapters/adapter.ts';
import { DeviceEntity, DeviceNowEntity } from './device.entity.ts';
import type { DeviceRefusalView, DevicesView, DeviceView } from './devices.dto.ts';

const MOST_REFUSALS = 100;

/** Every device: how it stands, what it told last, and what was refused. */
@Injectable()
export class DevicesQueries {
  constructor(
    private readonly database: DataSource,
    private readonly climate: ClimateService,
    private readonly adapter: DeviceAdapter,
    private readonly clock: Clock,
  ) {}

  async list(): Promise<DevicesView> {
    const [devices, nows, stations, zones, refusals] = await Promise.all([
      this.database.getRepository(DeviceEntity).find({ order: { name: 'ASC' } }),
      this.database.getRepository(DeviceNowEntity).find(),
      this.database.getRepository(StationEntity).find(),
      this.climate.zones(),
      this.refusals(),
    ]);
    const nowOf = new Map(nows.map((n) => [n.deviceId, n]));
    const stationName = new Map(stations.map((s) => [s.code, s.name]));
    const zoneName = new Map(zones.map((z) => [z.id, z.name]));
    const { line } = this.adapter;
    const placeOf = ({ stationCode, bench, zoneId }: DeviceEntity) =>
      stationCode === null
        ? (zoneName.get(zoneId ?? '') ?? '')
        : `${stationName.get(stationCode) ?? stationCode}${bench === null ? '' : `, machine ${bench}`}`;
    return {
      line,
      devices: devices.map((d) => viewOf(d, nowOf.get(d.id), placeOf(d), line.state === 'on', this.clock.nowMs())),
      refusals,
    };
  }

  /** Devices that somebody should look after, each with why. Of a broker that is away it is the broker that says so. */
  async troubled(): Promise<DeviceView[]> {
    if (this.adapter.line.state !== 'on') return [];
    return (await this.list()).devices.filter((d) => d.troubles.length > 0);
  }

  private async refusals(): Promise<DeviceRefusalView[]> {
    const rows = await this.database.query<{ id: string; deviceId: string; heard: Date; why: string; said: string }[]>(
      `select id, device_id as "deviceId", heard, why, said from device_refusal order by heard desc, id desc limit $1`,
      [MOST_REFUSALS],
    );
    return rows.map(({ id, deviceId, heard, why, said }) => ({ id: Number(id), deviceId, heardMs: heard.getTime(), why, said }));
  }
}

function viewOf(device: DeviceEntity, now: DeviceNowEntity | undefined, place: string, isLineOn: boolean, nowMs: number): DeviceView {
  const { id, name, kind, stationCode, bench, zoneId, active, version } = device;
  const seen: DeviceSeen = {
    kind,
    active,
    // Who is on a line that is broken is known to nobody.
    connected: isLineOn && now?.connected === true,
    heardMs: now?.heardMs ?? null,
    aheadMs: now?.aheadMs ?? null,
  };
  return {
    id,
    name,
    kind,
    stationCode,
    bench,
    zoneId,
    place,
    active,
    standing: standingOf(seen, nowMs),
    troubles: deviceTroubles(seen, nowMs),
    heardMs: seen.heardMs,
    told: now?.told ? toldInWords(now.told) : null,
    toldMs: now?.toldMs ?? null,
    aheadMs: seen.aheadMs,
    taken: now?.taken ?? 0,
    doubled: now?.doubled ?? 0,
    refused: now?.refused ?? 0,
    heldBack: now?.heldBack ?? 0,
    version,
  };
}
