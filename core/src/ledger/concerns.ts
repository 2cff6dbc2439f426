import type { Ask } from './rowKind.ts';
import type { Rows } from './rows.ts';

/** What a command concerns. */
export interface Concerns {
  /** by key; must exist, and stay as they are until the command is done. What these stand under is kept still with them. */
  readonly about: readonly Ask[];
  /** by key; may not exist yet: whoever makes one is alone with it, and what exists stays as it is */
  readonly making?: readonly Ask[];
  /** more that it looks at, told from what is known so far; asked again until nothing new comes */
  readonly reads?: (known: Rows) => readonly Ask[];
}
