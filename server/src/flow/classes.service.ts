import {
  DAY_MS,
  hourOf,
  isUnjudged,
  Piece,
  pieceWord,
  rowsBy,
  TRIAL_ENDS,
  WORK_CLASSES,
  type Batch,
  type WorkClass,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, MoreThanOrEqual, Not } from 'typeorm';
import { BatchEntity } from '../batches/batch.entity.ts';
import { ClassHourEntity } from '../batches/flowTallies.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import type { ClassedBatchView, ClassesView, ClassStationView } from './classes.dto.ts';

const USUAL_DAYS = 28;
/** More of them at once are no exception any more. */
const MOST_TOLD = 200;
const ENDED: readonly Batch['status'][] = ['done', 'stocked'];

/** Work that is not for orders and stock: where it is, what hours it took, and which trials nobody has judged. */
@Injectable()
export class ClassesService {
  private readonly shelf: Shelf<ClassesView>;
  private readonly ended: Shelf<ClassedBatchView[]>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the floor');
    this.ended = snapshots.shelf('the floor');
  }

  view(days = USUAL_DAYS): Promise<ClassesView> {
    return this.shelf.of(`classes ${days}`, () => this.read(days));
  }

  /** Trials that have ended, and nobody has said what they showed. */
  unjudged(): Promise<ClassedBatchView[]> {
    return this.ended.of('unjudged', async () => this.readUnjudged(await this.factories.load()));
  }

  private async read(days: number): Promise<ClassesView> {
    const factory = await this.factories.load();
    const [stations, open, unjudged] = await Promise.all([this.stations(days, factory), this.open(), this.unjudged()]);
    return { days, stations, open: open.map((batch) => batchView(batch, batch.quantity, factory)), unjudged };
  }

  private async stations(days: number, factory: FactoryNow): Promise<ClassStationView[]> {
    const sinceHour = hourOf(this.clock.nowMs() - days * DAY_MS);
    const hours = await this.database.getRepository(ClassHourEntity).find({ where: { hour: MoreThanOrEqual(sinceHour) } });
    const codes = [...new Set(hours.map((h) => h.stationCode))];
    if (codes.length === 0) return [];
    const busy: { station: string; minutes: number }[] = await this.database.query(
      `select station_code as station, (sum(busy_first_ms + busy_second_ms + busy_third_ms + busy_last_ms) / 60000)::float8 as minutes
         from station_hour where hour >= $1 and station_code = any($2) group by station_code`,
      [sinceHour, codes],
    );
    const minutes = (code: string, of: WorkClass) =>
      hours.reduce((sum, h) => sum + (h.stationCode === code && h.workClass === of ? h.touchS / 60 : 0), 0);
    return codes
      .flatMap((code): ClassStationView[] => {
        const station = factory.setUp.stations.get(code);
        if (!station) return [];
        return [
          {
            stationCode: code,
            stationName: station.name,
            stage: station.stage,
            busyMinutes: busy.find((b) => b.station === code)?.minutes ?? 0,
            specialMinutes: minutes(code, 'special'),
            trialMinutes: minutes(code, 'trial'),
            toolingMinutes: minutes(code, 'tooling'),
          },
        ];
      })
      .sort((a, b) => others(b) - others(a));
  }

  private open(): Promise<BatchEntity[]> {
    const workClass = In(WORK_CLASSES.filter((c) => c !== 'order'));
    return this.database
      .getRepository(BatchEntity)
      .find({ where: { workClass, status: Not(In(ENDED)) }, order: { sinceMs: 'ASC' }, take: MOST_TOLD });
  }

  private async readUnjudged(factory: FactoryNow): Promise<ClassedBatchView[]> {
    // Of those whose pieces went on into something else there are more and more: they take no place among the rest.
    const found: { id: string }[] = await this.database.query(
      `select id from batch where work_class = 'trial' and status = any($1) and judged is null
          and exists (select from piece where piece.batch_id = batch.id and piece.state = any($2))
        order by since_at limit ${MOST_TOLD}`,
      [ENDED, TRIAL_ENDS],
    );
    const ids = found.map(({ id }) => id);
    const ended = await this.database.getRepository(BatchEntity).find({ where: { id: In(ids) }, order: { sinceMs: 'ASC' } });
    const rows = await this.reader.read([rowsBy(Piece, 'batchId', ids)]);
    return ended.flatMap((batch) => {
      const pieces = rows.where(Piece, 'batchId', batch.id);
      return isUnjudged(batch, pieces) ? [batchView(batch, pieces.length, factory)] : [];
    });
  }
}

const others = ({ specialMinutes, trialMinutes, toolingMinutes }: ClassStationView) => specialMinutes + trialMinutes + toolingMinutes;

function batchView(batch: Batch, pieces: number, factory: FactoryNow): ClassedBatchView {
  const { id, workClass, modelId, component, stage, stationCode, status, sinceMs } = batch;
  return {
    batchId: id,
    workClass,
    what: `${pieces} ${factory.modelName(modelId)} ${pieceWord(pieces, component)}`,
    stage,
    operationName: factory.operationAt(batch).name,
    stationCode,
    stationName: factory.stationName(stationCode),
    status,
    sinceMs,
  };
}
