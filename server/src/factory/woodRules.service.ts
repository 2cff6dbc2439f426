import { checkKiln, woodMeantInWords, type KilnSchedule, type MoistureRules } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { type EntityManager } from 'typeorm';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, stale } from '../platform/problems/problems.ts';
import type { Settings } from '../platform/settings/settings.ts';
import { SettingsService, tagOf } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import type {
  ChangeExceptionsDto,
  ChangeKilnsDto,
  ChangeMoistureDto,
  ChangeMovementDto,
  ChangeSprayDto,
  ChangeWoodBuyingDto,
  KilnScheduleDto,
  MoistureDto,
} from './setup.dto.ts';

/** The rules of the wood room: when lumber is ready, how kilns dry it, how far it may move. */
@Injectable()
export class WoodRulesService {
  constructor(
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
  ) {}

  async changeMoisture(actor: Actor, { seen, ...dto }: ChangeMoistureDto): Promise<{ id: string }> {
    if (dto.fixedHighPct <= dto.fixedLowPct) throw badInput('fixedHighPct', 'The top of the band lies above its bottom');
    return this.changes.make(actor, 'moisture rules', 'moisture', { ...dto, seen }, async (manager) => {
      const what = 'The sheet of rules';
      const after = toRules(dto);
      // One sheet, two settings: the tag is that of both, and both are held before it is compared.
      const gate = await this.settings.replace(manager, 'moistureGate', after.gate, { what, seen: undefined });
      const band = await this.settings.replace(manager, 'moistureBand', after.band, { what, seen: undefined });
      const before = { gate, band };
      if (seen !== undefined && seen !== tagOf(before)) throw stale(what, moistureView(before));
      return { before, after };
    });
  }

  async changeExceptions(actor: Actor, dto: ChangeExceptionsDto): Promise<{ id: string }> {
    const names = dto.exceptions.map(woodMeantInWords);
    const twice = names.find((name, i) => names.indexOf(name) !== i);
    if (twice !== undefined) throw badInput('exceptions', `There are two rules for ${twice}`);
    const empty = dto.exceptions.findIndex((e) => e.form === null && e.use === null && e.fromMm == null);
    if (empty >= 0) throw badInput(`exceptions.${empty}.use`, 'Say for which use, form or thickness it holds');
    const inverted = dto.exceptions.findIndex((e) => e.fixedHighPct <= e.fixedLowPct);
    if (inverted >= 0) throw badInput(`exceptions.${inverted}.fixedHighPct`, 'The top of the band lies above its bottom');
    return this.changes.make(actor, 'moisture rules', 'exceptions', dto, async (manager) => {
      const after = dto.exceptions.map(({ use, form, fromMm = null, ...rules }) => ({ use, form, fromMm, ...toRules(rules) }));
      return { before: await this.replace(manager, 'moistureExceptions', after, 'The list of rules of their own', dto), after };
    });
  }

  async changeBuying(actor: Actor, { deliveryDays, seen }: ChangeWoodBuyingDto): Promise<{ id: string }> {
    const after = { deliveryDays };
    return this.changes.make(actor, 'buying of wood', 'wood buying', { deliveryDays }, async (manager) => ({
      before: await this.replace(manager, 'woodBuying', after, 'How wood is bought', { seen }),
      after,
    }));
  }

  async changeSpray(actor: Actor, { seen, ...after }: ChangeSprayDto): Promise<{ id: string }> {
    if (after.maxTempC <= after.minTempC) throw badInput('maxTempC', 'The warmest lies above the coldest');
    if (after.maxHumidity <= after.minHumidity) throw badInput('maxHumidity', 'The dampest lies above the driest');
    return this.changes.make(actor, 'spray limits', 'spray limits', after, async (manager) => ({
      before: await this.replace(manager, 'sprayLimits', after, 'The limits for spraying', { seen }),
      after,
    }));
  }

  async changeMovement(actor: Actor, dto: ChangeMovementDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'movement limits', 'limits', dto, async (manager) => ({
      before: await this.replace(manager, 'movementLimits', dto.limits, 'The list of limits', dto),
      after: dto.limits,
    }));
  }

  async changeKilns(actor: Actor, dto: ChangeKilnsDto): Promise<{ id: string }> {
    const after = named(dto.schedules);
    after.forEach((schedule, i) => {
      const [problem] = checkKiln(schedule);
      if (problem !== undefined) throw badInput(`schedules.${i}`, `${schedule.name}: ${problem}`);
    });
    return this.changes.make(actor, 'kiln schedules', 'kilns', dto, async (manager) => {
      const [left] = await manager.query<{ id: string }[]>(
        `select id from lot where state = 'drying' and schedule_id <> all($1) order by number limit 1`,
        [after.map((k) => k.id)],
      );
      if (left) throw badInput('schedules', `Lot ${left.id} dries by a schedule that would be gone: move it first`);
      return { before: await this.replace(manager, 'kilnSchedules', after, 'The list of schedules', dto), after };
    });
  }

  private replace<K extends keyof Settings>(manager: EntityManager, key: K, value: Settings[K], what: string, { seen }: { seen?: string }) {
    return this.settings.replace(manager, key, value, { what, seen });
  }
}

/** Schedules by their name; a new one is known by it from now on, whatever it is called later. */
function named(schedules: readonly KilnScheduleDto[]): KilnSchedule[] {
  const names = schedules.map((k) => k.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  if (twice >= 0) throw badInput(`schedules.${twice}.name`, `There are two schedules called ${schedules[twice]?.name ?? ''}`);
  const taken = new Set(schedules.map((k) => k.id));
  return schedules.map((schedule) => {
    if (schedule.id !== '') return schedule;
    const stem = schedule.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'schedule';
    let id = stem;
    for (let n = 2; taken.has(id); n++) id = `${stem}-${n}`;
    taken.add(id);
    return { ...schedule, id };
  });
}

/** The rules as they are asked for on one sheet. */
export function moistureView({ gate, band }: MoistureRules): MoistureDto {
  const { school, ...limits } = gate;
  const { school: bandSchool, ...widths } = band;
  return { gateSchool: school, bandSchool, ...widths, ...limits };
}

function toRules({ gateSchool, bandSchool, halfWidthPct, fixedLowPct, fixedHighPct, ...limits }: MoistureDto): MoistureRules {
  return {
    gate: { ...limits, school: gateSchool },
    band: { school: bandSchool, halfWidthPct, fixedLowPct, fixedHighPct },
  };
}
