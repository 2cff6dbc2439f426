import { checkSerialPattern, COMPONENTS, formatSerial, ruleInWords, startedComponents } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { ClimateService } from '../climate/climate.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { BenchService } from '../platform/identity/bench.service.ts';
import { IdentityService, newPerson } from '../platform/identity/identity.service.ts';
import { hashPassword } from '../platform/identity/passwords.ts';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { mayActAs } from '../platform/identity/role.ts';
import { SessionsService } from '../platform/identity/sessions.service.ts';
import { badInput, notFound, Problem, stale } from '../platform/problems/problems.ts';
import { SettingsService, tagOf } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import type { BadgeDto, ChangePersonDto, ChangeSerialDto, ChangeStationDto, ModelView, PersonDto, SetupView } from './setup.dto.ts';
import type { ModelEntity } from './factory.entity.ts';
import { StationEntity } from './factory.entity.ts';
import { ShopService, type Shop } from './shop.service.ts';
import { moistureView } from './woodRules.service.ts';

@Injectable()
export class SetupService {
  constructor(
    private readonly shops: ShopService,
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
    private readonly climate: ClimateService,
    private readonly clock: Clock,
    private readonly identity: IdentityService,
    private readonly sessions: SessionsService,
    private readonly bench: BenchService,
  ) {}

  async view(): Promise<SetupView> {
    const shop = await this.shops.load();
    const nowMs = this.clock.nowMs();
    const { moistureGate: gate, moistureBand: band, serialPattern, workWeek, sprayLimits, factory } = shop.settings;
    const people = [...shop.people.values()];
    const skills = [...new Set(people.flatMap((p) => p.skills))].sort();
    const levels = shop.factory.skillLevels();
    const [firstModel] = shop.models.values();
    return {
      people: people
        .map((p) => ({
          ...p,
          awayUntilMs: p.away.find((a) => a.fromMs <= nowMs && a.toMs > nowMs)?.toMs ?? null,
        }))
        .map(({ id, login, name, role, skills: own, active, awayUntilMs, version }) => ({
          id,
          login,
          name,
          role,
          skills: own,
          active,
          awayUntilMs,
          version,
        })),
      stations: [...shop.stations.values()],
      models: [...shop.models.values()].map((m) => toModelView(m, shop, nowMs)),
      zones: await this.climate.zones(),
      materials: [...shop.materials.values()].map((m) => ({ ...m, minimumTempC: m.cure.minimumTempC })),
      skills: skills.map((skill) => ({
        skill,
        holders: people.filter((p) => p.active && p.skills.includes(skill)).map((p) => p.name),
        level: levels.get(skill) ?? 0,
      })),
      prerequisites: [...shop.prerequisites],
      spray: { zoneId: factory.boothZoneId, ...sprayLimits },
      moisture: moistureView({ gate, band }),
      exceptions: shop.settings.moistureExceptions.map(({ use, form, ...rules }) => ({ use, form, ...moistureView(rules) })),
      meters: Object.entries(shop.settings.meterSpecies).map(([species, reads]) => ({ species, ...reads })),
      movementLimits: shop.settings.movementLimits,
      kilns: shop.settings.kilnSchedules.map(({ steps, ...schedule }) => ({ ...schedule, steps: [...steps] })),
      serial: serialPattern,
      serialExample: formatSerial(serialPattern, {
        atMs: nowMs,
        timeZone: workWeek.timeZone,
        modelCode: firstModel?.code ?? 'AB',
        sequence: 1,
      }),
      tags: {
        moisture: tagOf({ gate, band }),
        exceptions: tagOf(shop.settings.moistureExceptions),
        meters: tagOf(shop.settings.meterSpecies),
        movement: tagOf(shop.settings.movementLimits),
        kilns: tagOf(shop.settings.kilnSchedules),
        serial: tagOf(serialPattern),
      },
    };
  }

  async addPerson(actor: Actor, dto: PersonDto): Promise<{ id: string }> {
    const { password, ...person } = dto;
    await this.identity.checkPassword('password', password, dto);
    const passwordHash = await hashPassword(password);
    return this.changes.make(actor, 'person', dto.login, person, async (manager) => {
      if (await manager.findOneBy(PersonEntity, { login: dto.login })) throw badInput('login', 'Someone has this sign-in name already');
      mayGrant(actor, dto);
      await manager.insert(PersonEntity, newPerson({ ...person, passwordHash }));
      return { before: null, after: { name: dto.name, role: dto.role, skills: dto.skills } };
    });
  }

  async changePerson(actor: Actor, id: string, dto: ChangePersonDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'person', id, dto, async (manager) => {
      // One at a time: two who take each other's rights away would leave nobody.
      await manager.query('select pg_advisory_xact_lock(hashtext($1))', ['who may what']);
      const person = await manager.findOne(PersonEntity, {
        where: { id },
        lock: { mode: 'pessimistic_write' },
      });
      if (!person) throw notFound('person', id);
      if (person.version !== dto.version) throw stale(person.name, { version: person.version });
      mayGrant(actor, dto);
      if (person.role === 'admin' && (dto.role !== 'admin' || !dto.active)) {
        if (actor.role !== 'admin')
          throw new Problem(403, 'not-allowed', 'Not allowed', 'Only an administrator can change an administrator.');
        if ((await manager.countBy(PersonEntity, { role: 'admin', active: true })) === 1)
          throw badInput('role', 'The last administrator has to stay one');
      }
      const { name, role, skills, active } = dto;
      // What a deactivated person had stays ended when they come back: sessions, calendar address, codes.
      const ended = active ? {} : { feedTokenHash: null };
      await manager.update(PersonEntity, { id }, { name, role, skills, active, ...ended, version: person.version + 1 });
      if (!active) {
        await this.sessions.endAll(id, { manager });
        await manager.query('delete from password_reset where person_id = $1', [id]);
        await manager.query('delete from bench_hold where person_id = $1', [id]);
      }
      return {
        before: { name: person.name, role: person.role, skills: person.skills, active: person.active },
        after: { name, role, skills, active },
      };
    });
  }

  /** A code with which somebody chooses a new password; told once, to whoever asked for it. */
  async resetPassword(actor: Actor, id: string): Promise<{ id: string; code: string }> {
    return this.changes.make(actor, 'password', id, {}, async (manager) => {
      const person = await manager.findOneBy(PersonEntity, { id, active: true });
      if (!person) throw notFound('person', id);
      const code = await this.identity.makeResetCode(manager, id, actor.personId);
      return { before: null, after: { name: person.name, resetBy: actor.personId }, answer: { id, code } };
    });
  }

  /** The badge that lets somebody on at a bench; none takes it away. */
  async setBadge(actor: Actor, id: string, { badge }: BadgeDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'badge', id, {}, async (manager) => {
      const person = await manager.findOneBy(PersonEntity, { id, active: true });
      if (!person) throw notFound('person', id);
      await this.bench.setBadge(manager, id, badge);
      return { before: null, after: { name: person.name, badge: badge === null ? 'taken away' : 'given' } };
    });
  }

  async changeStation(actor: Actor, code: string, dto: ChangeStationDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'station', code, dto, async (manager) => {
      const station = await manager.findOne(StationEntity, {
        where: { code },
        lock: { mode: 'pessimistic_write' },
      });
      if (!station) throw notFound('station', code);
      if (station.version !== dto.version) throw stale(station.name, { version: station.version });
      await manager.update(StationEntity, { code }, { name: dto.name, places: dto.places, version: station.version + 1 });
      return {
        before: { name: station.name, places: station.places },
        after: { name: dto.name, places: dto.places },
      };
    });
  }

  async changeSerialPattern(actor: Actor, { seen, ...pattern }: ChangeSerialDto): Promise<{ id: string }> {
    const problems = checkSerialPattern(pattern);
    if (problems.length > 0) throw badInput('template', problems.join('. '));
    return this.changes.make(actor, 'serial pattern', 'serial', { ...pattern, seen }, async (manager) => {
      const before = await this.settings.replace(manager, 'serialPattern', pattern, { what: 'The pattern of serials', seen });
      return { before, after: pattern };
    });
  }
}

function mayGrant(actor: Actor, dto: Pick<PersonDto, 'role'>): void {
  if (!mayActAs(actor.role, dto.role))
    throw new Problem(403, 'not-allowed', 'Not allowed', `As ${actor.role} you cannot make someone ${dto.role}.`);
}

function toModelView(model: ModelEntity, shop: Shop, nowMs: number): ModelView {
  const route = shop.factory.routeInForce(model.id, nowMs);
  return {
    id: model.id,
    code: model.code,
    name: model.name,
    construction: model.construction,
    batchSize: model.batchSize,
    scaleLengthMm: model.scaleLengthMm,
    wood: COMPONENTS.flatMap((component) => {
      const need = model.wood[component];
      return need ? [{ component, ...need }] : [];
    }),
    routeVersion: route?.version ?? null,
    components: route ? startedComponents(route) : [],
    options: (route?.options ?? []).map((o) => ({ ...o, values: [...o.values] })),
    steps: (route?.operations ?? []).map((o) => ({
      id: o.id,
      name: o.name,
      component: o.component,
      kind: o.kind,
      stationName: shop.stations.get(o.stationCode)?.name ?? o.stationCode,
      skill: o.skill ?? null,
      setupMinutes: o.setupMinutes,
      minutesPerPiece: o.minutesPerPiece,
      rules: o.gate.map(ruleInWords),
      characteristics: [...(o.characteristics ?? [])],
    })),
  };
}
