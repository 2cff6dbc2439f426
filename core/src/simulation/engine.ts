import { EventQueue } from './eventQueue.ts';

/** A clock that goes from one event to the next. What the events mean is the affair of whoever plans them. */
export class Engine<Event> {
  private readonly events = new EventQueue<Event>();
  private atMs: number;
  private count = 0;

  constructor(fromMs: number) {
    this.atMs = fromMs;
  }

  get nowMs(): number {
    return this.atMs;
  }

  /** How many events have happened. */
  get happened(): number {
    return this.count;
  }

  /** Plans an event; what is due at the same time happens in the order it was planned. @throws RangeError when it is before now */
  plan(atMs: number, event: Event): void {
    if (atMs < this.atMs) throw new RangeError('What is gone by cannot be planned');
    this.events.add(atMs, event);
  }

  /** Lets everything happen that is due until then, what it leads to included. Can be called again, for later. */
  run(untilMs: number, happen: (event: Event, atMs: number) => void): void {
    while (this.events.nextMs <= untilMs) {
      const next = this.events.next();
      if (!next) break;
      this.atMs = next.atMs;
      this.count += 1;
      happen(next.event, next.atMs);
    }
    this.atMs = Math.max(this.atMs, untilMs);
  }
}
