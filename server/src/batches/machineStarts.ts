import {
  asked,
  controllerObjection,
  ControllersAt,
  CuttersAt,
  cutterWarnings,
  Job,
  loadsFor,
  Machine,
  machineIdOf,
  machineInWords,
  machineTakenSince,
  NOT_ANSWERED,
  placesOf,
  programAsked,
  ProgramFor,
  programsIn,
  rowsBy,
  rowsOf,
  Visit,
  type ControllerNow,
  type CutterNow,
  type Operation,
  type RevisionToRun,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { FactoryNow } from '../factory/factory.service.ts';
import { EvidenceSources } from '../logbook/evidence.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { leftInWords } from './leftInWords.ts';
import type { BatchEntity } from './batch.entity.ts';
import type { MachineStartView, ProgramStartView } from './batch.view.ts';

const MINUTE_S = 60;

/** What is to be known before a batch is begun at a machine. */
@Injectable()
export class MachineStarts {
  constructor(
    private readonly reader: RowReader,
    private readonly sources: EvidenceSources,
  ) {}

  /** The program of a batch's step, and the machines it may run on; null where it runs none, or goes on as it is. */
  async for(batch: BatchEntity, operation: Operation, factory: FactoryNow): Promise<ProgramStartView | null> {
    const [need] = programsIn(operation.needs);
    if (!need || (batch.status !== 'queued' && batch.status !== 'paused')) return null;
    const rows = await this.reader.read([rowsOf(Visit, [batch.visitId]), rowsBy(Machine, 'stationCode', [operation.stationCode])]);
    // What was paused goes on where it was, unless others have been there since.
    const isAgain = batch.status === 'paused' && machineTakenSince(rows, batch) !== undefined;
    if (batch.status === 'paused' && !isAgain) return null;
    const pieces = rows.find(Visit, batch.visitId)?.quantity ?? batch.quantity;
    const { stationCode } = operation;
    const wanted = programAsked(need.what, batch, factory.routeOf(batch).options ?? []);
    const [answers] = await Promise.all([
      this.sources.answer([asked(ProgramFor, wanted), asked(CuttersAt, { stationCode }), asked(ControllersAt, { stationCode })], factory),
      this.reader.read([rowsBy(Job, 'openAt', [stationCode])], rows),
    ]);
    const program = answers.to(ProgramFor, wanted);
    const there = answers.to(CuttersAt, { stationCode });
    const controllers = answers.to(ControllersAt, { stationCode });
    const toRun = program === NOT_ANSWERED ? null : (program?.toRun ?? null);
    const cutters = there === NOT_ANSWERED ? [] : there;
    return {
      what: need.what,
      revision: toRun?.name ?? null,
      fixture: toRun?.fixture ?? '',
      piecesALoad: toRun?.piecesALoad ?? 1,
      loads: toRun ? loadsFor(pieces, toRun) : 0,
      checked: need.checked === true || isAgain,
      machines: placesOf(stationCode, factory).map((bench): MachineStartView => {
        const id = machineIdOf(stationCode, bench);
        const left = rows.find(Machine, id);
        const job = rows.where(Job, 'openAt', stationCode).find((j) => j.bench === bench);
        return {
          id,
          bench,
          takenBy: job ? job.personIds.map((p) => factory.personName(p)).join(', ') : null,
          left: left ? leftInWords(left, factory) : null,
          leftMs: left?.atMs ?? null,
          same: left !== undefined && program !== NOT_ANSWERED && left.programId === program?.id && left.revision === toRun?.name,
          ...controllerFor(toRun, controllers === NOT_ANSWERED ? undefined : controllers.find((c) => c.bench === bench)),
          ...cuttersFor(toRun, pieces, bench, cutters),
        };
      }),
    };
  }
}

/** What a machine's own controller says, and what speaks against the revision by that. */
function controllerFor(
  toRun: RevisionToRun | null,
  controller: ControllerNow | undefined,
): Pick<MachineStartView, 'controller' | 'controllerAgainst'> {
  return {
    controller: controller ? machineInWords(controller) : null,
    controllerAgainst: (controller && toRun && controllerObjection(controller, toRun)?.sentence) ?? null,
  };
}

/** What a machine lacks of a revision's cutters, and which of them the batch would wear out. */
function cuttersFor(
  toRun: RevisionToRun | null,
  pieces: number,
  bench: number,
  cutters: readonly CutterNow[],
): Pick<MachineStartView, 'lacking' | 'warnings'> {
  const asks = (toRun?.cutters ?? []).map(({ cutter, minutes }) => ({
    cutter,
    minutes,
    on: cutters.find((c) => c.kind === cutter && c.bench === bench),
  }));
  const on = asks.flatMap(({ on: mounted, minutes }) =>
    mounted ? [{ cutterId: mounted.id, useId: mounted.useId, secondsALoad: minutes * MINUTE_S }] : [],
  );
  return {
    lacking: cutters.length === 0 ? [] : asks.filter((a) => !a.on).map((a) => a.cutter),
    warnings: cutterWarnings({ cutters: on, piecesALoad: toRun?.piecesALoad ?? 1 }, pieces, cutters),
  };
}
