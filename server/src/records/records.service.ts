import { Injectable } from '@nestjs/common';
import type { InstrumentState } from '@ample-crane/core';
import { DataSource, type EntityTarget, type ObjectLiteral } from 'typeorm';
import { MeasureEntity } from '../quality/measure.entity.ts';
import { filmOn } from '../batches/film.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { toLogView } from '../factory/logbookWords.ts';
import { rowsWith } from '../platform/database/rows.ts';
import { inOrder, readPage, type Condition, type Listing, type Page, type Asked } from '../platform/paging/page.ts';
import { within } from '../platform/paging/typed.ts';
import { notFound } from '../platform/problems/problems.ts';
import { History } from '../batches/history.view.ts';
import { BatchEntity, DefectEntity, PieceEntity, VisitEntity } from '../batches/batch.entity.ts';
import { OverrideEntity } from '../routing/override.entity.ts';
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
  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
  ) {}

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
    const [instrument] = await this.rows(InstrumentEntity, 'serial', [serial]);
    if (!instrument) throw notFound('instrument', serial);
    const factory = await this.factories.load();
    const partIds = [instrument.bodyId, ...(instrument.neckId === null ? [] : [instrument.neckId])];
    const together = await this.rows(PieceEntity, 'id', [serial, ...partIds]);
    const whole = together.find((p) => p.id === serial) ?? null;
    const pieces = together.filter((p) => p !== whole);
    const batchIds = [...new Set([...pieces, ...(whole ? [whole] : [])].flatMap((p) => p.trail.map((t) => t.batchId)))];
    const allIds = [serial, ...partIds];
    const [batches, visits, measures, defects, overrides, log] = await Promise.all([
      this.rows(BatchEntity, 'id', batchIds),
      this.rows(VisitEntity, 'batchId', batchIds, 'arrivedMs'),
      this.rows(MeasureEntity, 'pieceId', allIds, 'atMs'),
      this.rows(DefectEntity, 'pieceId', allIds, 'atMs'),
      this.rows(OverrideEntity, 'batchId', batchIds, 'atMs'),
      this.rows(LogbookEntity, 'batchId', batchIds, 'id'),
    ]);
    const film = await filmOn(this.reader, whole ? [whole] : pieces);
    const routeId = batches.find((b) => b.id === instrument.batchId)?.routeId ?? '';
    const history = new History(factory, routeId);
    const parts = await Promise.all(
      pieces.map((piece) =>
        this.part(
          piece,
          visits.filter((v) => wasThere(piece, v)).map((v) => history.visit(v)),
          factory,
        ),
      ),
    );
    return {
      instrument: toView(instrument, factory),
      construction: factory.setUp.models.get(instrument.modelId)?.construction ?? '',
      clearanceMm: instrument.clearanceMm,
      shipper: instrument.shipper,
      parts: parts.sort((a, b) => a.component.localeCompare(b.component)),
      visits: visits.filter((v) => whole !== null && wasThere(whole, v)).map((v) => history.visit(v)),
      coats: film.coats.map((c) => history.coat(c)),
      build: history.build(film),
      measures: measures.map((m) => history.measure(m)),
      defects: defects.map((d) => history.defect(d)),
      overrides: overrides.map((o) => history.override(o)),
      log: log
        .sort((a, b) => a.atMs - b.atMs || a.id - b.id)
        .filter((row) => row.serial === null || row.serial === serial)
        .map((row) => toLogView(row, factory, routeId, `${row.batchId ?? ''}: `)),
    };
  }

  private async part(piece: PieceEntity, visits: PartView['visits'], factory: FactoryNow): Promise<PartView> {
    const lotIds = piece.lotId === null ? [] : [piece.lotId];
    const [[lot], [blank], sessions] = await Promise.all([
      this.rows(LotEntity, 'id', lotIds),
      this.rows(BlankEntity, 'id', piece.blankId === null ? [] : [piece.blankId]),
      this.rows(ReadingSessionEntity, 'lotId', lotIds, 'atMs'),
    ]);
    const atRelease = sessions.filter((s) => s.atMs <= (lot?.releasedMs ?? 0)).at(-1);
    const readings = atRelease ? await this.rows(ReadingEntity, 'sessionId', [atRelease.id], 'seq') : [];
    return {
      pieceId: piece.id,
      component: piece.component,
      batchId: piece.batchId,
      lotId: piece.lotId,
      blankId: piece.blankId,
      boardId: blank?.boardId ?? null,
      species: lot?.species ?? '',
      supplier: lot?.supplier ?? '',
      origin: lot?.origin ?? '',
      permit: lot?.permit ?? null,
      releasedMs: lot?.releasedMs ?? null,
      atRelease: atRelease ? { ...atRelease, by: factory.personName(atRelease.personId), readings } : null,
      sessions: sessions.length,
      visits,
    };
  }

  private rows<T extends ObjectLiteral>(
    entity: EntityTarget<T>,
    property: keyof T & string,
    values: readonly string[],
    order = property,
  ): Promise<T[]> {
    return rowsWith(this.database, entity, property, values, order);
  }
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
