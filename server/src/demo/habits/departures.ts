import { type Batch, type BatchCommand, DAY_MS, earliestMs, type Engine, HOUR_MS, MINUTE_MS, type Random, worst } from '@ample-crane/core';
import type { Crew } from './crew.ts';
import type { FloorEvent } from './floorEvent.ts';
import type { Mover } from './mover.ts';
import type { Scenario } from './scenario.ts';

/** How batches that are done with their step are sent on: somebody comes by when the gate should be open. */
export class Departures {
  constructor(
    private readonly scenario: Scenario,
    private readonly mover: Mover,
    private readonly crew: Crew,
    private readonly events: Pick<Engine<FloorEvent>, 'plan'>,
    private readonly random: Random,
  ) {}

  plan(batch: Batch, atMs: number): void {
    const findings = this.mover.findings(batch, atMs);
    const openMs = worst(findings) === 'wait' ? (earliestMs(findings) ?? atMs + DAY_MS) : atMs;
    const dawdleMs = this.random.integer(5, 110) * MINUTE_MS;
    this.planAt(batch, Math.max(openMs, atMs) + dawdleMs);
  }

  /** @returns whether it has gone on; where it may not, somebody looks again */
  attempt(batch: Batch, atMs: number): boolean {
    if (atMs >= this.scenario.movesUntilMs) return false;
    const { repeat } = this.mover.operation(batch);
    const accepted = repeat?.kind !== 'until accepted' || this.random.next() < 1 / repeat.expected;
    const by = this.crew.anyone(undefined, atMs);
    this.signOff(batch, atMs);
    const command: BatchCommand = { command: 'move batch', accepted };
    const decision = this.mover.judge(this.mover.batch(batch.id), command, atMs);
    if (decision.kind === 'accept') {
      this.mover.carryOut(this.mover.batch(batch.id), command, atMs, by);
      return true;
    }
    // A forecast that came too early: when it now says.
    this.planAt(batch, Math.max(atMs + HOUR_MS, earliestMs(decision.because) ?? atMs));
    return false;
  }

  private planAt({ id }: Batch, atMs: number): void {
    this.events.plan(this.scenario.time.nextWorking(atMs), { kind: 'try to move', batchId: id });
  }

  /** Whoever the gate asks for looks at the work before it moves. */
  private signOff(batch: Batch, atMs: number): void {
    for (const rule of this.mover.operation(batch).gate) {
      if (rule.kind !== 'signOff' || batch.signOffs.some((s) => s.skill === rule.skill)) continue;
      const personId = this.crew.anyone(rule.skill, atMs);
      this.mover.carryOut(this.mover.batch(batch.id), { command: 'sign off', skill: rule.skill, personId }, atMs, personId);
    }
  }
}
