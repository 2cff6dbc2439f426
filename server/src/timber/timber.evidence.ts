import { ShopEmc } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { EvidenceSources } from '../logbook/evidence.ts';
import { LotsQueries } from './lots.queries.ts';

/** What the wood room knows when something is judged. */
@Injectable()
export class TimberEvidence {
  constructor(sources: EvidenceSources, lots: LotsQueries) {
    sources.add(ShopEmc, (_, { manager, factory, nowMs }) =>
      lots.shopEmcPct(factory.setUp.settings.factory.woodRoomZoneId, nowMs, manager),
    );
  }
}
