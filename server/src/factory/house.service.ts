import { Injectable } from '@nestjs/common';
import { ZoneEntity } from '../climate/climate.entity.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { ChangesService } from './changes.service.ts';
import type { ChangeHouseDto } from './setup.dto.ts';

/** What the factory is called, which of its rooms are the wood room and the booth, and in what money it reckons. */
@Injectable()
export class HouseService {
  constructor(
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
  ) {}

  async change(actor: Actor, { seen, ...said }: ChangeHouseDto): Promise<{ id: string }> {
    if (!Intl.supportedValuesOf('currency').includes(said.currency)) throw badInput('currency', `There is no currency ${said.currency}`);
    const { demo } = await this.settings.get('factory');
    return this.changes.make(actor, 'factory', 'house', said, async (manager) => {
      for (const field of ['woodRoomZoneId', 'boothZoneId'] as const)
        if (!(await manager.existsBy(ZoneEntity, { id: said[field] }))) throw badInput(field, `There is no zone ${said[field]}`);
      const after = { ...said, demo };
      return { before: await this.settings.replace(manager, 'factory', after, { what: 'The factory’s sheet', seen }), after };
    });
  }
}
