import {
  chartedOf,
  chartOf,
  Dimension,
  dimensionNow,
  LIMITS_FROM,
  openSignalInWords,
  signalInWords,
  type Chart,
  type DimensionValue,
  type Limits,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { ask } from '../platform/database/prepared.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { DimensionEntity } from './dimension.entity.ts';
import type { ChartQuery, ChartView, DimensionChartView, DimensionView } from './dimensions.dto.ts';

const USUAL_SIZE = 120;

/** What is measured again and again, as its charts tell it. */
@Injectable()
export class DimensionsQueries {
  private readonly lists: Shelf<DimensionView[]>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    snapshots: Snapshots,
  ) {
    this.lists = snapshots.shelf('the floor');
  }

  /** Every dimension there is: what is out of control first, then what was measured last. */
  list(): Promise<DimensionView[]> {
    return this.lists.of('all', async () => {
      const [factory, all] = await Promise.all([this.factories.load(), this.database.getRepository(DimensionEntity).find()]);
      return all.map((dimension) => viewOf(dimension, factory)).sort(byUrgency);
    });
  }

  /** The chart of one, of its latest values. */
  async chart({ id, kind = 'individuals', size = USUAL_SIZE }: ChartQuery): Promise<DimensionChartView> {
    const dimension = await this.reader.find(Dimension, id);
    if (!dimension) throw notFound('dimension', id);
    const [factory, measures] = await Promise.all([
      this.factories.load(),
      ask<DimensionValue>(
        this.database,
        `select piece_id as "pieceId", batch_id as "batchId", visit_id as "visitId", value, (extract(epoch from at) * 1000)::float8 as "atMs"
         from measure where dimension_id = $1 order by at desc, id desc limit $2`,
        [id, size],
      ),
    ]);
    const values = chartedOf(measures.reverse());
    const chart = chartOf(
      values.map(({ value, visitId }) => ({ value, together: visitId })),
      kind,
      dimension.limits ?? undefined,
    );
    return { dimension: viewOf(dimension, factory), chart: chart && chartView(chart, values) };
  }
}

function viewOf(dimension: Dimension, factory: FactoryNow): DimensionView {
  const { id, modelId, operationId, characteristicId, stationCode, low, high, count, latest, limits, signal, found } = dimension;
  const step = factory.stepOf(modelId, operationId);
  const characteristic = factory.characteristicOf(modelId, operationId, characteristicId);
  const last = latest.at(-1);
  const now = dimensionNow(dimension, { low, high });
  return {
    id,
    modelName: factory.modelName(modelId),
    operationId,
    stepName: step?.name ?? operationId,
    stage: step?.stage ?? null,
    stationCode,
    stationName: factory.stationName(stationCode),
    name: characteristic?.name ?? characteristicId,
    unit: characteristic?.unit ?? '',
    low,
    high,
    instrument: characteristic?.instrument ?? null,
    holds: characteristic?.holds === true,
    decidingSkill: characteristic?.decidingSkill ?? null,
    count,
    lacking: limits ? 0 : LIMITS_FROM - latest.length,
    lastMs: last?.atMs ?? null,
    lastValue: last?.value ?? null,
    limits: limits && edges(limits.centre, 3 * limits.sigma),
    signal: signal && {
      rule: signal.rule,
      sentence: openSignalInWords(signal),
      atMs: signal.last.atMs,
      batchId: signal.last.batchId,
      pieceId: signal.last.pieceId,
      value: signal.last.value,
    },
    found: found && { note: found.note, atMs: found.atMs, by: factory.personName(found.personId) },
    ...now,
  };
}

const edges = (centre: number, half: number) => ({ centre, lower: centre - half, upper: centre + half });
const limitsView = ({ centre, lower, upper }: Limits) => ({ centre, lower, upper });

const chartView = ({ kind, size, leftOut, points, limits, signals }: Chart, values: readonly DimensionValue[]): ChartView => ({
  kind,
  size,
  leftOut,
  points: points.map(({ value, spread, of }) => {
    const taken = of.flatMap((i) => values[i] ?? []);
    return { value, spread, atMs: taken.at(-1)?.atMs ?? 0, batchId: taken[0]?.batchId ?? '', pieceIds: taken.map((v) => v.pieceId) };
  }),
  values: limitsView(limits.values),
  spread: limitsView(limits.spread),
  signals: signals.map((signal) => ({ sentence: signalInWords(signal), at: [...signal.at] })),
});

function byUrgency(a: DimensionView, b: DimensionView): number {
  return Number(b.signal !== null) - Number(a.signal !== null) || (b.lastMs ?? 0) - (a.lastMs ?? 0) || a.id.localeCompare(b.id);
}
