import { InCount, InInstant } from './fields.ts';

/** The version a person saw, so that a stale change is noticed. */
export class VersionDto {
  @InCount({ min: 0, max: 1_000_000 }) version: number;
}

/** A command that may be written down some time after it happened, as when a device had no connection. */
export class WhenDto extends VersionDto {
  /** when it happened; now, when left out */
  @InInstant({ optional: true }) atMs?: number;
}
