import { type Decision, refuse, type Refused, wrongInput } from '../ledger/index.ts';
import { before, type Operation } from '../routing/index.ts';
import { type Batch, livePieces, type Piece } from './batch.ts';
import type { BatchCommand, BatchSide, DecisionContext } from './context.ts';
import { movesByItself, moveTo } from './decideMove.ts';
import { choiceObjection, missingFindings, skillObjection } from './decideWork.ts';
import { accept, type BatchEntry } from './decided.ts';

type Command<K extends BatchCommand['kind']> = Extract<BatchCommand, { kind: K }>;

const STILL: readonly Batch['status'][] = ['queued', 'finished', 'dwelling', 'stocked'];

/** Parts a batch in two that go their own ways from here. */
export function decideSplit(batch: Batch, command: Command<'split'>, context: DecisionContext): Decision<BatchEntry> {
  if (!STILL.includes(batch.status)) return refuse(`Batch ${batch.id} is ${batch.status}; it can be split between two steps`);
  const wrong = choiceObjection(command.pieceIds, new Set(livePieces(context.pieces).map((p) => p.id)), batch);
  if (wrong) return wrong;
  if (context.nextBatchNumber === undefined) return refuse('No batch number is free');
  return accept({ kind: 'batch.split', payload: { number: context.nextBatchNumber, pieceIds: command.pieceIds } });
}

/** Brings two batches at the same step together. */
export function decideMerge(batch: Batch, command: Command<'merge'>, context: DecisionContext): Decision<BatchEntry> {
  const other = context.others?.find((o) => o.batch.id === command.fromBatchId)?.batch;
  if (!other || other.id === batch.id) return wrongInput('fromBatchId', `There is no other batch ${command.fromBatchId}`);
  if (!STILL.includes(batch.status)) return refuse(`Batch ${batch.id} is ${batch.status}`);
  const same: [keyof Batch, string][] = [
    ['modelId', 'is of another model'],
    ['component', 'holds another component'],
    ['routeId', 'is on another version of the route'],
    ['operationId', 'is at another step'],
    ['status', `is ${other.status}`],
    ['orderId', 'is for another order'],
    ['redo', 'comes back for rework'],
    ['trial', 'is a trial'],
  ];
  const differs = same.find(([key]) => batch[key] !== other[key]);
  if (differs) return refuse(`Batch ${other.id} ${differs[1]}; only like batches at one step can be merged`);
  const settled = ({ facts, rounds, signOffs }: Batch) => JSON.stringify([facts, rounds, signOffs]);
  if (settled(batch) !== settled(other))
    return refuse(`Batch ${other.id} has other options, has been round another number of times, or was accepted by others`);
  return accept({ kind: 'batch.merged', payload: { fromBatchId: other.id } });
}

/** Joins other components to this one: a fingerboard to its neck, a top and a back to the sides. */
export function decideJoin(batch: Batch, operation: Operation, command: Command<'join'>, context: DecisionContext): Decision<BatchEntry> {
  if (operation.kind !== 'join') return refuse(`Nothing is joined at ${operation.name}`);
  if (operation.component !== batch.component)
    return refuse(`Batch ${batch.id} is joined to a ${operation.component} here; choose that batch`);
  const cannot = atBench(batch, operation, command.personId, context);
  if (cannot) return cannot;
  const guests: BatchSide[] = [];
  for (const id of command.guestBatchIds) {
    const guest = context.others?.find((o) => o.batch.id === id);
    if (!guest) return wrongInput('guestBatchIds', `There is no batch ${id}`);
    if (guest.batch.modelId !== batch.modelId) return wrongInput('guestBatchIds', `Batch ${id} is of another model`);
    if (JSON.stringify(guest.batch.facts) !== JSON.stringify(batch.facts))
      return wrongInput('guestBatchIds', `Batch ${id} is made for other options`);
    if (guest.batch.operationId !== batch.operationId || guest.batch.status !== 'queued')
      return wrongInput('guestBatchIds', `Batch ${id} is not waiting at ${operation.name}`);
    guests.push(guest);
  }
  if (new Set(command.guestBatchIds).size !== guests.length) return wrongInput('guestBatchIds', 'A batch is named twice');
  const wanted = [...new Set(before(context.route, operation.id).map((o) => o.component))].filter((c) => c !== operation.component);
  const hosts = livePieces(context.pieces);
  const joins = hosts.map((host) => ({ hostId: host.id, guestIds: [] as string[] }));
  for (const component of wanted) {
    const free = guests.filter((g) => g.batch.component === component).flatMap((g) => livePieces(g.pieces));
    const given = matchGuests(hosts, free, operation.matchedSet === true);
    if (typeof given === 'string') return refuse(given, { rule: 'parts', remedy: 'Bring more of them, or split the batch' });
    given.forEach((guest, i) => joins[i]?.guestIds.push(guest.id));
  }
  const payload = { operationId: operation.id, guestBatchIds: command.guestBatchIds, joins };
  return accept({ kind: 'parts.joined', payload }, ...onwardEntries(batch, operation, context));
}

/** A guest for every host: its own set's first, otherwise in order. @returns what is short, in words, when some go without */
function matchGuests(hosts: readonly Piece[], free: readonly Piece[], sameSetOnly: boolean): Piece[] | string {
  const left = [...free];
  const take = (index: number) => (index < 0 ? undefined : left.splice(index, 1)[0]);
  const own = hosts.map((h) => (h.setId === null ? undefined : take(left.findIndex((g) => g.setId === h.setId))));
  const all = sameSetOnly
    ? own
    : own.map((guest) => guest ?? take(left.findIndex((g) => g.setId === null || !hosts.some((h) => h.setId === g.setId))));
  const short = all.findIndex((guest) => guest === undefined);
  if (short < 0) return all.flatMap((guest) => guest ?? []);
  return sameSetOnly
    ? `${hosts[short]?.id ?? ''} has no part here that was cut from its own block`
    : `${all.filter(Boolean).length} of ${hosts.length} pieces have something to be joined with`;
}

/** Takes instruments apart; each body and neck stay bound by their serial. */
export function decidePart(batch: Batch, operation: Operation, command: Command<'part'>, context: DecisionContext): Decision<BatchEntry> {
  if (operation.kind !== 'part') return refuse(`Nothing is taken apart at ${operation.name}`);
  const cannot = atBench(batch, operation, command.personId, context);
  if (cannot) return cannot;
  const number = context.nextBatchNumber;
  if (number === undefined) return refuse('No batch number is free');
  return accept({ kind: 'instruments.parted', payload: { operationId: operation.id, bodyNumber: number, neckNumber: number + 1 } });
}

/** Brings each body together again with its own neck. */
export function decideRefit(batch: Batch, operation: Operation, command: Command<'refit'>, context: DecisionContext): Decision<BatchEntry> {
  if (operation.kind !== 'refit') return refuse(`Nothing is fitted again at ${operation.name}`);
  if (batch.component !== 'body') return refuse('Name the batch of bodies first, then that of their necks');
  const cannot = atBench(batch, operation, command.personId, context);
  if (cannot) return cannot;
  const necks = context.others?.find((o) => o.batch.id === command.neckBatchId);
  if (necks?.batch.component !== 'neck') return wrongInput('neckBatchId', `There is no batch of necks ${command.neckBatchId}`);
  if (necks.batch.operationId !== batch.operationId || necks.batch.status !== 'queued')
    return wrongInput('neckBatchId', `Batch ${necks.batch.id} is not waiting at ${operation.name}`);
  const ofNecks = new Set(livePieces(necks.pieces).flatMap((p) => p.serial ?? []));
  const serials = livePieces(context.pieces).flatMap((p) => (p.serial !== null && ofNecks.has(p.serial) ? [p.serial] : []));
  if (serials.length === 0)
    return refuse(`No body of batch ${batch.id} has its own neck in batch ${necks.batch.id}`, { field: 'neckBatchId' });
  if (context.nextBatchNumber === undefined) return refuse('No batch number is free');
  return accept({
    kind: 'instruments.refitted',
    payload: { operationId: operation.id, number: context.nextBatchNumber, bodyBatchId: batch.id, neckBatchId: necks.batch.id, serials },
  });
}

function atBench(batch: Batch, operation: Operation, personId: string, context: DecisionContext): Refused | undefined {
  if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}`);
  const missing = missingFindings(operation, context);
  return missing.length > 0 ? { kind: 'refuse', because: missing } : skillObjection(operation, personId, context);
}

function onwardEntries(batch: Batch, operation: Operation, context: DecisionContext): BatchEntry[] {
  if (!movesByItself(batch, operation)) return [];
  const moved = moveTo(batch, operation, { again: false, override: null }, context);
  return moved.kind === 'accept' ? moved.entries : [];
}
