import { AskForProgram } from './askForProgram.ts';
import { AssignProgram } from './assignProgram.ts';
import { DrawRevision } from './drawRevision.ts';
import { KeepCutter } from './keepCutter.ts';
import { LogCutter } from './logCutter.ts';
import { MoveRevision } from './moveRevision.ts';
import { OrderLoads } from './orderLoads.ts';
import { PlanRevision } from './planRevision.ts';
import { ProveRevision } from './proveRevision.ts';

export { MOVED_TO } from './moveRevision.ts';
export { asksOfFirstPiece } from './proveRevision.ts';
export { AskForProgram, AssignProgram, DrawRevision, KeepCutter, LogCutter, MoveRevision, OrderLoads, PlanRevision, ProveRevision };

export const MACHINING_COMMANDS = [
  AskForProgram,
  AssignProgram,
  DrawRevision,
  MoveRevision,
  ProveRevision,
  PlanRevision,
  KeepCutter,
  LogCutter,
  OrderLoads,
] as const;
