import { placeObjection, SERVER_NAME, type DeviceKind, type DevicePlace } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { ChangesService } from '../factory/changes.service.ts';
import { StationEntity } from '../factory/factory.entity.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, Problem, stale } from '../platform/problems/problems.ts';
import { DeviceEntity } from './device.entity.ts';
import type { ChangeDeviceDto, DeviceDto, DevicePasswordView } from './devices.dto.ts';
import { hashOfDevicePassword, newDevicePassword } from './passwords.ts';

/** Which devices the factory has, and where. */
@Injectable()
export class DevicesService {
  constructor(private readonly changes: ChangesService) {}

  async add(actor: Actor, dto: DeviceDto): Promise<DevicePasswordView> {
    return this.toldOnce(dto.id, (passwordHash) =>
      this.changes.make(actor, 'device', dto.id, dto, async (manager) => {
        if (dto.id === SERVER_NAME) throw badInput('id', 'The server signs in under this name');
        if (await manager.existsBy(DeviceEntity, { id: dto.id })) throw badInput('id', 'There is a device of this name already');
        await this.check(manager, dto);
        await manager.insert(DeviceEntity, { ...dto, passwordHash: passwordHash(), active: true, version: 1 });
        return { before: null, after: dto };
      }),
    );
  }

  change(actor: Actor, id: string, { version, ...dto }: ChangeDeviceDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'device', id, dto, async (manager) => {
      const row = await locked(manager, id, version);
      await this.check(manager, { id, kind: row.kind, ...dto });
      await manager.update(DeviceEntity, { id }, { ...dto, version: version + 1 });
      const { name, stationCode, bench, zoneId, active } = row;
      return { before: { name, stationCode, bench, zoneId, active }, after: dto };
    });
  }

  /** Another password; the one before is worth nothing from then on. */
  async renew(actor: Actor, id: string, version: number): Promise<DevicePasswordView> {
    return this.toldOnce(id, (passwordHash) =>
      this.changes.make(actor, 'device', id, { version, password: 'renewed' }, async (manager) => {
        await locked(manager, id, version);
        await manager.update(DeviceEntity, { id }, { passwordHash: passwordHash(), version: version + 1 });
        return { before: null, after: { password: 'renewed' } };
      }),
    );
  }

  /** A password is written down nowhere: whoever repeats a request is not told that of the first. */
  private async toldOnce(id: string, make: (passwordHash: () => string) => Promise<object>): Promise<DevicePasswordView> {
    const password = newDevicePassword();
    let isKept = false;
    await make(() => {
      isKept = true;
      return hashOfDevicePassword(password);
    });
    if (isKept) return { id, password };
    throw new Problem(409, 'told-once', 'Done already', 'That was done before, and its password told then. Make another one.');
  }

  private async check(
    manager: EntityManager,
    device: DevicePlace & { id: string; kind: DeviceKind; name: string; active?: boolean },
  ): Promise<void> {
    const { id, kind, name, stationCode, bench, zoneId, active = true } = device;
    const wrong = placeObjection(kind, device);
    if (wrong) throw badInput(wrong.field, wrong.sentence);
    const named = await manager.findOneBy(DeviceEntity, { name });
    if (named && named.id !== id) throw badInput('name', `${named.id} is called that already`);
    if (zoneId !== null && !(await manager.existsBy(ZoneEntity, { id: zoneId }))) throw badInput('zoneId', `There is no zone ${zoneId}`);
    if (stationCode === null) return;
    const station = await manager.findOneBy(StationEntity, { code: stationCode });
    if (!station) throw badInput('stationCode', `There is no station ${stationCode}`);
    if (bench === null) return;
    const other = active ? await manager.findOneBy(DeviceEntity, { stationCode, bench, active: true }) : null;
    if (other && other.id !== id) throw badInput('bench', `${other.name} is on that machine already`);
  }
}

async function locked(manager: EntityManager, id: string, version: number): Promise<DeviceEntity> {
  const row = await manager.findOne(DeviceEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
  if (!row) throw notFound('device', id);
  if (row.version !== version) throw stale(row.name, { version: row.version });
  return row;
}
