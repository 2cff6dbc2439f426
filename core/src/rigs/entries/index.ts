import { RigClosed } from './rigClosed.ts';
import { RigEmptied } from './rigEmptied.ts';
import { RigFilled } from './rigFilled.ts';

/** What can happen to what is pressed. */
export const RIG_ENTRIES = [RigFilled, RigClosed, RigEmptied] as const;
