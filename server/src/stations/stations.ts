import { DAY_MS, forecastRoute, MINUTE_MS, STAGES, takeOrder, waysOf, type Stage, type Waiting, type WorkingTime } from '@ample-crane/core';
import { Controller, Get, Injectable, Param } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DataSource, Not } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { Out, OutEnum, OutList, OutPart } from '../platform/http/fields.ts';
import { Allow } from '../platform/identity/role.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { BatchLists } from '../batches/batches.lists.ts';
import { BatchView } from '../batches/batch.view.ts';
import { BatchEntity } from '../batches/batch.entity.ts';

const REACH_DAYS = 250;

export class TurnView {
  @OutPart(() => BatchView) batch: BatchView;
  /** why it has its place in the queue */
  @Out() reason: string;
}

export class StationWorkView {
  @Out() code: string;
  @Out() name: string;
  @OutEnum(STAGES) stage: Stage;
  @OutEnum(['work', 'dwell']) kind: 'work' | 'dwell';
  @Out() places: number;
  /** what is being worked on, or paused */
  @OutList(() => BatchView) running: BatchView[];
  /** what waits, in the order to take it */
  @OutList(() => TurnView) queue: TurnView[];
  /** what waits elsewhere and could be done here in another way */
  @OutList(() => TurnView) elsewhere: TurnView[];
  @OutList(() => String) cautions: string[];
}

@Injectable()
export class StationsQueries {
  private readonly shelf: Shelf<StationWorkView>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly batches: BatchLists,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the floor');
  }

  /** What one station has to do, and in which order. */
  work(code: string): Promise<StationWorkView> {
    return this.shelf.of(code, () => this.read(code));
  }

  private async read(code: string): Promise<StationWorkView> {
    const factory = await this.factories.load();
    const station = factory.setUp.stations.get(code);
    if (!station) throw notFound('station', code);
    const repository = this.database.getRepository(BatchEntity);
    const here = await repository.find({ where: { stationCode: code, status: Not('done') }, order: { number: 'ASC' } });
    const queued = await repository.find({ where: { status: 'queued', stationCode: Not(code) }, order: { number: 'ASC' } });
    const elsewhere = queued.filter((b) => waysOf(factory.operationAt(b)).some((w) => w.stationCode === code));
    const views = new Map((await this.batches.views([...here, ...elsewhere], factory)).map((v) => [v.id, v]));
    const nowMs = this.clock.nowMs();
    const time = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    const isRunning = (b: BatchEntity) => b.status === 'running' || b.status === 'paused';
    const turns = (batches: readonly BatchEntity[]): TurnView[] =>
      takeOrder(
        batches.flatMap((b) => {
          const view = views.get(b.id);
          return view ? [toWaiting(b, view, factory, nowMs, time)] : [];
        }),
        nowMs,
      ).flatMap(({ id, reason }) => {
        const batch = views.get(id);
        return batch ? [{ batch, reason }] : [];
      });
    const { name, stage, kind, places } = station;
    return {
      code,
      name,
      stage,
      kind,
      places,
      running: here.filter(isRunning).flatMap((b) => views.get(b.id) ?? []),
      queue: turns(here.filter((b) => !isRunning(b))),
      elsewhere: turns(elsewhere),
      cautions: [...new Set(here.flatMap((b) => factory.operationAt(b).cautions ?? []))],
    };
  }
}

function toWaiting(batch: BatchEntity, view: BatchView, factory: FactoryNow, nowMs: number, time: WorkingTime): Waiting {
  const forecast = forecastRoute(factory.routeOf(batch), batch, nowMs, time, factory, view.untilMs ?? nowMs);
  const longest = factory
    .operationAt(batch)
    .gate.flatMap((r) => (r.kind === 'elapsed' && r.maximumMinutes !== undefined ? [batch.arrivedMs + r.maximumMinutes * MINUTE_MS] : []));
  return {
    id: batch.id,
    arrivedMs: batch.arrivedMs,
    dueMs: batch.dueMs,
    earliestMs: forecast.at(-1)?.leaveMs ?? null,
    blocked: blockedBy(batch, view),
    redo: batch.redo,
    closesMs: longest.length > 0 ? Math.min(...longest) : null,
  };
}

/** What keeps a batch from being taken now. */
function blockedBy(batch: BatchEntity, view: BatchView): string | null {
  if (batch.status === 'held') return `Held: ${batch.holdReason ?? 'no reason given'}`;
  if (batch.status === 'away') return `At ${batch.awayTo ?? 'another house'}`;
  const [missing] = view.missing;
  if (missing) return missing.sentence;
  const waits = view.findings.find((f) => f.verdict !== 'pass');
  return waits?.sentence ?? null;
}

@ApiTags('stations')
@Controller('stations')
export class StationsController {
  constructor(private readonly stations: StationsQueries) {}

  @Get(':code/work')
  @Allow('viewer')
  @ApiOkResponse({ type: StationWorkView })
  work(@Param('code') code: string): Promise<StationWorkView> {
    return this.stations.work(code);
  }
}
