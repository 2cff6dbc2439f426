import { ShopEmc } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { EvidenceSources } from '../logbook/evidence.ts';
import { LotLists } from './lots.lists.ts';

/** What the wood room knows when something is judged. */
@Injectable()
export class TimberEvidence {
  constructor(sources: EvidenceSources, lots: LotLists) {
    sources.add(ShopEmc, (_, { manager, factory, nowMs }) =>
      lots.shopEmcPct(factory.setUp.settings.factory.woodRoomZoneId, nowMs, manager),
    );
  }
}
