import { checkDefects, checkSpecies } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
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

  /** What was recorded of a species that is taken out stays recorded; it is known of it no more. */
  async changeSpecies(actor: Actor, dto: ChangeSpeciesDto): Promise<{ id: string }> {
    const { species, seen } = dto;
    const wrong = checkSpecies(species);
    if (wrong) throw badInput(`species.${wrong.index}`, wrong.problem);
    return this.changes.make(actor, 'species', 'species', dto, async (manager) => ({
      before: await this.settings.replace(manager, 'species', species, { what: 'The register of species', seen }),
      after: species,
    }));
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
