import type { Batch, BatchCommand, Carrier, CarrierUse, DecisionContext } from '../routing/index.ts';
import type { EntryKind, LogbookEntry, NewEntry } from './entry.ts';
import type { ShopState } from './state.ts';

/** What the state does not know: the time and the climate, people's skills, what the factory owns and has released. */
export type Circumstances = Pick<DecisionContext, 'evidence' | 'holdsSkill' | 'missing' | 'nextBatchNumber' | 'last' | 'unmeasured'> & {
  carriers?: readonly Carrier[];
};

/** Everything a decision about a batch rests on, from a state that knows the whole shop. */
export function contextOf(state: ShopState, batch: Batch, command: BatchCommand, circumstances: Circumstances): DecisionContext {
  const { carriers = [], ...rest } = circumstances;
  const route = state.routeOf(batch);
  const placements = state.placements(batch.id);
  const operation = route.operations.find((o) => o.id === batch.operationId);
  const visit = state.find('visit', batch.visitId);
  return {
    ...rest,
    route,
    pieces: state.pieces(batch.id),
    placements,
    coatsLogged: coatsOn(state, batch, operation?.coat?.coats ?? 0),
    ...(visit ? { visit } : {}),
    carriers: carriers.map((carrier): CarrierUse => ({
      carrier,
      taken: state.taken(carrier.id),
      own: placements.find((p) => p.carrierId === carrier.id)?.pieces ?? 0,
    })),
    ...(operation?.draws && command.kind === 'start'
      ? {
          stock: stockOf(
            state,
            operation.draws.map((d) => d.modelId),
          ),
        }
      : {}),
    others: othersIn(command).flatMap((id) => {
      const other = state.find('batch', id);
      return other ? [{ batch: other, pieces: state.pieces(id) }] : [];
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

/** Coats are numbered within their visit, without gaps. */
function coatsOn(state: ShopState, batch: Batch, planned: number): number {
  let count = 0;
  while (count < planned && state.find('coat', `${batch.visitId}/${count + 1}`)) count++;
  return count;
}

const stockOf = (state: ShopState, modelIds: readonly string[]): Batch[] =>
  state
    .all('batch')
    .filter((b) => b.status === 'stocked' && modelIds.includes(b.modelId))
    .sort((a, b) => a.arrivedMs - b.arrivedMs || a.number - b.number);

const UNDOABLE: readonly EntryKind[] = ['work.started', 'work.finished', 'batch.moved'];

/** A batch's latest entry that has not been taken back, from its entries in the order they were written. */
export function lastOf(entries: readonly (NewEntry & { id: number })[]): NonNullable<DecisionContext['last']> | undefined {
  const gone = new Set<number>();
  for (const entry of [...entries].reverse()) {
    if (entry.kind === 'entry.undone') gone.add(entry.payload.entryId);
    else if (!gone.has(entry.id)) return { id: entry.id, kind: entry.kind, undoable: undoableOf(entry) };
  }
  return undefined;
}

function undoableOf(entry: NewEntry): NonNullable<DecisionContext['last']>['undoable'] {
  if (!UNDOABLE.includes(entry.kind)) return null;
  const { kind, payload } = entry as Extract<LogbookEntry, { kind: 'work.started' | 'work.finished' | 'batch.moved' }>;
  // The entry's kind and payload belong together; TypeScript loses that when they are taken apart.
  return { kind, payload } as NonNullable<DecisionContext['last']>['undoable'];
}
