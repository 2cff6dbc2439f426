import { COMPONENTS, LOT_USES, type Component, type LotUse, type ModelWood } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { InCount, InFlag, InList, InNumber, InOneOf, InPart, InText } from '../platform/http/fields.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput, notFound, stale } from '../platform/problems/problems.ts';
import { tagOf } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import { ModelEntity, RouteEntity } from './factory.entity.ts';

export class BlankSizeDto {
  @InNumber({ min: 1, max: 12_000 }) lengthMm: number;
  @InNumber({ min: 1, max: 2_000 }) widthMm: number;
  @InNumber({ min: 0.5, max: 300 }) thicknessMm: number;
  @InCount({ min: 0, max: 12 }) leavesEach: number;
}

export class WeightTargetDto {
  @InNumber({ min: 1, max: 50_000 }) lowG: number;
  @InNumber({ min: 1, max: 50_000 }) highG: number;
  @InNumber({ min: 1, max: 100_000 }) partVolumeCm3: number;
  @InNumber({ min: 0, max: 50_000 }) otherMassG: number;
}

export class WoodDto {
  @InOneOf(COMPONENTS) component: Component;
  @InText({ max: 60 }) species: string;
  @InOneOf(LOT_USES) use: LotUse;
  @InNumber({ min: 0.000001, max: 1 }) volumeM3: number;
  @InNumber({ min: 0.5, max: 300 }) thicknessMm: number;
  /** the blank it is made of, where boards are measured and planned */
  @InPart(() => BlankSizeDto, { optional: true }) blank?: BlankSizeDto;
  @InPart(() => WeightTargetDto, { optional: true }) weight?: WeightTargetDto;
}

/** What a model is, and which wood it is made of. */
export class ModelSheetDto {
  @InText({ max: 60 }) name: string;
  @InText({ max: 80 }) construction: string;
  @InCount({ min: 1, max: 40 }) batchSize: number;
  @InNumber({ min: 200, max: 1200 }) scaleLengthMm: number;
  @InNumber({ min: 0, max: 2 }) clearanceLowMm: number;
  @InNumber({ min: 0, max: 2 }) clearanceTargetMm: number;
  @InNumber({ min: 0, max: 2 }) clearanceHighMm: number;
  @InList(() => WoodDto, { max: 8 }) wood: WoodDto[];
}

export class ModelDto extends ModelSheetDto {
  @InText({ max: 30, pattern: /^[A-Za-z0-9][A-Za-z0-9-]*$/, hint: 'Use letters, digits and dashes' }) id: string;
  @InText({ max: 4, pattern: /^[A-Z0-9]+$/, hint: 'Use capitals and digits' }) code: string;
}

export class ChangeModelDto extends ModelSheetDto {
  /** whether it is built any longer */
  @InFlag() active: boolean;
  /** which state of it was before the person who changes it */
  @InText({ max: 40 }) seen: string;
}

/** What is built: models with their wood, weights and clearances. Work that is begun keeps the wood it was begun with. */
@Injectable()
export class ModelsService {
  constructor(private readonly changes: ChangesService) {}

  /** A model begins with an empty draft of its route. */
  add(actor: Actor, dto: ModelDto): Promise<{ id: string }> {
    const { id, code } = dto;
    return this.changes.make(actor, 'model', id, dto, async (manager) => {
      for (const field of ['id', 'code', 'name'] as const)
        if (await manager.existsBy(ModelEntity, { [field]: dto[field] })) throw badInput(field, 'Another model has this already');
      await manager.insert(ModelEntity, { id, code, ...sheetOf(dto), active: true });
      const routeId = `${id}-1`;
      const graph = { id: routeId, modelId: id, version: 1, operations: [] };
      await manager.insert(RouteEntity, {
        id: routeId,
        modelId: id,
        version: 1,
        graph,
        state: 'draft',
        effectiveMs: null,
        reason: '',
        revision: 1,
      });
      return { before: null, after: dto };
    });
  }

  change(actor: Actor, id: string, dto: ChangeModelDto): Promise<{ id: string }> {
    return this.changes.make(actor, 'model', id, dto, async (manager) => {
      const before = await manager.findOne(ModelEntity, { where: { id }, lock: { mode: 'pessimistic_write' } });
      if (!before) throw notFound('model', id);
      if (modelTag(before) !== dto.seen) throw stale(before.name, before);
      const others = await manager.find(ModelEntity, { select: { id: true, name: true } });
      if (others.some((m) => m.id !== id && m.name.trim().toLowerCase() === dto.name.trim().toLowerCase()))
        throw badInput('name', 'Another model has this already');
      const after = { ...before, ...sheetOf(dto), active: dto.active };
      await manager.save(ModelEntity, after);
      return { before, after };
    });
  }
}

/** Which state of a model somebody has before them. */
export const modelTag = ({ name, construction, batchSize, scaleLengthMm, clearance, wood, active }: ModelEntity): string =>
  tagOf({ name, construction, batchSize, scaleLengthMm, clearance, wood, active });

function sheetOf({ name, construction, batchSize, scaleLengthMm, wood, ...clearance }: ModelSheetDto) {
  const { clearanceLowMm: lowMm, clearanceTargetMm: targetMm, clearanceHighMm: highMm } = clearance;
  if (!(lowMm <= targetMm && targetMm <= highMm)) throw badInput('clearanceTargetMm', 'The target lies within the band');
  if (new Set(wood.map((w) => w.component)).size !== wood.length) throw badInput('wood', 'A component is named twice');
  const upside = wood.findIndex(({ weight }) => weight !== undefined && weight.highG < weight.lowG);
  if (upside >= 0) throw badInput(`wood.${upside}.weight.highG`, 'The heaviest lies above the lightest');
  const needs: ModelWood = Object.fromEntries(wood.map(({ component, ...need }) => [component, need]));
  return { name, construction, batchSize, scaleLengthMm, clearance: { lowMm, targetMm, highMm }, wood: needs };
}
