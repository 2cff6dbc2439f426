import type { MachineTold } from '@ample-crane/core';

/** A load that runs: so many parts and cutter minutes when it is done. */
interface Running {
  endsMs: number;
  leftMs: number;
}

/** What a cycle of a program comes to. */
export interface Cycle {
  parts: number;
  seconds: number;
  /** minutes that each cutter cuts in it */
  cutters: readonly { cutter: string; minutes: number }[];
}

/** A machine as its controller sees it: a program is loaded, cycles run, feed is held, something faults. Pure but for its state. */
export class MachineStandIn {
  private program: string | null = null;
  private parts = 0;
  private state: MachineTold['state'] = 'idle';
  private running: Running | null = null;
  private cycle: Cycle = { parts: 1, seconds: 10, cutters: [] };
  private readonly cutters = new Map<string, number>();

  /** Loads a program; parts are counted anew. Nothing may run meanwhile. */
  load(program: string, cycle: Cycle): boolean {
    if (this.state === 'running' || this.state === 'held') return false;
    this.program = program.trim() === '' ? null : program.trim();
    this.cycle = cycle;
    this.parts = 0;
    return true;
  }

  run(nowMs: number): boolean {
    if (this.state !== 'idle' || this.program === null) return false;
    this.state = 'running';
    const ms = this.cycle.seconds * 1000;
    this.running = { endsMs: nowMs + ms, leftMs: ms };
    return true;
  }

  hold(nowMs: number): boolean {
    if (this.state !== 'running' || !this.running) return false;
    this.running.leftMs = Math.max(0, this.running.endsMs - nowMs);
    this.state = 'held';
    return true;
  }

  goOn(nowMs: number): boolean {
    if (this.state !== 'held' || !this.running) return false;
    this.running.endsMs = nowMs + this.running.leftMs;
    this.state = 'running';
    return true;
  }

  /** What was on the table when it faulted is no part. */
  fault(): boolean {
    this.state = 'fault';
    this.running = null;
    return true;
  }

  clear(): boolean {
    if (this.state !== 'fault') return false;
    this.state = 'idle';
    return true;
  }

  /** Lets time pass. @returns whether something is otherwise since */
  tick(nowMs: number): boolean {
    if (this.state !== 'running' || !this.running || nowMs < this.running.endsMs) return false;
    this.parts += this.cycle.parts;
    for (const { cutter, minutes } of this.cycle.cutters) this.cutters.set(cutter, (this.cutters.get(cutter) ?? 0) + minutes);
    this.state = 'idle';
    this.running = null;
    return true;
  }

  tells(): MachineTold {
    const { state, program, parts } = this;
    return { state, program, parts, cutters: [...this.cutters].map(([cutter, minutes]) => ({ cutter, minutes })) };
  }
}
