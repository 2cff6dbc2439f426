import {
  AtStep,
  Batch,
  comesAlong,
  heldFindings,
  leaveAsks,
  leaveFindings,
  missingAsks,
  missingFor,
  placementsOf,
  PlacementRow,
  rowsBy,
  SeenAtStep,
  touchMinutes,
  type BatchStatus,
  type Finding,
  type Giver,
  type Rows,
  type Stage,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, Not } from 'typeorm';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { Clock } from '../platform/clock/clock.ts';
import { rowsWith } from '../platform/database/rows.ts';
import { inOrder, readPage, type Condition, type Listing, type Page, type Asked } from '../platform/paging/page.ts';
import { beginning, numbered } from '../platform/paging/typed.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { toBatchView, type BatchView } from './batch.view.ts';
import { BatchEntity, VisitEntity } from './batch.entity.ts';

export interface BatchFilter extends Asked {
  stage?: Stage;
  modelId?: string;
  done?: boolean;
  /** how the number begins */
  text?: string;
}

const IN_WORK: Listing = {
  table: 'batch',
  key: 'id',
  sorts: { number: 'number', dueMs: `coalesce(due_at, 'infinity')` },
  usually: '-number',
};
const DONE: Listing = { table: 'batch', key: 'id', sorts: { number: 'number', endedMs: 'ended_at' }, usually: '-endedMs' };

/** Who looks, where nobody acts. */
const NOBODY: Giver = { personId: null, role: 'operator' };

/** Batches, many at once. */
@Injectable()
export class BatchLists {
  private readonly open: Shelf<BatchView[]>;
  private readonly pages: Shelf<Page<BatchView>>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly sources: EvidenceSources,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.open = snapshots.shelf('the floor');
    this.pages = snapshots.shelf('the floor');
  }

  /** Every batch in work, the soonest due first. */
  inWork(): Promise<BatchView[]> {
    return this.open.of('in work', async () => {
      const where = { status: Not<BatchStatus>('done') };
      const batches = await this.database.getRepository(BatchEntity).find({ where, order: { dueMs: 'ASC', number: 'ASC' } });
      return this.views(batches, await this.factories.load());
    });
  }

  /** Batches in work, or those that are done, by the page. */
  list(filter: BatchFilter): Promise<Page<BatchView>> {
    return this.pages.of(JSON.stringify(filter), () => this.readPage(filter));
  }

  private async readPage({ stage, modelId, done = false, text, ...asked }: BatchFilter): Promise<Page<BatchView>> {
    const conditions: Condition[] = [[done ? `status = 'done'` : `status <> 'done'`]];
    if (stage !== undefined) conditions.push(['stage = ?', stage]);
    if (modelId !== undefined) conditions.push(['model_id = ?', modelId]);
    if (text !== undefined) conditions.push(['id like ?', beginning(numbered('B', text))]);
    const page = await readPage(this.database, done ? DONE : IN_WORK, asked, conditions);
    const batches = await rowsWith(this.database, BatchEntity, 'id', page.rows);
    const views = await this.views(batches, await this.factories.load());
    return inOrder(page, views, (view) => view.id);
  }

  async views(batches: readonly BatchEntity[], factory: FactoryNow): Promise<BatchView[]> {
    const ids = batches.map((b) => b.id);
    const atWork = batches.filter((b) => b.status === 'running' || b.status === 'paused').map((b) => b.visitId);
    const placements = await this.reader.read([rowsBy(PlacementRow, 'batchId', ids)]);
    const [findings, missing, visits] = await Promise.all([
      this.leaving(batches, placements, factory),
      this.missing(batches, factory),
      atWork.length === 0 ? [] : rowsWith(this.database, VisitEntity, 'id', atWork),
    ]);
    const workers = new Map(visits.map((v) => [v.id, v.personId]));
    return batches.map((b) => {
      const operation = factory.operationAt(b);
      const touch = comesAlong(operation, b.component) ? 0 : touchMinutes(operation, b.quantity, b.stationCode);
      return toBatchView(
        b,
        factory,
        findings.get(b.id) ?? heldFindings(b),
        missing(b),
        touch,
        placementsOf(placements, b.id),
        workers.get(b.visitId) ?? null,
      );
    });
  }

  /** What each batch that waits to be begun lacks of what must exist first. */
  private async missing(batches: readonly BatchEntity[], factory: FactoryNow): Promise<(batch: BatchEntity) => string[]> {
    const waiting = batches.filter((b) => b.status === 'queued');
    const asks = waiting.flatMap((b) => missingAsks(b, factory.operationAt(b), factory));
    const answers = await this.sources.answer(asks, factory);
    return (b) => (b.status === 'queued' ? missingFor(b, factory.operationAt(b), factory, answers) : []);
  }

  /** What is before each batch that is done with its step; nothing where it is not. */
  private async leaving(batches: readonly BatchEntity[], placements: Rows, factory: FactoryNow): Promise<Map<string, Finding[]>> {
    const done = batches.filter((b) => b.status === 'dwelling' || b.status === 'finished');
    for (const batch of done) placements.load(Batch, batch);
    const sight = { rows: placements, factory, nowMs: this.clock.nowMs(), by: NOBODY };
    const asks = done.flatMap((b) => leaveAsks(new SeenAtStep(b.id, sight)));
    const answers = await this.sources.answer(asks, factory);
    return new Map(done.map((b) => [b.id, leaveFindings(new AtStep(b.id, { ...sight, answers }))]));
  }
}
