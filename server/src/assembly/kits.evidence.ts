import { KitsFor, kitsServing } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { BatchEntity } from '../batches/batch.entity.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { KitStockEntity } from './kitStock.entity.ts';

/** What is known of kits when something is judged. */
@Injectable()
export class KitsEvidence {
  constructor(sources: EvidenceSources) {
    sources.add(KitsFor, async ({ batchId }, { manager, factory }) => {
      const counted = await manager.find(KitStockEntity);
      const batch = counted.length === 0 ? null : await manager.findOneBy(BatchEntity, { id: batchId });
      if (!batch) return [];
      const of = { modelId: batch.modelId, onRecord: factory.setUp.prerequisites };
      return kitsServing(factory.operationAt(batch).needs, of, counted);
    });
  }
}
