import {
  CuttersAt,
  Cutter,
  LogCutter,
  Machine,
  machineIdOf,
  OWN_WAY,
  programAsked,
  ProgramFor,
  programsIn,
  START_CHECKS,
  type Batch,
  type ProgramNow,
  type Random,
  type Recorder,
  type StartCheck,
  type Way,
} from '@ample-crane/core';
import type { Mover } from './mover.ts';
import type { Scenario } from './scenario.ts';

/** A cutter is sharpened once so much of its life is gone. */
const SHARPENED_AT = 0.92;
/** Of the loads that are begun, those of which somebody says how long they will take. */
const QUOTED_SHARE = 0.3;
/** How far setting up differs from one time to the next. */
const SET_UP_SPREAD = 0.15;
const MINUTE_S = 60;

/** How machines are begun and kept sharp. */
export class Machines {
  private readonly random: Random;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    random: Random,
  ) {
    this.random = random.fork('machines');
  }

  /** What is said at the machine before a batch is begun; nothing where its step asks for no checklist. */
  check(batch: Batch, way: Way): StartCheck | undefined {
    const [need] = programsIn(this.mover.operation(batch).needs);
    if (need?.checked !== true || way.id !== OWN_WAY) return undefined;
    const revision = this.programOf(batch, need.what)?.toRun;
    if (!revision) return undefined;
    const setUp = this.setUpMinutes(batch, way);
    return {
      machineId: machineIdOf(way.stationCode, 1),
      revision: revision.name,
      ticks: START_CHECKS.map((c) => c.key),
      ...(setUp > 0 ? { setUpMinutes: Math.round(setUp * Math.exp(this.random.normal(0, SET_UP_SPREAD))) } : {}),
      ...(this.random.chance(QUOTED_SHARE)
        ? { quotedMinutes: Math.round(way.minutesPerPiece * this.share(batch) * revision.piecesALoad) }
        : {}),
    };
  }

  /** How long setting up takes: nothing where the machine has run the same program last. */
  setUpMinutes(batch: Batch, way: Way): number {
    const [need] = programsIn(this.mover.operation(batch).needs);
    if (!need || way.id !== OWN_WAY) return way.setupMinutes;
    const left = this.recorder.rows.find(Machine, machineIdOf(way.stationCode, 1));
    const program = this.programOf(batch, need.what);
    return left && left.programId === program?.id && left.revision === program.toRun?.name ? 0 : way.setupMinutes;
  }

  /** How much of the route's minutes a program takes: its revision against the first. */
  share(batch: Batch): number {
    const [need] = programsIn(this.mover.operation(batch).needs);
    const program = need && this.scenario.programs.find((p) => p.modelId === batch.modelId && p.what === need.what);
    const [first] = program?.revisions ?? [];
    const running = need && this.programOf(batch, need.what)?.toRun;
    const now =
      running &&
      program?.revisions.find((r) => r.piecesALoad === running.piecesALoad && r.fixture === running.fixture && sameCutters(r, running));
    return first && now ? now.planned.run / first.planned.run : 1;
  }

  /** Sharpens what is nearly used up, and puts it on again. */
  keepSharp(stationCode: string, workerId: string, atMs: number): void {
    for (const { id, usedS, lifeS, bench } of this.mover.answer(CuttersAt, { stationCode }, atMs)) {
      if (usedS < lifeS * SHARPENED_AT) continue;
      const said = { cutterId: id, stationCode: null, bench: null, lifeMinutes: null };
      this.mover.give(LogCutter, { ...said, act: 'sharpened', note: '' }, atMs, workerId);
      this.mover.give(LogCutter, { ...said, act: 'mount', stationCode, bench, note: '' }, atMs, workerId);
    }
  }

  /** One burns, and is good for less than its maker says. */
  lookAtBurns(atMs: number, leadId: string): void {
    const [worst] = this.recorder.rows
      .all(Cutter)
      .flatMap(({ stationCode }) => (stationCode === null ? [] : [stationCode]))
      .flatMap((stationCode) => this.mover.answer(CuttersAt, { stationCode }, atMs).map((c) => ({ ...c, stationCode })))
      .filter((c) => c.usedS > 0)
      .sort((a, b) => b.usedS / b.lifeS - a.usedS / a.lifeS);
    if (!worst || worst.usedS >= worst.lifeS) return;
    const lifeMinutes = Math.ceil(worst.usedS / MINUTE_S / SHARPENED_AT / 10) * 10;
    const { id: cutterId, stationCode, bench } = worst;
    this.mover.give(
      LogCutter,
      { cutterId, act: 'mount', stationCode, bench, lifeMinutes, note: 'Burn marks in the corners: good for less' },
      atMs,
      leadId,
    );
  }

  private programOf(batch: Batch, what: string): ProgramNow | null {
    return this.mover.answer(ProgramFor, programAsked(what, batch, this.recorder.routes.routeOf(batch).options ?? []), 0);
  }
}

const sameCutters = (a: { cutters: readonly { minutes: number }[] }, b: { cutters: readonly { minutes: number }[] }): boolean =>
  a.cutters.every((c, i) => c.minutes === b.cutters[i]?.minutes);
