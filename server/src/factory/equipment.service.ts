import {
  CARRIER_KINDS,
  EQUIPMENT_KINDS,
  RIG_CYCLES,
  STAGES,
  type CarrierKind,
  type EquipmentKind,
  type RigCycle,
  type RigOf,
  type Stage,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { InCount, InFlag, InNumber, InOneOf, InPart, InText, Out, OutEnum, OutOrNull } from '../platform/http/fields.ts';
import { VersionDto } from '../platform/http/version.dto.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, stale } from '../platform/problems/problems.ts';
import { ChangesService } from './changes.service.ts';
import { CarrierEntity, ModelEntity, PrerequisiteEntity, StationEntity } from './factory.entity.ts';

const ID = { max: 30, pattern: /^[A-Za-z0-9][A-Za-z0-9-]*$/, hint: 'Use letters, digits and dashes' };
const PREREQUISITE_STATES = ['draft', 'released', 'withdrawn'] as const;

export class ZoneDto {
  @InText(ID) id: string;
  @InText({ max: 60 }) name: string;
}

export class StationDto {
  @InText(ID) code: string;
  @InText({ max: 60 }) name: string;
  @InOneOf(STAGES) stage: Stage;
  @InText() zoneId: string;
  @InOneOf(['work', 'dwell']) kind: 'work' | 'dwell';
  @InCount({ min: 1, max: 500 }) places: number;
}

export class RigDto {
  @InText() stationCode: string;
  @InOneOf(RIG_CYCLES) cycle: RigCycle;
  /** to empty and fill a place, or all of it where it is closed over all */
  @InNumber({ min: 0, max: 480 }) handsMinutes: number;
}

export class CarrierDto {
  @InText(ID) id: string;
  @InText({ max: 60 }) name: string;
  @InOneOf(CARRIER_KINDS) kind: CarrierKind;
  @InCount({ min: 1, max: 1000 }) places: number;
  @InText() zoneId: string;
  /** the model it is made for; null where any fits */
  @InText({ nullable: true }) outline: string | null;
  /** where what is in it is pressed; null where it only sits there */
  @InPart(() => RigDto, { nullable: true, optional: true }) rig?: RigDto | null;
}

export class ChangeCarrierDto extends VersionDto {
  @InText({ max: 60 }) name: string;
  @InCount({ min: 1, max: 1000 }) places: number;
  @InFlag() active: boolean;
  /** of a rig; as it was where nothing is said */
  @InNumber({ min: 0, max: 480, optional: true }) handsMinutes?: number;
}

export class PrerequisiteDto {
  @InOneOf(EQUIPMENT_KINDS) kind: EquipmentKind;
  @InText({ max: 80 }) what: string;
  /** null where it serves every model */
  @InText({ nullable: true }) modelId: string | null;
  @InText({ max: 20 }) revision: string;
}

export class ChangePrerequisiteDto extends VersionDto {
  @InText({ max: 20 }) revision: string;
  @InOneOf(PREREQUISITE_STATES) state: (typeof PREREQUISITE_STATES)[number];
  @InText({ min: 0, max: 200 }) note: string;
}

export class PrerequisiteView {
  @Out() id: string;
  @OutEnum(EQUIPMENT_KINDS) kind: EquipmentKind;
  @Out() what: string;
  @OutOrNull(String) modelId: string | null;
  @Out() revision: string;
  @OutEnum(PREREQUISITE_STATES) state: (typeof PREREQUISITE_STATES)[number];
  @Out() note: string;
  @Out() version: number;
}

/** What the factory owns: rooms, stations, carriers, programs and kits. */
@Injectable()
export class EquipmentService {
  constructor(private readonly changes: ChangesService) {}

  addZone(actor: Actor, dto: ZoneDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'zone', dto.id, dto, async (manager) => {
      if (await manager.existsBy(ZoneEntity, { id: dto.id })) throw badInput('id', 'There is a zone of this name already');
      await manager.insert(ZoneEntity, { ...dto, standIn: null });
      return { before: null, after: dto };
    });
  }

  addStation(actor: Actor, dto: StationDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'station', dto.code, dto, async (manager) => {
      if (await manager.existsBy(StationEntity, { code: dto.code })) throw badInput('code', 'There is a station of this code already');
      await needZone(manager, dto.zoneId);
      const position = await manager.count(StationEntity);
      await manager.insert(StationEntity, { ...dto, position, version: 1 });
      return { before: null, after: dto };
    });
  }

  addCarrier(actor: Actor, dto: CarrierDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'carrier', dto.id, dto, async (manager) => {
      if (await manager.existsBy(CarrierEntity, { id: dto.id })) throw badInput('id', 'There is a carrier of this number already');
      if (await manager.existsBy(CarrierEntity, { name: dto.name })) throw badInput('name', 'There is a carrier of this name already');
      await needZone(manager, dto.zoneId);
      await needModel(manager, dto.outline, 'outline');
      const { rig = null } = dto;
      await needStation(manager, rig, dto.zoneId);
      await manager.insert(CarrierEntity, { ...dto, rig, taken: 0, active: true, version: 1 });
      return { before: null, after: { ...dto, rig } };
    });
  }

  changeCarrier(actor: Actor, id: string, dto: ChangeCarrierDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'carrier', id, dto, async (manager) => {
      const row = await manager.findOne(CarrierEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (!row) throw notFound('carrier', id);
      if (row.version !== dto.version) throw stale(row.name, { version: row.version });
      const { name, places, active } = dto;
      const { pressed, highest } = await pressedIn(manager, id);
      if (places < highest) throw badInput('places', `Place ${highest} of it is taken now`);
      if (!active && pressed > 0) throw badInput('active', `${pressed} pieces are in it: take them out first`);
      if (places < row.taken) throw badInput('places', `${row.taken} of its places are taken now`);
      if (!active && row.taken > 0) throw badInput('active', `${row.taken} pieces sit on it: move them first`);
      if (name !== row.name && (await manager.existsBy(CarrierEntity, { name })))
        throw badInput('name', 'There is a carrier of this name already');
      const { handsMinutes = row.rig?.handsMinutes ?? 0 } = dto;
      const rig = row.rig && { ...row.rig, handsMinutes };
      await manager.update(CarrierEntity, { id }, { name, places, active, rig, version: row.version + 1 });
      const before = { name: row.name, places: row.places, active: row.active };
      return rig === null
        ? { before, after: { name, places, active } }
        : { before: { ...before, handsMinutes: row.rig?.handsMinutes }, after: { name, places, active, handsMinutes } };
    });
  }

  addPrerequisite(actor: Actor, dto: PrerequisiteDto): Promise<{ id: string }> {
    const id = `${dto.modelId ?? 'any'}/${dto.kind}/${dto.what}`;
    return this.changes.make(actor, dto.kind, id, dto, async (manager) => {
      await needModel(manager, dto.modelId, 'modelId');
      const same = await manager.find(PrerequisiteEntity, { where: { kind: dto.kind, what: dto.what } });
      if (same.some((p) => p.modelId === dto.modelId)) throw badInput('what', `This ${dto.kind} is on record already`);
      await manager.insert(PrerequisiteEntity, { ...dto, id, state: 'draft', note: '', version: 1 });
      return { before: null, after: dto };
    });
  }

  changePrerequisite(actor: Actor, id: string, dto: ChangePrerequisiteDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'prerequisite', id, dto, async (manager) => {
      const row = await manager.findOne(PrerequisiteEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (!row) throw notFound('prerequisite', id);
      if (row.version !== dto.version) throw stale(row.what, { version: row.version });
      const { revision, state, note } = dto;
      await manager.update(PrerequisiteEntity, { id }, { revision, state, note, version: row.version + 1 });
      return { before: { revision: row.revision, state: row.state, note: row.note }, after: { revision, state, note } };
    });
  }
}

async function needZone(manager: EntityManager, id: string): Promise<void> {
  if (!(await manager.existsBy(ZoneEntity, { id }))) throw badInput('zoneId', `There is no zone ${id}`);
}

/** A rig stands at a station, in its air: glue is timed by how warm it is there. */
async function needStation(manager: EntityManager, rig: RigOf | null, zoneId: string): Promise<void> {
  if (rig === null) return;
  const station = await manager.findOneBy(StationEntity, { code: rig.stationCode });
  if (!station) throw badInput('rig.stationCode', `There is no station ${rig.stationCode}`);
  if (station.zoneId !== zoneId) throw badInput('zoneId', `${station.name} is in another climate zone`);
}

/** How many pieces are in a rig, and the highest of its places that is taken. */
async function pressedIn(manager: EntityManager, rigId: string): Promise<{ pressed: number; highest: number }> {
  const [told] = await manager.query<{ pressed: number; highest: number }[]>(
    `select count(*)::int as pressed, coalesce(greatest(count(*), max((stay->>'place')::int)), 0)::int as highest from piece where in_rig = $1`,
    [rigId],
  );
  return told ?? { pressed: 0, highest: 0 };
}

async function needModel(manager: EntityManager, id: string | null, field: string): Promise<void> {
  if (id !== null && !(await manager.existsBy(ModelEntity, { id }))) throw badInput(field, `There is no model ${id}`);
}
