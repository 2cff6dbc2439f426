import type { CureLaw } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { InNumber, InPart, InText } from '../platform/http/fields.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, stale } from '../platform/problems/problems.ts';
import { tagOf } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import { MaterialEntity } from './factory.entity.ts';

class CureLawDto implements CureLaw {
  @InNumber({ min: 5, max: 40 }) referenceTempC: number;
  /** factor per 10 °C */
  @InNumber({ min: 1, max: 5 }) q10: number;
  /** below this nothing counts */
  @InNumber({ min: -10, max: 40 }) minimumTempC: number;
}

/** A coating as its data sheet describes it. */
export class MaterialDto {
  @InText({ max: 60 }) name: string;
  @InText({ max: 60 }) kind: string;
  /** share of the wet film that stays */
  @InNumber({ min: 0.01, max: 1 }) volumeSolids: number;
  @InNumber({ min: 1, max: 5000 }) buildLowUm: number;
  @InNumber({ min: 1, max: 5000 }) buildHighUm: number;
  /** days at the reference temperature before it may be touched */
  @InNumber({ min: 0, max: 365 }) cureDays: number;
  @InPart(() => CureLawDto) cure: CureLawDto;
}

export class ChangeMaterialDto extends MaterialDto {
  /** which state of it was before the person who changes it */
  @InText({ max: 40 }) seen: string;
}

/** Coatings: films are judged by their build windows at once; solids and cures are taken over where a route is written. */
@Injectable()
export class MaterialsService {
  constructor(private readonly changes: ChangesService) {}

  add(actor: Actor, dto: MaterialDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'material', dto.name, dto, async (manager) => {
      const id = idOf(dto.name);
      await this.check(manager, dto, id);
      if (id === '' || (await manager.existsBy(MaterialEntity, { id }))) throw badInput('name', `There is a material ${dto.name} already`);
      const after = { id, ...dto };
      await manager.insert(MaterialEntity, after);
      return { before: null, after, answer: { id } };
    });
  }

  change(actor: Actor, id: string, { seen, ...dto }: ChangeMaterialDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'material', id, { ...dto, seen }, async (manager) => {
      const before = await manager.findOne(MaterialEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (!before) throw notFound('material', id);
      if (tagOf(before) !== seen) throw stale(`Material ${before.name}`, before);
      await this.check(manager, dto, id);
      const after = { id, ...dto };
      await manager.save(MaterialEntity, after);
      return { before, after };
    });
  }

  private async check(manager: EntityManager, { name, buildLowUm, buildHighUm }: MaterialDto, id: string): Promise<void> {
    if (buildHighUm <= buildLowUm) throw badInput('buildHighUm', 'The thickest build lies above the thinnest');
    const others = await manager.find(MaterialEntity, { select: { id: true, name: true } });
    const same = others.some((m) => m.id !== id && m.name.trim().toLowerCase() === name.trim().toLowerCase());
    if (same) throw badInput('name', `There is a material ${name} already`);
  }
}

/** Known by its name from now on, whatever it is called later. */
const idOf = (name: string): string =>
  name
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
