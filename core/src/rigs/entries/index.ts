import { FacesWiped } from './facesWiped.ts';
import { RigClosed } from './rigClosed.ts';
import { RigEmptied } from './rigEmptied.ts';
import { RigFilled } from './rigFilled.ts';

/** What can happen to what is pressed. */
export const RIG_ENTRIES = [FacesWiped, RigFilled, RigClosed, RigEmptied] as const;
