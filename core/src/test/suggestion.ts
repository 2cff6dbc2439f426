import type { Random } from '../maths/index.ts';
import type { TestHouse } from './house.ts';

/** A request that may make sense as things stand, or nearly; nothing when there is nothing to ask it of. */
export type Suggestion = (house: TestHouse, random: Random) => object | undefined;

/** What a room's commands may be asked for, by their names. */
export interface Suggestions {
  /** takes work further */
  onward?: Readonly<Record<string, Suggestion>>;
  /** of these, what is done again and again: mistakes are seen at once, and taken back */
  often?: readonly string[];
  /** what people do besides */
  aside?: Readonly<Record<string, Suggestion>>;
}
