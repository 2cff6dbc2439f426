import { ShopEmc } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { ClimateService } from '../climate/climate.service.ts';
import { EvidenceSources } from '../logbook/evidence.ts';

/** What the wood room knows when something is judged. */
@Injectable()
export class TimberEvidence {
  constructor(sources: EvidenceSources, climate: ClimateService) {
    sources.add(ShopEmc, async (_, { manager, factory }) => {
      const { emcPct } = await climate.shopAir(factory.setUp.settings.factory.woodRoomZoneId, manager);
      return emcPct;
    });
  }
}
