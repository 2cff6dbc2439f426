import { CutterKept } from './cutterKept.ts';
import { CutterLogged } from './cutterLogged.ts';
import { LoadsOrdered } from './loadsOrdered.ts';
import { ProgramAskedFor } from './programAskedFor.ts';
import { ProgramAssigned } from './programAssigned.ts';
import { RevisionDrawn } from './revisionDrawn.ts';
import { RevisionMoved } from './revisionMoved.ts';
import { RevisionPlanned } from './revisionPlanned.ts';
import { RevisionProven } from './revisionProven.ts';

export const MACHINING_ENTRIES = [
  ProgramAskedFor,
  ProgramAssigned,
  RevisionDrawn,
  RevisionMoved,
  RevisionPlanned,
  RevisionProven,
  CutterKept,
  CutterLogged,
  LoadsOrdered,
] as const;
