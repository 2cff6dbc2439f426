import {
  actsOn,
  asked,
  ControllersAt,
  lifeGone,
  CutterUse,
  Job,
  Machine,
  machineIdOf,
  machineInWords,
  machineStations,
  NOT_ANSWERED,
  placesOf,
  releasedOf,
  rowsBy,
  rowsOf,
  useIdOf,
  type Cutter,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { leftInWords } from '../batches/leftInWords.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { CutterEntity } from './cutter.entity.ts';
import type { CutterView, MachineView } from './cutters.dto.ts';
import { ProgramEntity } from './program.entity.ts';

const MINUTE_S = 60;

type KeptMachine = Omit<MachineView, 'controller'>;

/** Cutters, and the machines they are on. */
@Injectable()
export class CuttersQueries {
  private readonly lists: Shelf<CutterView[]>;
  private readonly machineLists: Shelf<KeptMachine[]>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly reader: RowReader,
    private readonly sources: EvidenceSources,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.lists = snapshots.shelf('the floor');
    this.machineLists = snapshots.shelf('the floor');
  }

  /** Every cutter that is not put away for good: what is nearest to its end first. */
  list(): Promise<CutterView[]> {
    return this.lists.of('all', async () => {
      const [factory, cutters, programs] = await Promise.all([
        this.factories.load(),
        this.database.getRepository(CutterEntity).find({ order: { id: 'ASC' } }),
        this.database.getRepository(ProgramEntity).find(),
      ]);
      const uses = await this.reader.read([rowsOf(CutterUse, cutters.map(useIdOf))]);
      const runBy = new Map<string, string[]>();
      for (const program of programs)
        for (const { cutter } of releasedOf(program)?.cutters ?? [])
          runBy.set(cutter, [...(runBy.get(cutter) ?? []), `${factory.modelName(program.modelId ?? '')} ${program.what}`.trim()]);
      return cutters
        .map((c) => viewOf(c, uses.find(CutterUse, useIdOf(c))?.seconds ?? 0, runBy.get(c.kind) ?? [], factory))
        .sort((a, b) => Number(b.state === 'mounted') - Number(a.state === 'mounted') || lifeGone(b) - lifeGone(a));
    });
  }

  /** Every machine that programs run on, by the routes in force: what is on it, and what was left there. */
  async machines(): Promise<MachineView[]> {
    const [factory, kept] = await Promise.all([this.factories.load(), this.keptMachines()]);
    // What a machine says for itself changes without anybody writing anything down.
    const abouts = [...new Set(kept.map((m) => m.stationCode))].map((stationCode) => ({ stationCode }));
    const answers = await this.sources.answer(
      abouts.map((about) => asked(ControllersAt, about)),
      factory,
    );
    return kept.map((machine): MachineView => {
      const there = answers.to(ControllersAt, { stationCode: machine.stationCode });
      const controller = there === NOT_ANSWERED ? undefined : there.find((c) => c.bench === machine.bench);
      return {
        ...machine,
        controller: controller ? { state: controller.state, told: machineInWords(controller), atMs: controller.atMs } : null,
      };
    });
  }

  private keptMachines(): Promise<KeptMachine[]> {
    return this.machineLists.of('all', async () => {
      const [factory, cutters] = await Promise.all([this.factories.load(), this.list()]);
      const codes = machineStations(factory, this.clock.nowMs());
      const rows = await this.reader.read([rowsBy(Machine, 'stationCode', codes), rowsBy(Job, 'openAt', codes)]);
      return codes.flatMap((stationCode) =>
        placesOf(stationCode, factory).map((bench): KeptMachine => {
          const job = rows.where(Job, 'openAt', stationCode).find((j) => j.bench === bench);
          const left = rows.find(Machine, machineIdOf(stationCode, bench));
          return {
            id: machineIdOf(stationCode, bench),
            stationCode,
            stationName: factory.stationName(stationCode),
            bench,
            batchIds: [...new Set(job?.shares.flatMap((s) => (s.toMs === null ? [s.batchId] : [])) ?? [])],
            worker: job ? job.personIds.map((id) => factory.personName(id)).join(', ') : null,
            sinceMs: job?.fromMs ?? null,
            left: left ? leftInWords(left, factory) : null,
            leftMs: left?.atMs ?? null,
            cutters: cutters.filter((c) => c.stationCode === stationCode && c.bench === bench),
          };
        }),
      );
    });
  }
}

function viewOf(cutter: Cutter, usedS: number, programs: string[], factory: FactoryNow): CutterView {
  const { id, kind, state, stationCode, bench, lifeMinutes, sharpened, sinceMs, note, version } = cutter;
  return {
    id,
    kind,
    state,
    stationCode,
    stationName: stationCode === null ? null : factory.stationName(stationCode),
    bench,
    usedMinutes: usedS / MINUTE_S,
    lifeMinutes,
    sharpened,
    sinceMs,
    note,
    acts: actsOn(cutter),
    programs,
    version,
  };
}
