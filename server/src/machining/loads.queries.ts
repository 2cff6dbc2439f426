import {
  DAY_MS,
  doInOrder,
  gainOf,
  Job,
  loadReason,
  loadsAhead,
  Machine,
  machineStations,
  missingFor,
  missingAsks,
  MINUTE_MS,
  pieceWord,
  planLoads,
  rowsBy,
  rowsOf,
  Visit,
  seededRandom,
  wayAt,
  type Batch,
  type Done,
  type LoadMachine,
  type LoadPlace,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, Not } from 'typeorm';
import { BatchEntity } from '../batches/batch.entity.ts';
import { RunTimesEntity } from '../batches/run.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { CutterEntity } from './cutter.entity.ts';
import { LoadOrderEntity } from './loadOrder.entity.ts';
import type { BlockedBatchView, LoadMachineView, LoadsView, PlannedBatchView } from './loads.dto.ts';
import { ProgramEntity } from './program.entity.ts';

const REACH_DAYS = 200;
/** A page goes on looking where these leave off. */
const ROUNDS = 4;
/** The same plan for the same work. */
const SEED = 1;

/** What to load next on every machine, and why. */
@Injectable()
export class LoadsQueries {
  private readonly plans: Shelf<LoadsView>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly sources: EvidenceSources,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.plans = snapshots.shelf('the floor');
  }

  view(): Promise<LoadsView> {
    return this.plans.of('all', () => this.read());
  }

  private async read(): Promise<LoadsView> {
    const nowMs = this.clock.nowMs();
    const { manager } = this.database;
    const factory = await this.factories.load();
    const codes = machineStations(factory, nowMs);
    const [batches, programs, times, cutters, orders, rows] = await Promise.all([
      manager.find(BatchEntity, { where: { status: Not<BatchEntity['status']>('done') } }),
      manager.find(ProgramEntity),
      manager.find(RunTimesEntity),
      manager.find(CutterEntity),
      manager.find(LoadOrderEntity),
      this.reader.read([rowsBy(Machine, 'stationCode', codes), rowsBy(Job, 'openAt', [...factory.setUp.stations.keys()])]),
    ]);
    const waiting = batches.filter((b) => b.status === 'queued' && b.redo);
    await this.reader.read(
      [
        rowsOf(
          Visit,
          waiting.map((b) => b.visitId),
        ),
      ],
      rows,
    );
    const inPass = new Map(rows.all(Visit).map((v) => [v.batchId, v.quantity]));
    const jobs = rows.all(Job);
    const fromMs = Math.min(nowMs, ...jobs.map((j) => j.fromMs)) - DAY_MS;
    const time = factory.workingTime({ fromMs, toMs: nowMs + REACH_DAYS * DAY_MS });
    const ahead = loadsAhead(
      { batches, inPass, jobs, programs, times, cutters, machines: rows.all(Machine), orders, nowMs, time },
      factory,
    );
    const { problem, places, observed, later } = ahead;
    const plan = planLoads(problem, { random: seededRandom(SEED), rounds: ROUNDS });
    const at = (minute: number) => time.reached(time.position(nowMs) + minute * MINUTE_MS);
    const known = new Map(batches.map((b) => [b.id, b]));
    const machines = problem.machines.flatMap((machine): LoadMachineView[] => {
      const place = places.get(machine.id);
      const done = doInOrder(machine, plan.sequences.get(machine.id) ?? []);
      return place && (place.isMachine || done.length > 0) ? [machineView(machine, place, done, { known, at, factory, observed })] : [];
    });
    return {
      machines,
      blocked: await this.blocked(
        plan.impossible.flatMap((item) => known.get(item.id) ?? []),
        factory,
      ),
      later,
      cost: plan.cost,
      gain: gainOf({ ...problem, items: problem.items.filter((i) => !plan.impossible.some((other) => other.id === i.id)) }, plan.sequences),
      // Infinity is no JSON: who waits for nothing has no due minute.
      problem: {
        ...problem,
        items: problem.items.map(({ dueMinute, ...item }) => (Number.isFinite(dueMinute) ? { ...item, dueMinute } : item)),
      },
    };
  }

  /** Why batches cannot go on any machine. */
  private async blocked(batches: readonly Batch[], factory: FactoryNow): Promise<BlockedBatchView[]> {
    const answers = await this.sources.answer(
      batches.flatMap((b) => missingAsks(b, factory.operationAt(b), factory)),
      factory,
    );
    return batches.map((b) => ({
      batchId: b.id,
      what: whatIn(b, factory),
      because: missingFor(b, factory.operationAt(b), factory, answers).join('; '),
    }));
  }
}

const whatIn = ({ quantity, modelId, component }: Batch, factory: FactoryNow): string =>
  `${quantity} ${factory.modelName(modelId)} ${pieceWord(quantity, component)}`;

interface Told {
  known: ReadonlyMap<string, Batch>;
  at: (minute: number) => number;
  factory: FactoryNow;
  observed: ReadonlySet<string>;
}

function machineView(
  machine: LoadMachine,
  { stationCode, bench, isMachine }: LoadPlace,
  all: readonly Done[],
  told: Told,
): LoadMachineView {
  const { factory, at, known, observed } = told;
  return {
    id: machine.id,
    stationCode,
    stationName: factory.stationName(stationCode),
    bench,
    isMachine,
    pinned: [...machine.pinned],
    next: all.flatMap((done, i): PlannedBatchView[] => {
      const batch = known.get(done.item.id);
      const way = wayAt(done.item, machine.id);
      if (!batch || !way) return [];
      const { item, loads, joining, changeover, beginMinute, endMinute } = done;
      return [
        {
          batchId: item.id,
          // Not all of a batch need go on: only what came back, or what is not done yet.
          what: item.pieces < batch.quantity ? `${item.pieces} of ${whatIn(batch, factory)}` : whatIn(batch, factory),
          workClass: batch.workClass,
          program: factory.operationAt(batch).name,
          pieces: item.pieces,
          piecesALoad: way.piecesALoad,
          loads,
          joining,
          changeoverMinutes: changeover,
          observed: observed.has(way.setUp.program),
          beginMs: at(beginMinute),
          endMs: at(endMinute),
          dueMs: Number.isFinite(item.dueMinute) ? at(item.dueMinute) : null,
          late: endMinute > item.dueMinute,
          reason: loadReason(done, all[i - 1], machine),
          pinned: machine.pinned.includes(item.id),
        },
      ];
    }),
  };
}
