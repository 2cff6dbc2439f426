import {
  AtStep,
  Batch,
  choicesInWords,
  coatAsks,
  coatFindings,
  CoatsOn,
  coatsOnAll,
  comesAlong,
  DAY_MS,
  Defect,
  forecastRoute,
  formatWork,
  kitIdsOf,
  kitsServing,
  KitStock,
  lastOf,
  livePieces,
  Lot,
  mayShareJob,
  Measure,
  missingAsks,
  missingFor,
  NOT_ANSWERED,
  offMeasures,
  Order,
  OverrideRecord,
  Piece,
  piecesInPass,
  rigAsks,
  rigsFor,
  rowsBy,
  rowsOf,
  SeenAtStep,
  shortageFor,
  stationPass,
  stepMarks,
  touchMinutes,
  unmeasuredIn,
  Visit,
  waysOf,
  type Answers,
  type OnRoute,
  type Operation,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { sentenceOf, toLogView } from '../factory/logbookWords.ts';
import { Clock } from '../platform/clock/clock.ts';
import { ask } from '../platform/database/prepared.ts';
import { rowsWith } from '../platform/database/rows.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { toCharacteristicView } from '../factory/characteristic.view.ts';
import type { CardView, UndoView } from './batch.view.ts';
import { BatchLists } from './batches.lists.ts';
import { filmOn } from './film.ts';
import { MachineStarts } from './machineStarts.ts';
import { History } from './history.view.ts';
import { toSettingView, toSheetView } from './sheet.view.ts';
import { BatchEntity } from './batch.entity.ts';

const FORECAST_REACH_DAYS = 200;

@Injectable()
export class BatchesQueries {
  private readonly cards: Shelf<Omit<CardView, 'lotPlace'>>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly sources: EvidenceSources,
    private readonly lists: BatchLists,
    private readonly machines: MachineStarts,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.cards = snapshots.shelf('the floor');
  }

  /** Everything the card of one batch shows. */
  async card(batchId: string): Promise<CardView> {
    const card = await this.cards.of(batchId, () => this.readCard(batchId));
    const { stage, lotId } = card.batch;
    // A lot is moved while nothing changes on the floor.
    const lot = stage === 'roughMill' && lotId !== null ? await this.reader.find(Lot, lotId) : undefined;
    return { ...card, lotPlace: lot?.place ?? null };
  }

  private async readCard(batchId: string): Promise<Omit<CardView, 'lotPlace'>> {
    const [batch] = await rowsWith(this.database, BatchEntity, 'id', [batchId]);
    if (!batch) throw notFound('batch', batchId);
    const [factory, rows, log] = await Promise.all([
      this.factories.load(),
      this.reader.read([
        rowsBy(Piece, 'batchId', [batchId]),
        rowsBy(Visit, 'batchId', [batchId]),
        rowsBy(Defect, 'batchId', [batchId]),
        rowsBy(OverrideRecord, 'batchId', [batchId]),
        rowsOf(Order, batch.orderId === null ? [] : [batch.orderId]),
      ]),
      rowsWith(this.database, LogbookEntity, 'batchId', [batchId], 'id'),
    ]);
    const pieces = rows.all(Piece).sort((a, b) => a.ordinal - b.ordinal);
    const visits = rows.all(Visit).sort((a, b) => a.arrivedMs - b.arrivedMs);
    const pieceIds = pieces.map((p) => p.id);
    const [film] = await Promise.all([
      filmOn(this.reader, livePieces(pieces)),
      this.reader.read([rowsBy(Measure, 'pieceId', pieceIds)], rows),
    ]);
    const measures = rows.all(Measure).sort(byTime);
    const [defects, overrides] = [rows.all(Defect).sort(byTime), rows.all(OverrideRecord).sort(byTime)];
    const route = factory.routeOf(batch);
    const operation = factory.operationAt(batch);
    const nowMs = this.clock.nowMs();
    const time = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + FORECAST_REACH_DAYS * DAY_MS });
    const history = new History(factory, batch.routeId);
    const kits = await this.kitsFor(batch, operation, factory);
    const [besides, together] = await Promise.all([this.besides(batch), mayShareJob(operation) ? this.inTheQueueOf(batch) : []]);
    const programAsks = route.operations.flatMap((o) => missingAsks(batch, o, factory));
    const onIt = await this.sources.answer([...(operation.coat ? coatAsks(batch, factory) : []), ...programAsks], factory);
    const machines = await this.machines.for(batch, operation, factory);
    rows.load(Batch, batch);
    const sight = { rows, factory, nowMs, by: { personId: null, role: 'operator' as const } };
    const inRigs = await this.sources.answer(rigAsks(new SeenAtStep(batchId, sight)), factory);
    const rigs = rigsFor(new AtStep(batchId, { ...sight, answers: inRigs }));
    const laid = onIt.to(CoatsOn, { batchId });
    const visit = visits.find((v) => v.id === batch.visitId);
    const [view] = await this.lists.views([batch], factory);
    if (!view) throw notFound('batch', batchId);
    return {
      batch: view,
      customer: rows.all(Order)[0]?.customer ?? 'Stock',
      options: choicesInWords(route.options ?? [], batch.facts.choices),
      pieces,
      inPass: piecesInPass(batch, pieces).map((p) => p.id),
      visits: visits.map((v) => history.visit(v)),
      forecast:
        batch.status === 'done'
          ? []
          : forecastRoute(route, batch, nowMs, time, factory, view.untilMs ?? nowMs).map((f) => ({
              operationId: f.operation.id,
              operationName: f.operation.name,
              stage: f.operation.stage,
              kind: f.operation.kind,
              arriveMs: f.arriveMs,
              leaveMs: f.leaveMs,
              needs: needsOf(f.operation, batch, factory, onIt),
            })),
      coats: film.coats.map((c) => history.coat(c)),
      coatsThisVisit: laid === NOT_ANSWERED ? 0 : coatsOnAll(laid),
      coatPlan: operation.coat
        ? {
            ...operation.coat,
            materialName: factory.materialName(operation.coat.materialId),
          }
        : null,
      build: history.build(film),
      coatFindings: operation.coat ? coatFindings(batch, operation, factory, nowMs, onIt) : [],
      characteristics: (operation.characteristics ?? []).map(toCharacteristicView),
      settings: (operation.settings ?? []).map(toSettingView),
      sheet: operation.sheet ? toSheetView(operation.sheet) : null,
      unmeasured: visit ? unmeasuredIn(batch, visit, operation, pieces, measures).map((u) => ({ ...u, pieceIds: [...u.pieceIds] })) : [],
      off: visit ? offMeasures(batch, visit, operation, pieces, measures) : [],
      measures: measures.map((m) => history.measure(m)),
      defects: defects.map((d) => history.defect(d)),
      overrides: overrides.map((o) => history.override(o)),
      log: log.sort((a, b) => b.atMs - a.atMs || b.id - a.id).map((row) => toLogView(row, factory, batch.routeId)),
      cautions: [...(operation.cautions ?? [])],
      defectKinds: factory.defectsFrom(operation.stage),
      originChoices: route.operations
        .filter((o) => o.kind === 'work' && (o.component === batch.component || batch.component === 'instrument'))
        .map(({ id, name: label }) => ({ id, name: label })),
      workers: peopleWith(operation.skill, operation.skillLevel ?? 1, factory, nowMs),
      accepters: view.acceptFor === null ? [] : peopleWith(view.acceptFor, 1, factory, nowMs),
      ways: waysOf(operation).map((w) => ({
        id: w.id,
        name: w.name,
        stationName: factory.stationName(w.stationCode),
        minutesPerPiece: w.minutesPerPiece,
      })),
      besides,
      reworkAlone: operation.reworkAlone === true,
      kitShortage: shortageFor(batch.quantity, kits),
      program: machines,
      rigs: rigs && { ...rigs, rigs: rigs.rigs.map((r) => ({ ...r, others: [...r.others] })) },
      together: together
        .filter((b) => mayShareJob(factory.operationAt(b)))
        .map(({ id, component, quantity }) => ({ id, component, quantity })),
      hostsHere: operation.component === batch.component,
      undo: undoOf(log, factory, batch.routeId),
      stationPass: stationPass(route, operation).nth,
      stationPasses: stationPass(route, operation).of,
      fittedInto: [...new Set(pieces.flatMap((p) => (p.state === 'fitted' && p.serial !== null ? [p.serial] : [])))],
    };
  }

  /** The counted kits that work which is not begun will take. */
  private async kitsFor(batch: BatchEntity, { needs }: Operation, factory: FactoryNow): Promise<KitStock[]> {
    if (batch.status !== 'queued' || batch.redo || !needs?.some((need) => need.kind === 'kit')) return [];
    const of = { modelId: batch.modelId, onRecord: factory.setUp.prerequisites };
    const rows = await this.reader.read([rowsOf(KitStock, kitIdsOf(of.onRecord, of.modelId))]);
    const ids = new Set(kitsServing(needs, of, rows.all(KitStock)));
    return rows.all(KitStock).filter((kit) => ids.has(kit.id));
  }

  /** Others of its model at the same step, that it may be put together with. */
  private besides({ id, modelId, operationId, status }: BatchEntity): Promise<Waiting[]> {
    if (status === 'done') return Promise.resolve([]);
    return ask<Waiting>(
      this.database,
      `select id, component, quantity from batch where model_id = $1 and operation_id = $2 and status = $3 and status <> 'done' and id <> $4
       order by number`,
      [modelId, operationId, status, id],
    );
  }

  /** Others that wait for the same station. */
  private inTheQueueOf({ id, stationCode, status }: BatchEntity): Promise<(Waiting & OnRoute & { operationId: string })[]> {
    if (status !== 'queued') return Promise.resolve([]);
    return ask(
      this.database,
      `select id, component, quantity, facts, route_id as "routeId", operation_id as "operationId" from batch
       where station_code = $1 and status = 'queued' and id <> $2 order by number`,
      [stationCode, id],
    );
  }
}

/** A batch that waits, as another's card shows it. */
type Waiting = Pick<BatchEntity, 'id' | 'component' | 'quantity'>;

const byTime = (a: { atMs: number }, b: { atMs: number }) => a.atMs - b.atMs;

/** The latest entry, if it is of a kind that can be taken back. */
/** What must be at hand for a step to come: where, who and how long, what is special about it, and what is missing for it. */
function needsOf(operation: Operation, batch: BatchEntity, factory: FactoryNow, answers: Answers): string[] {
  const minutes = comesAlong(operation, batch.component) ? 0 : touchMinutes(operation, batch.quantity);
  const time = minutes > 0 ? [`about ${formatWork(minutes)} of work`] : [];
  const where = [factory.stationName(operation.stationCode), ...(operation.skill === undefined ? [] : [operation.skill]), ...time];
  const missing = missingFor(batch, operation, factory, answers);
  return [where.join(', '), stepMarks(operation, factory.routeOf(batch).options).join(', '), ...missing].filter((said) => said !== '');
}

function undoOf(log: readonly LogbookEntity[], factory: FactoryNow, routeId: string): UndoView | null {
  const entries = [...log].sort((a, b) => a.id - b.id);
  // What the table holds was checked when it was appended.
  const last = lastOf(entries);
  const row = last?.undoable ? entries.find((e) => e.id === last.id) : undefined;
  return row ? { entryId: row.id, sentence: sentenceOf(row, factory, routeId) } : null;
}

/** Who may do something that asks for a skill, or for none. */
function peopleWith(skill: string | undefined, level: number, factory: FactoryNow, nowMs: number): { id: string; name: string }[] {
  const able =
    skill === undefined ? [...factory.setUp.people.values()].filter((p) => p.active) : factory.people.holders(skill, level, nowMs);
  return able.map(({ id, name }) => ({ id, name }));
}
