import { InCount } from './fields.ts';

/** The version a person saw, so that a stale change is noticed. */
export class VersionDto {
  @InCount({ min: 0, max: 1_000_000 }) version: number;
}
