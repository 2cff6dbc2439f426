import { checkAdhesives, checkDefects, checkNoted, checkSpecies, type Adhesive } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { FactoryService, type FactoryNow } from './factory.service.ts';
import { ChangesService } from './changes.service.ts';
import type {
  ChangeAdhesivesDto,
  ChangeCautionsDto,
  ChangeConsigneesDto,
  ChangeDefectsDto,
  ChangePauseCausesDto,
  ChangeStartChecksDto,
  ChangeSpeciesDto,
} from './registers.dto.ts';

/** What the factory knows of woods and of what can be wrong, as lists that it edits. */
@Injectable()
export class RegistersService {
  constructor(
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
    private readonly factories: FactoryService,
  ) {}

  async changeSpecies(actor: Actor, dto: ChangeSpeciesDto): Promise<{ id: string }> {
    const { species, seen } = dto;
    const wrong = checkSpecies(species);
    if (wrong) throw badInput(`species.${wrong.index}`, wrong.problem);
    return this.changes.make(actor, 'species', 'species', dto, async (manager) => {
      const before = await this.settings.replace(manager, 'species', species, { what: 'The register of species', seen });
      const kept = new Set(species.map((s) => s.name));
      await mustKeepUsed(
        manager,
        before.flatMap((s) => (kept.has(s.name) ? [] : [s.name])),
      );
      return { before, after: species };
    });
  }

  async changeDefects(actor: Actor, dto: ChangeDefectsDto): Promise<{ id: string }> {
    const { defects, seen } = dto;
    const wrong = checkDefects(defects);
    if (wrong) throw badInput(`defects.${wrong.index}`, wrong.problem);
    return this.changes.make(actor, 'defects', 'defects', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'defects', defects, { what: 'The register of defects', seen }),
      after: defects,
    }));
  }

  async changeCautions(actor: Actor, dto: ChangeCautionsDto): Promise<{ id: string }> {
    const { cautions, seen } = dto;
    const wrong = checkNoted(cautions, 'caution');
    if (wrong) throw badInput(`cautions.${wrong.index}`, wrong.problem);
    const kept = new Set(cautions.map((c) => c.key));
    const shown = showsCaution(await this.factories.load(), kept);
    if (shown) throw badInput('cautions', shown);
    return this.changes.make(actor, 'cautions', 'cautions', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'cautions', cautions, { what: 'The register of cautions', seen }),
      after: cautions,
    }));
  }

  async changePauseCauses(actor: Actor, dto: ChangePauseCausesDto): Promise<{ id: string }> {
    const { pauseCauses, seen } = dto;
    const wrong = checkNoted(pauseCauses, 'cause');
    if (wrong) throw badInput(`pauseCauses.${wrong.index}`, wrong.problem);
    return this.changes.make(actor, 'pause causes', 'pause causes', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'pauseCauses', pauseCauses, { what: 'The register of causes', seen }),
      after: pauseCauses,
    }));
  }

  async changeStartChecks(actor: Actor, dto: ChangeStartChecksDto): Promise<{ id: string }> {
    const { startChecks, seen } = dto;
    const wrong = checkNoted(startChecks, 'check');
    if (wrong) throw badInput(`startChecks.${wrong.index}`, wrong.problem);
    return this.changes.make(actor, 'start checks', 'start checks', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'startChecks', startChecks, { what: 'The start checklist', seen }),
      after: startChecks,
    }));
  }

  async changeAdhesives(actor: Actor, dto: ChangeAdhesivesDto): Promise<{ id: string }> {
    const { adhesives, seen } = dto;
    const wrong = checkAdhesives(adhesives);
    if (wrong) throw badInput(`adhesives.${wrong.index}`, wrong.problem);
    const used = gluesWith(await this.factories.load(), adhesives);
    if (used) throw badInput('adhesives', used);
    return this.changes.make(actor, 'adhesives', 'adhesives', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'adhesives', adhesives, { what: 'The register of glues', seen }),
      after: adhesives,
    }));
  }

  async changeConsignees(actor: Actor, dto: ChangeConsigneesDto): Promise<{ id: string }> {
    const { consignees, seen } = dto;
    const names = consignees.map((c) => c.name.toLowerCase());
    const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
    if (twice >= 0) throw badInput(`consignees.${twice}`, `"${consignees[twice]?.name ?? ''}" stands there twice`);
    return this.changes.make(actor, 'consignees', 'consignees', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'consignees', consignees, { what: 'The list of consignees', seen }),
      after: consignees,
    }));
  }
}

/** A glue that a step in use waits for stays in the register, with what it glues; the first that would be missing, in a sentence. */
function gluesWith(factory: FactoryNow, kept: readonly Adhesive[]): string | undefined {
  for (const { id, modelId } of factory.setUp.versions) {
    for (const { name, gate } of factory.setUp.routes.get(id)?.operations ?? []) {
      for (const rule of gate) {
        if ((rule.kind !== 'pressed' && rule.kind !== 'glueSet') || rule.adhesiveId === undefined) continue;
        const { adhesiveId } = rule;
        const material = rule.kind === 'pressed' ? rule.material : undefined;
        const glue = kept.find((a) => a.id === adhesiveId);
        const what = glue ? `the time for ${material ?? ''} with ${glue.name}` : `"${adhesiveId}"`;
        if (glue && (material === undefined || glue.materials.some((m) => m.name === material))) continue;
        return `"${name}" of ${factory.modelName(modelId)} waits for ${what}: change that step first`;
      }
    }
  }
  return undefined;
}

/** A caution that a step in use shows stays in the register; the first that would be missing, in a sentence. */
function showsCaution(factory: FactoryNow, kept: ReadonlySet<string>): string | undefined {
  for (const { id, modelId } of factory.setUp.versions) {
    for (const { name, cautions = [] } of factory.setUp.routes.get(id)?.operations ?? []) {
      const gone = cautions.find((key) => !kept.has(key));
      if (gone !== undefined) return `"${name}" of ${factory.modelName(modelId)} shows "${gone}": take it off that step first`;
    }
  }
  return undefined;
}

/** A species that a model is made of, or that there is wood of, stays in the register under its name. */
async function mustKeepUsed(manager: EntityManager, gone: readonly string[]): Promise<void> {
  const [used] = await manager.query<{ by: string; species: string }[]>(
    `select name as by, w.value ->> 'species' as species from model, jsonb_each(wood) w where w.value ->> 'species' = any($1)
     union all select 'Lot ' || id, species from lot where state <> 'used up' and species = any($1) order by 1 limit 1`,
    [gone],
  );
  if (used) throw badInput('species', `${used.by} is of ${used.species}: it stays in the register under that name`);
}
