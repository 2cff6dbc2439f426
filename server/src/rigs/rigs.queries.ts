import {
  asked,
  DAY_MS,
  hourOf,
  NOT_ANSWERED,
  Piece,
  pieceWord,
  pressedInWords,
  rhythmOf,
  rigsAhead,
  rigStepOf,
  rowsBy,
  Temperatures,
  type Batch,
  type LoadIn,
  type Rhythm,
  type RigAhead,
  type Stage,
  type WorkingTime,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, MoreThanOrEqual, Not } from 'typeorm';
import { BatchEntity } from '../batches/batch.entity.ts';
import { RigHourEntity } from '../batches/run.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import type { ForRigView, LoadBatchView, RhythmView, RigLoadView, RigsView, RigView } from './rigs.dto.ts';

const REACH_DAYS = 30;
/** Whoever tends rigs outside of working time is told of the next so many hours. */
const ALONE_MS = DAY_MS / 3;

/** What is in a rig and what is due there. */
export interface RigsNow {
  all: readonly RigAhead[];
  batches: ReadonlyMap<string, Batch>;
  factory: FactoryNow;
  nowMs: number;
  untilMs: number;
  time: WorkingTime;
}

/** What is under pressure, what could go in, and what is due. */
@Injectable()
export class RigsQueries {
  private readonly shelf: Shelf<RigsNow>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly sources: EvidenceSources,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the floor');
  }

  async view(stage: Stage | undefined): Promise<RigsView> {
    const now = await this.now();
    const own = now.all.filter(({ rig }) => stage === undefined || now.factory.setUp.stations.get(rig.rig.stationCode)?.stage === stage);
    return { rigs: own.map((ahead) => rigView(ahead, now)), rhythm: own.length === 0 ? null : rhythmView(own, now) };
  }

  now(): Promise<RigsNow> {
    return this.shelf.of('rigs', () => this.read());
  }

  private async read(): Promise<RigsNow> {
    const nowMs = this.clock.nowMs();
    const { manager } = this.database;
    const factory = await this.factories.load();
    const rigIds = factory.rigs.map((r) => r.id);
    const today = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    const dayFromMs = Math.min(nowMs, ...today.windows.filter((w) => w.fromMs > nowMs - DAY_MS && w.fromMs <= nowMs).map((w) => w.fromMs));
    const open = rigIds.length === 0 ? [] : await manager.find(BatchEntity, { where: { status: Not<BatchEntity['status']>('done') } });
    const forRigs = open.filter((b) => rigStepOf(factory.routeOf(b), factory.operationAt(b), b) !== null);
    const ids = forRigs.map((b) => b.id);
    const [rows, hours] = await Promise.all([
      this.reader.read([rowsBy(Piece, 'inRig', rigIds), rowsBy(Piece, 'batchId', ids)]),
      manager.find(RigHourEntity, { where: { hour: MoreThanOrEqual(hourOf(dayFromMs)) } }),
    ]);
    const zones = [...new Set(factory.rigs.map((r) => r.zoneId))];
    const closed = rows.all(Piece).flatMap((p) => (p.inRig !== null && p.stay?.closedMs ? [p.stay.closedMs] : []));
    const since = { fromMs: Math.min(nowMs - DAY_MS, ...closed), toMs: nowMs };
    const answers = await this.sources.answer(
      zones.map((zoneId) => asked(Temperatures, { zoneId, ...since })),
      factory,
    );
    const temperatures = new Map(
      zones.map((zoneId) => {
        const told = answers.to(Temperatures, { zoneId, ...since });
        return [zoneId, told === NOT_ANSWERED ? [] : told];
      }),
    );
    return {
      all: rigsAhead({ batches: open, pieces: rows.all(Piece), temperatures, hours, nowMs, time: today }, factory),
      batches: new Map(open.map((b) => [b.id, b])),
      factory,
      nowMs,
      time: today,
      untilMs: today.windowOf(nowMs)?.toMs ?? nowMs + ALONE_MS,
    };
  }
}

/** What those who tend these rigs have to know. */
export function rhythmView(rigs: readonly RigAhead[], { nowMs, untilMs, time }: Pick<RigsNow, 'nowMs' | 'untilMs' | 'time'>): RhythmView {
  const rhythm: Rhythm = rhythmOf(
    rigs.flatMap((r) => r.loads),
    nowMs,
    untilMs,
    time,
  );
  return { ...rhythm, untilMs };
}

function rigView({ rig, loads, brings, waiting, coming, nextLoad, ...ahead }: RigAhead, now: RigsNow): RigView {
  const { factory, batches, nowMs } = now;
  return {
    id: rig.id,
    name: rig.name,
    kind: rig.kind,
    stationCode: rig.rig.stationCode,
    stationName: factory.stationName(rig.rig.stationCode),
    cycle: rig.rig.cycle,
    places: rig.places,
    handsMinutes: rig.rig.handsMinutes,
    ...ahead,
    loads: loads.map((load) => loadView(load, now)),
    waiting: waiting.flatMap(({ batchId, ...told }): ForRigView[] => {
      const batch = batches.get(batchId);
      if (!batch) return [];
      const lateDays = batch.dueMs === null ? null : factory.daysLate(batch.dueMs, nowMs);
      return [{ batchId, ...told, lateDays, what: whatIn(batch, told.pieces, factory), version: batch.version }];
    }),
    coming: coming.flatMap((c) => {
      const batch = batches.get(c.batchId);
      return batch ? [{ ...c, what: whatIn(batch, c.pieces, factory) }] : [];
    }),
    nextLoad: nextLoad && {
      ...nextLoad,
      closings: nextLoad.closings.map(({ waitsFor, ...closing }) => ({ ...closing, waitsFor: waitsFor.map((c) => c.batchId) })),
    },
    brings: brings.map((b) => ({ ...b, stationName: factory.stationName(b.stationCode) })),
  };
}

function loadView({ loadId, place, pieces, fromMs, closedMs, pressed }: LoadIn, { batches, factory }: RigsNow): RigLoadView {
  const byBatch = new Map<string, string[]>();
  for (const { batchId, pieceId } of pieces) byBatch.set(batchId, [...(byBatch.get(batchId) ?? []), pieceId]);
  return {
    loadId,
    place,
    pieces: pieces.length,
    fromMs,
    closedMs,
    freeMs: pressed?.freeMs ?? null,
    isOver: pressed?.isOver === true,
    done: pressed === null || pressed.neededMinutes === 0 ? 0 : pressed.servedMinutes / pressed.neededMinutes,
    stands: pressed?.stands ?? null,
    told: pressed === null ? 'Open' : pressedInWords(pressed),
    batches: [...byBatch].flatMap(([batchId, pieceIds]): LoadBatchView[] => {
      const batch = batches.get(batchId);
      if (!batch) return [];
      const { component, modelId, version, status } = batch;
      const modelName = factory.modelName(modelId);
      return [{ batchId, pieces: pieceIds.length, pieceIds, component, modelName, isGlued: status !== 'dwelling', version }];
    }),
  };
}

const whatIn = ({ modelId, component }: Batch, pieces: number, factory: FactoryNow): string =>
  `${pieces} ${factory.modelName(modelId)} ${pieceWord(pieces, component)}`;
