import { placementsOf, type CarrierUse } from '../carriers/index.ts';
import type { Factory } from '../factory/index.ts';
import { asked, NOT_ANSWERED, type Answers, type Asked, type Entry, type Given, type Sight } from '../ledger/index.ts';
import { NextNumber, operationOf } from '../routing/index.ts';
import { Batch, piecesIn, visitOf } from './batch.ts';
import type { BatchCommand, DecisionContext } from './context.ts';
import { BoxesFor, CoatsOn, LatestEntry, PlacesTaken, UnmeasuredOf } from './evidence.ts';
import { gateAsks, gateEvidence } from './gate.ts';
import type { Undoable } from './entries/undoable.ts';

/** Commands that may make a batch. */
const NUMBERED: readonly BatchCommand['kind'][] = ['finish some', 'split', 'refuse', 'part', 'refit', 'call'];
/** Commands that look for places. */
const PLACING: readonly BatchCommand['kind'][] = ['start', 'move', 'finish', 'receive', 'finish some', 'join', 'place', 'call', 'undo'];
/** Commands that pass a gate. */
const GATED: readonly BatchCommand['kind'][] = ['move', 'call', 'reroute'];

/** What a command on a batch must know besides its rows. */
export function asksOf(batchId: string, command: BatchCommand, { rows, factory, nowMs }: Sight<Factory>): Asked[] {
  const batch = rows.get(Batch, batchId);
  const route = factory.routeOf(batch);
  const operation = operationOf(route, batch.operationId);
  const finishes = command.kind === 'finish' || command.kind === 'finish some';
  const places =
    PLACING.includes(command.kind) &&
    (command.kind === 'place' || ('placements' in command && command.placements !== undefined) || route.operations.some((o) => o.place));
  return [
    ...(GATED.includes(command.kind) ? gateAsks(batch, operation, factory, nowMs) : []),
    ...(NUMBERED.includes(command.kind) ? [asked(NextNumber, { of: 'batch' })] : []),
    ...(places ? [asked(PlacesTaken, {})] : []),
    ...(operation.coat ? [asked(CoatsOn, { visitId: batch.visitId })] : []),
    ...(finishes && operation.characteristics ? [asked(UnmeasuredOf, { batchId })] : []),
    ...(command.kind === 'undo' ? [asked(LatestEntry, { batchId })] : []),
  ];
}

/** Everything a decision about a batch rests on. */
export function contextOf(
  batchId: string,
  command: BatchCommand,
  { rows, factory, answers, nowMs }: Given<Factory>,
  toRouteId?: string,
): DecisionContext {
  const batch = rows.get(Batch, batchId);
  const placements = placementsOf(rows, batchId);
  const number = answers.to(NextNumber, { of: 'batch' });
  const coats = answers.to(CoatsOn, { visitId: batch.visitId });
  const unmeasured = answers.to(UnmeasuredOf, { batchId });
  const latest = answers.to(LatestEntry, { batchId });
  const version = toRouteId === undefined ? undefined : factory.releasedVersion(toRouteId);
  return {
    route: factory.routeOf(batch),
    pieces: piecesIn(rows, batchId),
    visit: visitOf(rows, batch),
    evidence: GATED.includes(command.kind) ? gateEvidence(batch, factory, nowMs, answers) : { nowMs },
    holdsSkill: (personId, skill, level) => factory.holdsSkill(personId, skill, level),
    modelName: (id) => factory.modelName(id),
    missing: (prerequisite) => factory.missing(batch.modelId, prerequisite),
    placements,
    carriers: carriersIn(factory, answers, placements),
    stock: boxesIn(batchId, answers).map((id) => rows.get(Batch, id)),
    others: othersIn(command).flatMap((id) => {
      const other = rows.find(Batch, id);
      return other ? [{ batch: other, pieces: piecesIn(rows, id) }] : [];
    }),
    ...(coats === NOT_ANSWERED ? {} : { coatsLogged: coats }),
    ...(unmeasured === NOT_ANSWERED ? {} : { unmeasured }),
    ...(number === NOT_ANSWERED ? {} : { nextBatchNumber: number }),
    ...(latest === NOT_ANSWERED || latest === null ? {} : { last: latest }),
    ...(version ? { toRoute: factory.routeOf({ routeId: version.id, facts: batch.facts }) } : {}),
  };
}

/** Every carrier in use, and how full it is; none where nobody could say. */
export function carriersIn(factory: Factory, answers: Answers, own: readonly { carrierId: string; pieces: number }[]): CarrierUse[] {
  const taken = answers.to(PlacesTaken, {});
  if (taken === NOT_ANSWERED) return [];
  return factory.carriersInUse().map((carrier) => ({
    carrier,
    taken: taken(carrier.id),
    own: own.find((p) => p.carrierId === carrier.id)?.pieces ?? 0,
  }));
}

/** The boxes that a batch's step could draw from, as far as anybody could say. */
export function boxesIn(batchId: string, answers: Answers): readonly string[] {
  const boxes = answers.to(BoxesFor, { batchId });
  return boxes === NOT_ANSWERED ? [] : boxes;
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
