import {
  AirNow,
  asked,
  Batch,
  BoxesFor,
  Cutter,
  CutterUse,
  Dimension,
  dimensionIdOf,
  Job,
  kitIdsOf,
  KitStock,
  LEDGER,
  livePieces,
  Measure,
  NOT_ANSWERED,
  Machine,
  Piece,
  Program,
  programsIn,
  RigCount,
  useIdOf,
  piecesIn,
  pressedNext,
  PlacesTaken,
  rowsBy,
  rowsOf,
  suits,
  Temperatures,
  WaitingAt,
  waitsAheadAt,
  waysOf,
  temperaturesFor,
  zoneOf,
  type Ask,
  type Held,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { FactoryService } from '../factory/factory.service.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { Clock } from '../platform/clock/clock.ts';
import { notFound } from '../platform/problems/problems.ts';

/** Tells a page what it must hold of a batch to judge work on it by itself. */
@Injectable()
export class HeldService {
  constructor(
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly sources: EvidenceSources,
    private readonly clock: Clock,
  ) {}

  async held(batchId: string): Promise<Held> {
    const factory = await this.factories.load();
    const rows = await this.reader.read([rowsOf(Batch, [batchId])]);
    const batch = rows.find(Batch, batchId);
    if (!batch) throw notFound('batch', batchId);
    const nowMs = this.clock.nowMs();
    const zoneId = zoneOf(batch, factory);
    const sinceIt = temperaturesFor(batch, zoneId, nowMs);
    const answers = await this.sources.answer(
      [asked(BoxesFor, { batchId }), asked(AirNow, { zoneId }), asked(Temperatures, sinceIt), asked(PlacesTaken, {})],
      factory,
    );
    const boxes = answers.to(BoxesFor, { batchId });
    const boxIds = boxes === NOT_ANSWERED ? [] : boxes;
    await this.reader.read([rowsOf(Batch, boxIds)], rows);
    const along: Ask[] = rows.all(Batch).flatMap((b) => [...Batch.under(b), ...Batch.alongWith(b)]);
    const stationCodes = [...new Set([batch.stationCode, ...waysOf(factory.operationAt(batch)).map((way) => way.stationCode)])];
    const programs = programsIn(factory.operationAt(batch).needs).map((n) => n.what);
    const named = [...programs, ...factory.operationAt(batch).gate.flatMap((r) => (r.kind === 'programReleased' ? [r.what] : []))];
    const step = pressedNext(factory.routeOf(batch), factory.operationAt(batch), batch);
    const rigIds = factory.rigs.flatMap((rig) => (step?.rig && suits(rig, step.rig, batch.modelId) ? [rig.id] : []));
    const kits = rowsOf(KitStock, kitIdsOf(factory.setUp.prerequisites, batch.modelId));
    const measured = (factory.operationAt(batch).characteristics ?? []).map((c) => dimensionIdOf(batch.modelId, batch.operationId, c.id));
    await this.reader.read(
      [
        ...along,
        kits,
        rowsBy(Job, 'openAt', stationCodes),
        rowsOf(Dimension, measured),
        rowsBy(Program, 'what', named),
        rowsBy(Piece, 'inRig', rigIds),
        rowsOf(RigCount, rigIds),
        ...(programs.length > 0 ? [rowsBy(Cutter, 'stationCode', stationCodes), rowsBy(Machine, 'stationCode', stationCodes)] : []),
      ],
      rows,
    );
    // What is in a rig with it is opened and closed with it, and what is in one load is held with it.
    const load = batch.jobId === null ? [] : (rows.find(Job, batch.jobId)?.shares ?? []);
    await this.reader.read([rowsOf(Batch, [...new Set([...rows.all(Piece), ...load].map((p) => p.batchId))])], rows);
    await this.reader.read([rowsOf(CutterUse, rows.all(Cutter).map(useIdOf))], rows);
    const pieceIds = livePieces(piecesIn(rows, batchId)).map((p) => p.id);
    await this.reader.read([rowsBy(Measure, 'pieceId', pieceIds)], rows);
    const waits = waitsAheadAt(factory.routeOf(batch), batch);
    const who = await this.sources.answer(
      waits.map((stationCode) => asked(WaitingAt, { stationCode })),
      factory,
    );
    const air = answers.to(AirNow, { zoneId });
    const temperatures = answers.to(Temperatures, sinceIt);
    const taken = answers.to(PlacesTaken, {});
    const told = new Set([
      ...along.map(({ kind }) => kind.name),
      Batch.name,
      KitStock.name,
      Job.name,
      Piece.name,
      Measure.name,
      Dimension.name,
      Program.name,
      RigCount.name,
      // Which cutters are elsewhere it is not told.
      ...(programs.length > 0 ? [Cutter.name, CutterUse.name, Machine.name] : []),
    ]);
    const kinds = LEDGER.rooms.flatMap((room) => room.rows).filter((kind) => told.has(kind.name));
    return {
      atMs: nowMs,
      batchId,
      rows: Object.fromEntries(kinds.map((kind) => [kind.name, rows.all<object>(kind as never)])),
      taken: taken === NOT_ANSWERED ? {} : Object.fromEntries(factory.carriersInUse().map(({ id }) => [id, taken(id)])),
      air: air === NOT_ANSWERED ? null : air,
      temperatures: temperatures === NOT_ANSWERED ? [] : temperatures,
      stationCodes,
      rigIds,
      programs: named,
      waiting: Object.fromEntries(
        waits.flatMap((stationCode) => {
          const there = who.to(WaitingAt, { stationCode });
          return there === NOT_ANSWERED ? [] : [[stationCode, there]];
        }),
      ),
      boxIds,
    };
  }
}
