import { placingObjections } from '../carriers/index.ts';
import { type Decision, refuse, wrongInput } from '../ledger/index.ts';
import { type Operation, operationOf, waysOf } from '../routing/index.ts';
import { type Batch, livePieces } from './batch.ts';
import type { BatchCommand, DecisionContext } from './context.ts';
import { decideAccept, decideRefuse, decideScrap, decideSignOff } from './decideHandover.ts';
import { decideCall, decideMove, decideReroute, decideUndo } from './decideMove.ts';
import { decideJoin, decideMerge, decidePart, decideRefit, decideSplit } from './decideParts.ts';
import { decideFinish, decideFinishSome, decideSend, decideStart, skillObjection } from './decideWork.ts';
import { accept, type BatchEntry } from './decided.ts';

/**
 * Judges a command on a batch. Never throws for a business "no": a refusal carries findings that say why.
 *
 * @returns the logbook entries to append, in order, or the findings that speak against it
 */
export function decide(batch: Batch, command: BatchCommand, context: DecisionContext): Decision<BatchEntry> {
  if (batch.status === 'done') return refuse(`Batch ${batch.id} is done`);
  if (batch.status === 'held' && command.kind !== 'release' && command.kind !== 'place')
    return refuse(`Batch ${batch.id} is held: ${batch.holdReason ?? 'no reason given'}`, { remedy: 'Release it first' });
  const operation = operationOf(context.route, batch.operationId);
  switch (command.kind) {
    case 'start':
      return decideStart(batch, operation, command, context);
    case 'pause':
      return batch.status === 'running'
        ? accept({ kind: 'work.paused', payload: { cause: command.cause } })
        : refuse(`${operation.name} is not running`);
    case 'resume':
      return decideResume(batch, operation, command.personId, context);
    case 'finish':
    case 'receive':
      return decideFinish(batch, operation, command, context);
    case 'finish some':
      return decideFinishSome(batch, operation, command, context);
    case 'move':
      return decideMove(batch, operation, command, context);
    case 'place':
      return decidePlace(batch, operation, command, context);
    case 'hold':
      if (command.reason.trim() === '') return wrongInput('reason', 'A hold needs a reason');
      if (batch.status === 'running') return refuse('Pause the work before holding the batch');
      return accept({ kind: 'batch.held', payload: { reason: command.reason } });
    case 'release':
      return batch.status === 'held' ? accept({ kind: 'batch.released', payload: {} }) : refuse(`Batch ${batch.id} is not held`);
    case 'split':
      return decideSplit(batch, command, context);
    case 'merge':
      return decideMerge(batch, command, context);
    case 'accept':
      return decideAccept(batch, operation);
    case 'sign off':
      return decideSignOff(batch, operation, command, context);
    case 'refuse':
      return decideRefuse(batch, operation, command, context);
    case 'scrap':
      return decideScrap(batch, command, context);
    case 'send':
      return decideSend(batch, operation, command, context);
    case 'call':
      return decideCall(batch, operation, command, context);
    case 'join':
      return decideJoin(batch, operation, command, context);
    case 'part':
      return decidePart(batch, operation, command, context);
    case 'refit':
      return decideRefit(batch, operation, command, context);
    case 'reroute':
      return decideReroute(batch, command, context);
    case 'undo':
      return decideUndo(batch, command, context);
  }
}

function decideResume(batch: Batch, operation: Operation, personId: string, context: DecisionContext): Decision<BatchEntry> {
  if (batch.status !== 'paused') return refuse(`${operation.name} is not paused`);
  const way = waysOf(operation).find((w) => w.id === batch.wayId) ?? operation;
  return skillObjection(way, personId, context) ?? accept({ kind: 'work.resumed', payload: { workerId: personId } });
}

/** Puts a batch on other carriers. */
function decidePlace(
  batch: Batch,
  operation: Operation,
  command: Extract<BatchCommand, { kind: 'place' }>,
  context: DecisionContext,
): Decision<BatchEntry> {
  const { placements } = command;
  const findings = placingObjections(placements, livePieces(context.pieces).length, context.carriers ?? [], batch.modelId);
  const need = operation.place;
  if (need && batch.status !== 'queued') {
    const odd = placements.find((p) => context.carriers?.find((u) => u.carrier.id === p.carrierId)?.carrier.kind !== need.kind);
    if (odd || placements.length === 0)
      findings.push({
        rule: 'places',
        verdict: 'stop',
        sentence: `While at ${operation.name} it stays in a ${need.kind}`,
        field: 'placements',
      });
  }
  return findings.length > 0 ? { kind: 'refuse', because: findings } : accept({ kind: 'batch.placed', payload: { placements } });
}
