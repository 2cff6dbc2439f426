import { Injectable } from '@nestjs/common';
import { Instrument, Piece, Rows, type InstrumentState } from '@ample-crane/core';
import { DataSource } from 'typeorm';
import { MeasureEntity } from '../quality/measure.entity.ts';
import { filmOn } from '../batches/film.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { toLogView } from '../factory/logbookWords.ts';
import { rowsTogether, rowsWith } from '../platform/database/rows.ts';
import { inOrder, readPage, type Condition, type Listing, type Page, type Asked } from '../platform/paging/page.ts';
import { within } from '../platform/paging/typed.ts';
import { notFound } from '../platform/problems/problems.ts';
import { History } from '../batches/history.view.ts';
import { BatchEntity, DefectEntity, PieceEntity, VisitEntity } from '../batches/batch.entity.ts';
import { OverrideEntity } from '../routing/override.entity.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { BlankEntity, LotEntity, ReadingEntity, ReadingSessionEntity } from '../timber/timber.entity.ts';
import type { InstrumentView, PartView, RecordView } from './records.dto.ts';
import { InstrumentEntity } from '../batches/batch.entity.ts';

export interface InstrumentFilter extends Asked {
  text?: string;
  state?: InstrumentState;
  modelId?: string;
}

const INSTRUMENTS: Listing = {
  table: 'instrument',
  key: 'serial',
  sorts: {
    serial: 'serial',
    fittedMs: 'fitted_at',
    // What has neither comes after the latest shipped, and after the last name.
    shippedMs: `coalesce(shipped_at, '-infinity')`,
    consignee: `coalesce(consignee, chr(1114111))`,
  },
  usually: '-fittedMs',
};

@Injectable()
export class RecordsService {
  private readonly shelf: Shelf<Made>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the floor');
  }

  /** Instruments by the page, the latest fitted first. */
  async list({ text, state, modelId, ...asked }: InstrumentFilter): Promise<Page<InstrumentView>> {
    const conditions: Condition[] = [];
    if (text !== undefined) conditions.push(['serial ilike ? or consignee ilike ?', within(text), within(text)]);
    if (state !== undefined) conditions.push(['state = ?', state]);
    if (modelId !== undefined) conditions.push(['model_id = ?', modelId]);
    const page = await readPage(this.database, INSTRUMENTS, asked, conditions);
    const rows = await rowsWith(this.database, InstrumentEntity, 'serial', page.rows);
    const factory = await this.factories.load();
    return inOrder(
      page,
      rows.map((row) => toView(row, factory)),
      (view) => view.serial,
    );
  }

  /** All that is known of one instrument, back to its lots and their readings. */
  async record(serial: string): Promise<RecordView> {
    const { pieces, visitsOf, ...made } = await this.shelf.of(serial, () => this.readMade(serial));
    const factory = await this.factories.load();
    const wood = await this.readWood(pieces);
    const parts = pieces.map((piece) => toPart(piece, wood, visitsOf(piece), factory));
    return { ...made, parts: parts.sort((a, b) => a.component.localeCompare(b.component)) };
  }

  /** What was done to it on the floor. */
  private async readMade(serial: string): Promise<Made> {
    const [instrument] = await rowsWith(this.database, InstrumentEntity, 'serial', [serial]);
    if (!instrument) throw notFound('instrument', serial);
    const factory = await this.factories.load();
    const partIds = [instrument.bodyId, ...(instrument.neckId === null ? [] : [instrument.neckId])];
    const together = await rowsWith(this.database, PieceEntity, 'id', [serial, ...partIds]);
    const whole = together.find((p) => p.id === serial) ?? null;
    const pieces = together.filter((p) => p !== whole);
    const batchIds = [...new Set([...pieces, ...(whole ? [whole] : [])].flatMap((p) => p.trail.map((t) => t.batchId)))];
    const allIds = [serial, ...partIds];
    const known = new Rows();
    known.load(Instrument, instrument);
    for (const piece of together) known.load(Piece, piece);
    const own = { property: 'serial', value: serial } as const;
    const [{ batches, visits, measures, defects, overrides, log }, film] = await Promise.all([
      rowsTogether(this.database, {
        batches: { entity: BatchEntity, property: 'id', values: batchIds },
        visits: { entity: VisitEntity, property: 'batchId', values: batchIds, order: 'arrivedMs' },
        measures: { entity: MeasureEntity, property: 'pieceId', values: allIds, order: 'atMs' },
        defects: { entity: DefectEntity, property: 'pieceId', values: allIds, order: 'atMs' },
        overrides: { entity: OverrideEntity, property: 'batchId', values: batchIds, order: 'atMs' },
        log: { entity: LogbookEntity, property: 'batchId', values: batchIds, order: 'id', notOfAnother: own },
      }),
      filmOn(this.reader, whole ? [whole] : pieces, known),
    ]);
    const routeId = batches.find((b) => b.id === instrument.batchId)?.routeId ?? '';
    const history = new History(factory, routeId);
    const visitsOf = (piece: PieceEntity) => visits.filter((v) => wasThere(piece, v)).map((v) => history.visit(v));
    return {
      pieces,
      visitsOf,
      instrument: toView(instrument, factory),
      construction: factory.setUp.models.get(instrument.modelId)?.construction ?? '',
      clearanceMm: instrument.clearanceMm,
      shipper: instrument.shipper,
      visits: whole ? visitsOf(whole) : [],
      coats: film.coats.map((c) => history.coat(c)),
      build: history.build(film),
      measures: measures.map((m) => history.measure(m)),
      defects: defects.map((d) => history.defect(d)),
      overrides: overrides.map((o) => history.override(o)),
      log: log.sort((a, b) => a.atMs - b.atMs || a.id - b.id).map((row) => toLogView(row, factory, routeId, `${row.batchId ?? ''}: `)),
    };
  }

  /** The wood of some pieces, and what was read of it last before it was released. */
  private async readWood(pieces: readonly PieceEntity[]): Promise<Wood> {
    const lotIds = [...new Set(pieces.flatMap((p) => p.lotId ?? []))];
    const wood = await rowsTogether(this.database, {
      lots: { entity: LotEntity, property: 'id', values: lotIds },
      blanks: { entity: BlankEntity, property: 'id', values: pieces.flatMap((p) => p.blankId ?? []) },
      sessions: { entity: ReadingSessionEntity, property: 'lotId', values: lotIds, order: 'atMs' },
    });
    const { lots, sessions } = wood;
    const atRelease = lots.flatMap((lot) => sessions.filter((s) => s.lotId === lot.id && s.atMs <= (lot.releasedMs ?? 0)).at(-1) ?? []);
    const sessionIds = atRelease.map((s) => s.id);
    return { ...wood, atRelease, readings: await rowsWith(this.database, ReadingEntity, 'sessionId', sessionIds, 'seq') };
  }
}

/** A record but for its wood, of which more may come to be known while nothing changes on the floor. */
type Made = Omit<RecordView, 'parts'> & { pieces: readonly PieceEntity[]; visitsOf: (piece: PieceEntity) => PartView['visits'] };

interface Wood {
  lots: readonly LotEntity[];
  blanks: readonly BlankEntity[];
  sessions: readonly ReadingSessionEntity[];
  /** the last session of each lot before it was released */
  atRelease: readonly ReadingSessionEntity[];
  readings: readonly ReadingEntity[];
}

function toPart(piece: PieceEntity, wood: Wood, visits: PartView['visits'], factory: FactoryNow): PartView {
  const lot = wood.lots.find((l) => l.id === piece.lotId);
  const atRelease = wood.atRelease.find((s) => s.lotId === piece.lotId);
  const readings = wood.readings.filter((r) => r.sessionId === atRelease?.id);
  return {
    pieceId: piece.id,
    component: piece.component,
    batchId: piece.batchId,
    lotId: piece.lotId,
    blankId: piece.blankId,
    boardId: wood.blanks.find((b) => b.id === piece.blankId)?.boardId ?? null,
    species: lot?.species ?? '',
    supplier: lot?.supplier ?? '',
    origin: lot?.origin ?? '',
    permit: lot?.permit ?? null,
    releasedMs: lot?.releasedMs ?? null,
    atRelease: atRelease ? { ...atRelease, by: factory.personName(atRelease.personId), readings } : null,
    sessions: wood.sessions.filter((s) => s.lotId === piece.lotId).length,
    visits,
  };
}

/** Whether a piece was in a batch while it was on a visit. */
function wasThere(piece: PieceEntity, visit: VisitEntity): boolean {
  return piece.trail.some(({ batchId, fromMs }, i) => {
    const untilMs = piece.trail[i + 1]?.fromMs ?? Infinity;
    return batchId === visit.batchId && visit.arrivedMs < untilMs && (visit.leftMs ?? Infinity) >= fromMs;
  });
}

function toView(row: InstrumentEntity, factory: FactoryNow): InstrumentView {
  return { ...row, modelName: factory.modelName(row.modelId) };
}
