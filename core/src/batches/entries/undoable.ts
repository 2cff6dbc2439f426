import type { PayloadOf } from '../../ledger/index.ts';
import type { BatchMoved } from './batchMoved.ts';
import type { WorkFinished } from './workFinished.ts';
import type { WorkStarted } from './workStarted.ts';

type Undone<Defined> = Defined extends { kind: infer Kind } ? { kind: Kind; payload: PayloadOf<Defined> } : never;

/** Entries that can be taken back while nothing rests on them. */
export type Undoable = Undone<typeof WorkStarted | typeof WorkFinished | typeof BatchMoved>;
