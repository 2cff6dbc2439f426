import { allot, type Placement, placingObjections, suits } from '../carriers/index.ts';
import { type Decision, type Finding, refuse, type Refused, worst, wrongInput } from '../ledger/index.ts';
import { onward, type Operation, operationOf, type Override, type PlaceNeed, sameStepIn } from '../routing/index.ts';
import { type Batch, livePieces, batchIdOf } from './batch.ts';
import type { BatchCommand, DecisionContext } from './context.ts';
import { accept, type BatchEntry } from './decided.ts';
import { gateFindings } from './gate.ts';

export const OVERRIDE_REASON_LENGTH = 5;

/** Moves a batch that is done with its step, through the gate or against it. */
export function decideMove(
  batch: Batch,
  operation: Operation,
  command: Extract<BatchCommand, { kind: 'move' }>,
  context: DecisionContext,
): Decision<BatchEntry> {
  if (batch.status !== 'finished' && batch.status !== 'dwelling')
    return refuse(
      batch.status === 'stocked'
        ? `${operation.name} keeps it until a build calls`
        : `${operation.name} is ${batch.status}; it has to be finished before the batch moves on`,
    );
  const findings = gateFindings(batch, operation, context.evidence);
  const { overrideReason } = command;
  const reason = overrideReason?.trim() ?? '';
  const held = findings.filter((f) => f.verdict !== 'pass');
  const over = overAgain(batch, operation, command.accepted);
  if (over) held.push(over);
  if (held.length > 0 && overrideReason === undefined) return { kind: 'refuse', because: held };
  if (held.length > 0 && reason.length < OVERRIDE_REASON_LENGTH)
    return wrongInput('overrideReason', 'An override needs a reason that others will understand');
  const override = held.length === 0 ? null : { reason, findings: over ? [...findings, over] : findings };
  const way = over ? ({ kind: 'on', again: false } as const) : roundOrOn(batch, operation, command.accepted);
  if (way.kind === 'refuse') return way;
  return moveTo(batch, operation, { again: way.again, override, placements: command.placements }, context);
}

/** Whether a batch leaves by itself the moment its work is done: no gate to pass, nobody to ask. */
export const movesByItself = (batch: Batch, operation: Operation): boolean =>
  operation.gate.length === 0 && operation.repeat?.kind !== 'until accepted' && batch.status !== 'done';

interface Going {
  again: boolean;
  override: Override | null;
  placements?: readonly Placement[] | undefined;
  quantity?: number;
}

/** The entries that take a batch to where it goes next, places included; refuses when there is none free. */
export function moveTo(batch: Batch, operation: Operation, going: Going, context: DecisionContext): Decision<BatchEntry> {
  const to = going.again ? operation.repeat?.backTo : onward(context.route, operation, batch.component);
  if (to === undefined) return refuse(`${operation.name} is the last step`);
  const next = operationOf(context.route, to);
  const placing = placesAt(
    batch,
    next.kind === 'work' ? undefined : next.place,
    {
      ...going,
      quantity: going.quantity ?? livePieces(context.pieces).length,
      leaving: operation.place !== undefined || operation.noWait === true,
      // Work that takes its places when it is begun may start from where the batch sits.
      keep: next.place?.kind === operation.place?.kind,
      where: next.name,
    },
    context,
  );
  if (placing.kind === 'refuse') return placing;
  const round = operation.repeat ? { round: (batch.rounds[operation.id] ?? 0) + 1, again: going.again } : {};
  const payload = { from: operation.id, to, override: going.override, ...round };
  return accept(...placing.entries, { kind: 'batch.moved', payload });
}

/** Whether a loop sends the batch round again. */
export function roundOrOn(batch: Batch, operation: Operation, accepted: boolean | undefined): { kind: 'on'; again: boolean } | Refused {
  const { repeat } = operation;
  if (!repeat) return { kind: 'on', again: false };
  const done = (batch.rounds[operation.id] ?? 0) + 1;
  if (repeat.kind === 'count') return { kind: 'on', again: done < repeat.times };
  if (accepted === undefined)
    return refuse(`Round ${done} of ${operation.name}: is it accepted, or does it go round again?`, { rule: 'signOff', field: 'accepted' });
  return { kind: 'on', again: !accepted };
}

/** A loop that has been round as often as it may, and is not accepted yet. */
function overAgain(batch: Batch, operation: Operation, accepted: boolean | undefined): Finding | undefined {
  const { repeat } = operation;
  if (repeat?.kind !== 'until accepted' || accepted !== false) return undefined;
  const done = (batch.rounds[operation.id] ?? 0) + 1;
  if (done < repeat.maximum) return undefined;
  return {
    rule: 'signOff',
    verdict: 'stop',
    sentence: `${operation.name} has been round ${done} times, the most allowed`,
    remedy: 'Refuse the pieces, hold the batch, or move it on with a reason',
    field: 'accepted',
  };
}

interface Placing {
  placements?: readonly Placement[] | undefined;
  quantity: number;
  /** the step it leaves had places of its own */
  leaving: boolean;
  keep: boolean;
  where: string;
}

/** Where a batch sits at a step: as told, where it is already, or on the carriers that fit best. */
export function placesAt(
  batch: Batch,
  need: PlaceNeed | undefined,
  placing: Placing,
  context: DecisionContext,
): Refused | { kind: 'accept'; entries: BatchEntry[] } {
  const { carriers = [] } = context;
  const now = context.placements ?? [];
  const put = (placements: readonly Placement[]): { kind: 'accept'; entries: BatchEntry[] } => ({
    kind: 'accept',
    entries: JSON.stringify(placements) === JSON.stringify(now) ? [] : [{ kind: 'batch.placed', payload: { placements } }],
  });
  const fitting = need ? carriers.filter((u) => suits(u.carrier, need, batch.modelId)) : carriers;
  if (placing.placements !== undefined) {
    const findings = placingObjections(placing.placements, placing.quantity, carriers, batch.modelId);
    const wrong = need && placing.placements.find((p) => !fitting.some((u) => u.carrier.id === p.carrierId));
    if (wrong)
      findings.push({
        rule: 'places',
        verdict: 'stop',
        sentence: `${placing.where} needs a ${need.kind}; ${wrong.carrierId} is none for this model`,
        field: 'placements',
      });
    if (need && placing.placements.length === 0)
      findings.push({
        rule: 'places',
        verdict: 'stop',
        sentence: `${placing.where} needs a ${need.kind} for every piece`,
        field: 'placements',
      });
    return findings.length > 0 ? { kind: 'refuse', because: findings } : put(placing.placements);
  }
  if (!need) return placing.leaving && !placing.keep ? put([]) : { kind: 'accept', entries: [] };
  const sits = now.length > 0 && now.every((p) => fitting.some((u) => u.carrier.id === p.carrierId));
  if (sits && now.reduce((sum, p) => sum + p.pieces, 0) === placing.quantity) return { kind: 'accept', entries: [] };
  const found = allot(placing.quantity, fitting);
  if (found) return put(found);
  const free = fitting.reduce((sum, u) => sum + Math.max(0, u.carrier.places - u.taken + u.own), 0);
  const all = fitting.reduce((sum, u) => sum + u.carrier.places, 0);
  return {
    kind: 'refuse',
    because: [
      {
        rule: 'places',
        verdict: 'wait',
        sentence: `${free} of ${all} places free in a ${need.kind} for ${placing.where.toLowerCase()}; ${placing.quantity} are needed`,
        remedy: 'Wait until places come free, or split the batch',
      },
    ],
  };
}

/** Takes finished components out of a buffer for a build. */
export function decideCall(
  batch: Batch,
  operation: Operation,
  command: Extract<BatchCommand, { kind: 'call' }>,
  context: DecisionContext,
): Decision<BatchEntry> {
  if (batch.status !== 'stocked') return refuse(`Batch ${batch.id} is not in a buffer`);
  const live = livePieces(context.pieces);
  const { quantity, orderId, dueMs } = command;
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > live.length)
    return wrongInput('quantity', `The buffer holds ${live.length} pieces in batch ${batch.id}`);
  if (onward(context.route, operation, batch.component) === undefined)
    return refuse(`${operation.name} is where they stay until they are drawn`);
  const findings = gateFindings(batch, operation, context.evidence);
  if (worst(findings) !== 'pass') return { kind: 'refuse', because: findings.filter((f) => f.verdict !== 'pass') };
  const called: BatchEntry = { kind: 'batch.called', payload: { orderId, dueMs } };
  const moved = moveTo(batch, operation, { again: false, override: null, quantity }, context);
  if (moved.kind === 'refuse') return moved;
  if (quantity === live.length) return accept(called, ...moved.entries);
  const number = context.nextBatchNumber;
  if (number === undefined) return refuse('No batch number is free');
  const batchId = batchIdOf(number);
  return accept(
    { kind: 'batch.split', payload: { number, pieceIds: live.slice(0, quantity).map((p) => p.id) } },
    { ...called, batchId },
    ...moved.entries.map((entry) => ({ ...entry, batchId })),
  );
}

/** Moves work in progress to another version of its route, on purpose. */
export function decideReroute(
  batch: Batch,
  command: Extract<BatchCommand, { kind: 'reroute' }>,
  context: DecisionContext,
): Decision<BatchEntry> {
  const { toRoute } = context;
  if (!toRoute) return refuse('There is no such route');
  if (command.reason.trim() === '') return wrongInput('reason', 'Say why it is moved');
  if (toRoute.id === batch.routeId) return refuse(`Batch ${batch.id} is on this version already`);
  if (toRoute.modelId !== batch.modelId) return refuse('That route is of another model');
  if (batch.status === 'running' || batch.status === 'paused' || batch.status === 'away')
    return refuse(`Batch ${batch.id} is ${batch.status}; it can be moved between two steps`);
  const to = sameStepIn(context.route, batch.operationId, toRoute);
  if (!to) return refuse('The two versions share no step from here on');
  if (to.id !== command.operationId) return wrongInput('operationId', `On that version batch ${batch.id} stands at "${to.name}"`);
  const at = operationOf(context.route, batch.operationId);
  // A new version is no way round a gate.
  const waits = to.id === at.id && to.kind === at.kind ? [] : gateFindings(batch, at, context.evidence).filter((f) => f.verdict !== 'pass');
  if ((batch.status === 'dwelling' || batch.status === 'finished') && waits.length > 0) return { kind: 'refuse', because: waits };
  return accept({ kind: 'batch.rerouted', payload: { routeId: toRoute.id, operationId: to.id, reason: command.reason.trim() } });
}

/** Takes the latest entry back, as long as nothing rests on it. */
export function decideUndo(batch: Batch, command: Extract<BatchCommand, { kind: 'undo' }>, context: DecisionContext): Decision<BatchEntry> {
  const { last } = context;
  if (command.reason.trim() === '') return wrongInput('reason', 'Say why it is taken back');
  if (last?.id !== command.entryId) return refuse('Only the latest entry can be taken back; something else has been logged since');
  const { undoable } = last;
  if (!undoable) return refuse('This kind of entry cannot be taken back; log a correction instead');
  const allowed: Record<typeof undoable.kind, readonly Batch['status'][]> = {
    'work.started': ['running'],
    'work.finished': ['finished', 'queued'],
    'batch.moved': ['queued', 'dwelling', 'stocked'],
  };
  if (!allowed[undoable.kind].includes(batch.status))
    return refuse(`Batch ${batch.id} is ${batch.status}; that can no longer be taken back`);
  const at = operationOf(context.route, batch.operationId);
  if (undoable.kind === 'work.started' && at.draws) return refuse('Small parts were drawn for it; that cannot be taken back');
  if (undoable.kind === 'work.finished' && undoable.payload.redo) return refuse('Rework that is finished cannot be taken back');
  const { visit } = context;
  if (undoable.kind === 'batch.moved' && (visit?.good !== 0 || visit.quantity !== livePieces(context.pieces).length))
    return refuse(`Some of batch ${batch.id} has gone on from here; that can no longer be taken back`);
  const undone: BatchEntry = { kind: 'entry.undone', payload: { entryId: last.id, undone: undoable, reason: command.reason.trim() } };
  if (undoable.kind === 'batch.moved') {
    const from = operationOf(context.route, undoable.payload.from);
    const placing = placesAt(
      batch,
      from.place,
      { quantity: livePieces(context.pieces).length, leaving: false, keep: true, where: from.name },
      context,
    );
    return placing.kind === 'refuse' ? placing : accept(undone, ...placing.entries);
  }
  return undoable.kind === 'work.started' && (at.noWait || at.place) && (context.placements ?? []).length > 0
    ? accept(undone, { kind: 'batch.placed', payload: { placements: [] } })
    : accept(undone);
}
