import { checkDefects, checkSpecies } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import type { ChangeDefectsDto, ChangeSpeciesDto } from './registers.dto.ts';

/** What the factory knows of woods and of what can be wrong, as lists that it edits. */
@Injectable()
export class RegistersService {
  constructor(
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
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
