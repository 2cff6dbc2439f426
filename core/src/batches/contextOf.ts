import { placementsOf, takenOn, type Carrier, type CarrierUse } from '../carriers/index.ts';
import type { Entry, Rows } from '../ledger/index.ts';
import type { Routes } from '../routing/index.ts';
import { Batch, piecesIn, Visit } from './batch.ts';
import type { BatchCommand, DecisionContext } from './context.ts';
import type { Undoable } from './entries/undoable.ts';

/** What the rows do not say: the time and the climate, people's skills, what the factory owns and has released. */
export type Circumstances = Pick<
  DecisionContext,
  'evidence' | 'holdsSkill' | 'missing' | 'nextBatchNumber' | 'last' | 'unmeasured' | 'coatsLogged'
> & {
  carriers?: readonly Carrier[];
};

/** Everything a decision about a batch rests on, from rows that hold the whole history. */
export function contextOf(rows: Rows, routes: Routes, batch: Batch, command: BatchCommand, circumstances: Circumstances): DecisionContext {
  const { carriers = [], ...rest } = circumstances;
  const route = routes.routeOf(batch);
  const placements = placementsOf(rows, batch.id);
  const operation = route.operations.find((o) => o.id === batch.operationId);
  const visit = rows.find(Visit, batch.visitId);
  return {
    ...rest,
    route,
    pieces: piecesIn(rows, batch.id),
    placements,
    ...(visit ? { visit } : {}),
    carriers: carriers.map((carrier): CarrierUse => ({
      carrier,
      taken: takenOn(rows, carrier.id),
      own: placements.find((p) => p.carrierId === carrier.id)?.pieces ?? 0,
    })),
    ...(operation?.draws && command.kind === 'start'
      ? {
          stock: stockOf(
            rows,
            operation.draws.map((d) => d.modelId),
          ),
        }
      : {}),
    others: othersIn(command).flatMap((id) => {
      const other = rows.find(Batch, id);
      return other ? [{ batch: other, pieces: piecesIn(rows, id) }] : [];
    }),
  };
}

/** The other batches a command names. */
export function othersIn(command: BatchCommand): readonly string[] {
  switch (command.kind) {
    case 'merge':
      return [command.fromBatchId];
    case 'join':
      return command.guestBatchIds;
    case 'refit':
      return [command.neckBatchId];
    default:
      return [];
  }
}

const stockOf = (rows: Rows, modelIds: readonly string[]): Batch[] =>
  rows
    .all(Batch)
    .filter((b) => b.status === 'stocked' && modelIds.includes(b.modelId))
    .sort((a, b) => a.arrivedMs - b.arrivedMs || a.number - b.number);

const UNDOABLE: readonly string[] = ['work.started', 'work.finished', 'batch.moved'] satisfies Undoable['kind'][];

/** A batch's latest entry that has not been taken back, from its entries in the order they were written. */
export function lastOf(entries: readonly (Entry & { id: number })[]): NonNullable<DecisionContext['last']> | undefined {
  const gone = new Set<number>();
  for (const entry of [...entries].reverse()) {
    // What an entry of a kind says is known by its kind; the kernel does not tie the two.
    if (entry.kind === 'entry.undone') gone.add((entry.payload as { entryId: number }).entryId);
    else if (!gone.has(entry.id)) return { id: entry.id, kind: entry.kind, undoable: undoableOf(entry) };
  }
  return undefined;
}

const undoableOf = ({ kind, payload }: Entry): Undoable | null => (UNDOABLE.includes(kind) ? ({ kind, payload } as Undoable) : null);
