import { BoxesFor, lastOf, LatestEntry, NextNumber, PlacesTaken, WaitingAt, type PiecesOf } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { EvidenceSources } from '../logbook/evidence.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { nextNumber } from '../logbook/nextNumber.ts';
import { BatchEntity } from './batch.entity.ts';

/** Entries to look through for the latest that stands. */
const RECENT_ENTRIES = 60;

/** What the batches' room knows when something is judged. */
@Injectable()
export class BatchesEvidence {
  constructor(sources: EvidenceSources) {
    sources.add(NextNumber, ({ of }, { manager }) => nextNumber(manager, of));
    sources.add(PlacesTaken, async (_, { manager }) => {
      const rows = await manager.query<{ id: string; taken: number }[]>('select id, taken from carrier where active');
      const taken = new Map(rows.map((row) => [row.id, row.taken]));
      return (carrierId) => taken.get(carrierId) ?? 0;
    });
    sources.add(WaitingAt, async ({ stationCode }, { manager }) => {
      // Two who come at once are told one after the other.
      if (manager.queryRunner?.isTransactionActive)
        await manager.query('select from station where code = $1 for no key update', [stationCode]);
      return manager.query<PiecesOf[]>(
        `select id as "batchId", quantity as pieces from batch
         where station_code = $1 and (status = 'dwelling' or status = 'held' and held_status = 'dwelling') order by arrived_at, number`,
        [stationCode],
      );
    });
    sources.add(BoxesFor, async ({ batchId }, { manager, factory }) => {
      const drawing = [...factory.setUp.routes.values()].some((r) => r.operations.some((o) => o.draws));
      const batch = drawing ? await manager.findOneBy(BatchEntity, { id: batchId }) : null;
      const draws = batch ? (factory.operationAt(batch).draws ?? []) : [];
      if (draws.length === 0) return [];
      const rows = await manager.query<{ id: string }[]>(
        `select id from batch where status = 'stocked' and model_id = any($1) order by arrived_at, number`,
        [draws.map((d) => d.modelId)],
      );
      return rows.map((r) => r.id);
    });
    sources.add(LatestEntry, async ({ batchId }, { manager }) => {
      const rows = await manager.find(LogbookEntity, { where: { batchId }, order: { id: 'DESC' }, take: RECENT_ENTRIES });
      // What the table holds was checked when it was appended.
      return lastOf(rows.reverse()) ?? null;
    });
  }
}
