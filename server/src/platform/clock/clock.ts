import { Injectable } from '@nestjs/common';

/** The factory's time. Injected, so that tests and pictures choose it. */
export abstract class Clock {
  abstract nowMs(): number;
}

/**
 * The machine's clock; or, with `CLOCK_AT`, one that starts at a given instant and runs on. In the demo people may let
 * time pass, which moves it ahead.
 */
@Injectable()
export class FactoryClock extends Clock {
  private readonly shiftMs: number;
  private aheadMs = 0;

  constructor() {
    super();
    const startsAt = process.env['CLOCK_AT'];
    this.shiftMs = startsAt === undefined ? 0 : Date.parse(startsAt) - Date.now();
    if (Number.isNaN(this.shiftMs)) throw new Error(`CLOCK_AT "${startsAt ?? ''}" is not an ISO date and time`);
  }

  nowMs(): number {
    return Date.now() + this.shiftMs + this.aheadMs;
  }

  /** Moves the clock so far ahead of where it would be. */
  runAhead(aheadMs: number): void {
    this.aheadMs = aheadMs;
  }
}
