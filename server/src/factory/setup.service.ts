import { toCharacteristicView } from './characteristic.view.ts';
import { checkSerialPattern, COMPONENTS, formatSerial, ruleInWords, startedComponents } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { ClimateService } from '../climate/climate.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, stale } from '../platform/problems/problems.ts';
import { SettingsService, tagOf } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import type { ChangeSerialDto, ChangeStationDto, ModelView, SetupView } from './setup.dto.ts';
import type { ModelEntity } from './factory.entity.ts';
import { StationEntity } from './factory.entity.ts';
import { modelTag } from './models.service.ts';
import { PeopleService } from './people.service.ts';
import { workingTimeView } from './workingTime.service.ts';
import { FactoryService, type FactoryNow } from './factory.service.ts';
import { moistureView } from './woodRules.service.ts';

@Injectable()
export class SetupService {
  constructor(
    private readonly factories: FactoryService,
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
    private readonly climate: ClimateService,
    private readonly clock: Clock,
    private readonly people: PeopleService,
  ) {}

  async view(): Promise<SetupView> {
    const factory = await this.factories.load();
    const nowMs = this.clock.nowMs();
    const { moistureGate: gate, moistureBand: band, serialPattern, workWeek, sprayLimits, factory: house } = factory.setUp.settings;
    const { people } = factory;
    const skills = [...new Set([...factory.setUp.people.values()].flatMap((p) => p.skills.map((s) => s.skill)))].sort();
    const levels = people.levels(nowMs);
    const [firstModel] = factory.setUp.models.values();
    return {
      people: await this.people.views(factory, nowMs),
      stations: [...factory.setUp.stations.values()],
      models: [...factory.setUp.models.values()].map((m) => toModelView(m, factory, nowMs)),
      zones: await this.climate.zones(),
      materials: [...factory.setUp.materials.values()].map((m) => ({ ...m, tag: tagOf(m) })),
      skills: skills.map((skill) => ({
        skill,
        holders: people.holders(skill, 1, nowMs).map((p) => p.name),
        level: levels.get(skill) ?? 0,
      })),
      prerequisites: [...factory.setUp.prerequisites],
      spray: { zoneId: house.boothZoneId, ...sprayLimits },
      moisture: moistureView({ gate, band }),
      exceptions: factory.setUp.settings.moistureExceptions.map(({ use, form, fromMm = null, ...rules }) => ({
        use,
        form,
        fromMm,
        ...moistureView(rules),
      })),
      species: [...factory.setUp.settings.species],
      defects: factory.setUp.settings.defects.map(({ name, stages }) => ({ name, stages: [...stages] })),
      cautions: [...factory.setUp.settings.cautions],
      pauseCauses: [...factory.setUp.settings.pauseCauses],
      startChecks: [...factory.setUp.settings.startChecks],
      adhesives: factory.setUp.settings.adhesives.map(({ materials, ...glue }) => ({ ...glue, materials: [...materials] })),
      consignees: [...factory.setUp.settings.consignees],
      movementLimits: factory.setUp.settings.movementLimits,
      house: { name: house.name, woodRoomZoneId: house.woodRoomZoneId, boothZoneId: house.boothZoneId, currency: house.currency },
      woodBuying: factory.setUp.settings.woodBuying,
      kilns: factory.setUp.settings.kilnSchedules.map(({ steps, ...schedule }) => ({ ...schedule, steps: [...steps] })),
      workingTime: workingTimeView(workWeek),
      serial: serialPattern,
      serialExample: formatSerial(serialPattern, {
        atMs: nowMs,
        timeZone: workWeek.timeZone,
        modelCode: firstModel?.code ?? 'AB',
        sequence: 1,
      }),
      tags: {
        moisture: tagOf({ gate, band }),
        exceptions: tagOf(factory.setUp.settings.moistureExceptions),
        species: tagOf(factory.setUp.settings.species),
        defects: tagOf(factory.setUp.settings.defects),
        cautions: tagOf(factory.setUp.settings.cautions),
        pauseCauses: tagOf(factory.setUp.settings.pauseCauses),
        startChecks: tagOf(factory.setUp.settings.startChecks),
        adhesives: tagOf(factory.setUp.settings.adhesives),
        consignees: tagOf(factory.setUp.settings.consignees),
        movement: tagOf(factory.setUp.settings.movementLimits),
        house: tagOf(house),
        woodBuying: tagOf(factory.setUp.settings.woodBuying),
        spray: tagOf(sprayLimits),
        kilns: tagOf(factory.setUp.settings.kilnSchedules),
        serial: tagOf(serialPattern),
        workingTime: tagOf(workWeek),
      },
    };
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

function toModelView(model: ModelEntity, factory: FactoryNow, nowMs: number): ModelView {
  const route = factory.routeInForce(model.id, nowMs);
  return {
    id: model.id,
    code: model.code,
    name: model.name,
    construction: model.construction,
    batchSize: model.batchSize,
    scaleLengthMm: model.scaleLengthMm,
    clearanceLowMm: model.clearance.lowMm,
    clearanceTargetMm: model.clearance.targetMm,
    clearanceHighMm: model.clearance.highMm,
    active: model.active,
    tag: modelTag(model),
    wood: COMPONENTS.flatMap((component) => {
      const need = model.wood[component];
      return need ? [{ component, blank: null, weight: null, ...need }] : [];
    }),
    routeVersion: route?.version ?? null,
    components: route ? startedComponents(route) : [],
    options: (route?.options ?? []).map((o) => ({
      ...o,
      values: o.values.map(({ wood = {}, look = null, extraPrice = 0, ...value }) => ({ ...value, wood, look, extraPrice })),
    })),
    steps: (route?.operations ?? []).map((o) => ({
      id: o.id,
      name: o.name,
      component: o.component,
      kind: o.kind,
      stationName: factory.stationName(o.stationCode),
      skill: o.skill ?? null,
      setupMinutes: o.setupMinutes,
      minutesPerPiece: o.minutesPerPiece,
      rules: o.gate.map(ruleInWords),
      characteristics: (o.characteristics ?? []).map(toCharacteristicView),
    })),
  };
}
