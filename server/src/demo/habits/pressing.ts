import {
  type Batch,
  CloseRig,
  type Engine,
  HOUR_MS,
  MINUTE_MS,
  Piece,
  pressedFor,
  PutInRig,
  type Random,
  type Recorder,
  rigStepOf,
  suits,
  TakeOut,
  Temperatures,
  TOGETHER,
  wipeFor,
  WipeFaces,
} from '@ample-crane/core';
import type { Crew } from './crew.ts';
import type { FloorEvent } from './floorEvent.ts';
import type { Mover } from './mover.ts';
import type { Scenario } from './scenario.ts';

/** How rigs are filled, closed and emptied by whoever comes by. */
export class PressingHabits {
  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly mover: Mover,
    private readonly crew: Crew,
    private readonly events: Pick<Engine<FloorEvent>, 'plan'>,
    private readonly random: Random,
  ) {}

  /** Puts what has been glued in rigs, as far as there is room, and looks again for the rest. */
  press(batch: Batch, atMs: number): void {
    const { factory } = this.mover;
    const step = rigStepOf(factory.routeOf(batch), this.mover.operation(batch), batch);
    const need = step?.rig;
    if (!step || !need) return;
    const personId = this.crew.anyone(undefined, atMs);
    if (wipeFor(step, batch.facts)) this.mover.tryTo(WipeFaces, { batchId: batch.id, personId }, atMs, personId);
    for (const rig of factory.rigs) {
      if (!suits(rig, need, batch.modelId)) continue;
      if (!this.mover.tryTo(PutInRig, { batchId: batch.id, rigId: rig.id, personId }, atMs, personId)) continue;
      if (rig.rig.cycle === TOGETHER) this.mover.tryTo(CloseRig, { batchId: batch.id, rigId: rig.id, personId }, atMs, personId);
      this.comeBack(batch.id, rig.id, atMs);
      if (this.outside(batch.id, step.id) === 0) return;
    }
    this.plan('press', batch.id, atMs + HOUR_MS);
  }

  /** Takes out what is free. @returns whether the batch has gone on */
  unload(batch: Batch, atMs: number): boolean {
    if (atMs >= this.scenario.movesUntilMs) return false;
    const personId = this.crew.anyone(undefined, atMs);
    const rigs = new Set(this.mover.live(batch.id).flatMap((p) => p.inRig ?? []));
    // Somebody has opened what it was in, for all of it.
    if (rigs.size === 0) return this.mover.attempt(batch, { command: 'move batch' }, atMs, personId) !== undefined;
    for (const rigId of rigs) {
      const was = this.mover.batch(batch.id).operationId;
      const taken = this.mover.tryTo(TakeOut, { batchId: batch.id, rigId, personId }, atMs, personId);
      if (this.mover.batch(batch.id).operationId !== was) return true;
      if (!taken) this.comeBack(batch.id, rigId, atMs);
    }
    return false;
  }

  private outside(batchId: string, operationId: string): number {
    return this.mover.live(batchId).filter((p) => p.stay?.operationId !== operationId || p.stay.left).length;
  }

  /** When the last of it should be free, or some time after. */
  private comeBack(batchId: string, rigId: string, atMs: number): void {
    const zoneId = this.mover.factory.rig(rigId)?.zoneId ?? this.scenario.woodRoomZoneId;
    const warmth = this.mover.answer(Temperatures, { zoneId, fromMs: atMs - 2 * HOUR_MS, toMs: atMs }, atMs);
    const free = this.recorder.rows
      .where(Piece, 'inRig', rigId)
      .flatMap((p) =>
        p.batchId === batchId && p.stay?.closedMs
          ? [pressedFor(p.stay.laws?.out ?? [], p.stay.closedMs, atMs, warmth).freeMs ?? atMs + HOUR_MS]
          : [],
      );
    this.plan('unload', batchId, Math.max(atMs, ...free) + this.random.integer(3, 40) * MINUTE_MS);
  }

  private plan(kind: 'press' | 'unload', batchId: string, atMs: number): void {
    this.events.plan(this.scenario.time.nextWorking(atMs), { kind, batchId });
  }
}
