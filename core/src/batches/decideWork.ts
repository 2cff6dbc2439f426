import { takeOff } from '../carriers/index.ts';
import { type Decision, type Finding, refuse, type Refused, wrongInput } from '../ledger/index.ts';
import { onward, type Operation, operationOf, OWN_WAY, type Way, waysOf } from '../routing/index.ts';
import { type Batch, livePieces, type Piece, piecesInPass, batchIdOf } from './batch.ts';
import type { BatchCommand, DecisionContext } from './context.ts';
import { movesByItself, moveTo, placesAt, roundOrOn } from './decideMove.ts';
import { accept, type BatchEntry } from './decided.ts';
import type { PieceOutcome } from './outcome.ts';

type Command<K extends BatchCommand['kind']> = Extract<BatchCommand, { kind: K }>;

/** Whether a person may do a step in a way; what speaks against it if not. */
export function skillObjection(way: Pick<Way, 'skill' | 'skillLevel'>, personId: string, context: DecisionContext): Refused | undefined {
  const { skill, skillLevel = 1 } = way;
  if (skill === undefined || context.holdsSkill(personId, skill, skillLevel)) return undefined;
  return refuse(`This person is not signed off for ${skill}${skillLevel > 1 ? ` at level ${skillLevel}` : ''}`, {
    rule: 'skill',
    field: 'personId',
  });
}

/** What must exist before a step is begun and does not. */
export function missingFindings(operation: Operation, context: DecisionContext): Finding[] {
  return (operation.needs ?? []).flatMap((need) => {
    const missing = context.missing ? context.missing(need) : `No ${need.kind} for ${need.what} is on record`;
    return missing === null
      ? []
      : [
          {
            rule: 'prerequisite' as const,
            verdict: 'stop' as const,
            sentence: missing,
            remedy: `Release it under Setup, or pause the batch`,
          },
        ];
  });
}

export function decideStart(batch: Batch, operation: Operation, command: Command<'start'>, context: DecisionContext): Decision<BatchEntry> {
  if (operation.kind !== 'work') return refuse(`${operation.name} is not work to start`);
  if (batch.status !== 'queued') return refuse(`${operation.name} is already ${batch.status}`);
  if (operation.handOver && !batch.accepted && !batch.redo)
    return refuse(`Batch ${batch.id} has not been taken over yet`, {
      rule: 'handOver',
      remedy: 'Check the step before, then accept or refuse it',
    });
  const wayId = command.wayId ?? OWN_WAY;
  const way = waysOf(operation).find((w) => w.id === wayId);
  if (!way) return wrongInput('wayId', `${operation.name} is not done that way`);
  const unable = skillObjection(way, command.personId, context);
  if (unable) return unable;
  const missing = missingFindings(operation, context);
  if (missing.length > 0) return { kind: 'refuse', because: missing };
  const straightInto = operation.noWait ? operationOf(context.route, onward(context.route, operation) ?? '') : operation;
  const placing = placesAt(
    batch,
    straightInto.place,
    { placements: command.placements, quantity: livePieces(context.pieces).length, leaving: false, keep: true, where: straightInto.name },
    context,
  );
  if (placing.kind === 'refuse') return placing;
  const drawn = batch.redo ? [] : draws(batch, operation, context);
  if (!Array.isArray(drawn)) return drawn;
  const payload = { operationId: operation.id, workerId: command.personId, ...(wayId === OWN_WAY ? {} : { wayId }) };
  return accept(...drawn, ...placing.entries, { kind: 'work.started', payload });
}

/** Takes the small parts a step needs from those made ahead, the oldest first. */
function draws(batch: Batch, operation: Operation, context: DecisionContext): BatchEntry[] | Refused {
  const entries: BatchEntry[] = [];
  for (const { modelId, perPiece } of operation.draws ?? []) {
    const wanted = perPiece * livePieces(context.pieces).length;
    let left = wanted;
    for (const stock of (context.stock ?? []).filter((s) => s.modelId === modelId && s.status === 'stocked')) {
      const count = Math.min(left, stock.quantity);
      if (count > 0)
        entries.push({ kind: 'stock.drawn', batchId: stock.id, payload: { forBatchId: batch.id, operationId: operation.id, count } });
      left -= count;
    }
    if (left > 0)
      return refuse(
        `${wanted - left} of ${wanted} ${context.modelName?.(modelId) ?? modelId} in stock for ${operation.name.toLowerCase()}`,
        {
          rule: 'parts',
          remedy: 'Run a campaign of them, or split the batch',
        },
      );
  }
  return entries;
}

/** What is wrong with the counts of finished work; undefined when they add up. */
function countsObjection(
  batch: Batch,
  inPass: readonly Piece[],
  counts: { good: number; rework: number; scrap: number; outcomes: readonly PieceOutcome[] },
  context: DecisionContext,
): Refused | undefined {
  const { good, rework, scrap, outcomes } = counts;
  for (const [field, count] of Object.entries({ good, rework, scrap }))
    if (!Number.isInteger(count) || count < 0) return wrongInput(field, `${count} is not a count of pieces`);
  const total = good + rework + scrap;
  if (total !== inPass.length)
    return wrongInput(
      'good',
      `${good} good, ${rework} rework and ${scrap} scrap make ${total}; ${inPass.length} pieces are being worked on`,
    );
  const known = new Set(inPass.map((p) => p.id));
  const stranger = outcomes.find((o) => !known.has(o.pieceId));
  if (stranger) return wrongInput('outcomes', `Piece ${stranger.pieceId} is not in this pass of batch ${batch.id}`);
  if (new Set(outcomes.map((o) => o.pieceId)).size !== outcomes.length) return wrongInput('outcomes', 'A piece is named twice');
  for (const kind of ['rework', 'scrap'] as const) {
    const count = outcomes.filter((o) => o.outcome === kind).length;
    if (count !== counts[kind])
      return wrongInput('outcomes', `${counts[kind]} ${kind} counted, ${count} named: say which piece and what is wrong`);
  }
  return defectObjection(outcomes, context);
}

/** Each defect says what is wrong and comes from a step of the route. */
export function defectObjection(
  pieces: readonly { defect: string; originOperationId: string }[],
  context: DecisionContext,
  field = 'outcomes',
): Refused | undefined {
  if (pieces.some((o) => o.defect.trim() === '')) return wrongInput(field, 'Each piece that is not good needs a defect');
  const origin = pieces.find((o) => !context.route.operations.some((step) => step.id === o.originOperationId));
  return origin ? wrongInput(field, `The route has no step "${origin.originOperationId}"`) : undefined;
}

export function decideFinish(
  batch: Batch,
  operation: Operation,
  command: Command<'finish' | 'receive'>,
  context: DecisionContext,
): Decision<BatchEntry> {
  const back = command.kind === 'receive';
  if (back && batch.status !== 'away') return refuse(`Batch ${batch.id} is not away`);
  if (!back && batch.status !== 'running') return refuse(`${operation.name} is not running; start it first`);
  const { good, rework, scrap, outcomes } = command;
  const inPass = piecesInPass(batch, context.pieces);
  const wrong = countsObjection(batch, inPass, command, context);
  if (wrong) return wrong;
  const named = new Set(outcomes.map((o) => o.pieceId));
  const unmeasured = (context.unmeasured ?? []).filter((id) => !named.has(id));
  if (unmeasured.length > 0) return refuse(`Not measured yet: ${unmeasured.join(', ')}`, { remedy: 'Log the measures of this step first' });
  if (operation.coat && !batch.redo && (context.coatsLogged ?? 0) < operation.coat.coats)
    return refuse(`${context.coatsLogged ?? 0} of ${operation.coat.coats} coats logged`, { remedy: 'Log each coat as it is sprayed' });
  const finished: BatchEntry = {
    kind: 'work.finished',
    payload: { operationId: operation.id, good, rework, scrap, outcomes, ...(batch.redo ? { redo: true } : {}) },
  };
  const left = livePieces(context.pieces).length - scrap;
  if (left === 0 || rework > 0) return accept(finished);
  // What is scrapped leaves its place.
  const placements = takeOff(context.placements ?? [], scrap).stay;
  return accept(finished, ...leaving(batch, operation, left, { ...context, placements }));
}

/** Work that has no gate goes on at once, unless there is no place for it yet: then it waits to be moved. */
function leaving(batch: Batch, operation: Operation, quantity: number, context: DecisionContext): BatchEntry[] {
  if (!movesByItself(batch, operation) || onward(context.route, operation, batch.component) === undefined) return [];
  const way = roundOrOn(batch, operation, undefined);
  if (way.kind === 'refuse') return [];
  const moved = moveTo(batch, operation, { again: way.again, override: null, quantity }, context);
  return moved.kind === 'accept' ? moved.entries : [];
}

/** Some pieces are ready before the rest and go on as a batch of their own. */
export function decideFinishSome(
  batch: Batch,
  operation: Operation,
  command: Command<'finish some'>,
  context: DecisionContext,
): Decision<BatchEntry> {
  if (batch.status !== 'running') return refuse(`${operation.name} is not running; start it first`);
  if (batch.redo) return refuse('What came back is finished together');
  const inPass = new Set(piecesInPass(batch, context.pieces).map((p) => p.id));
  const wrong = choiceObjection(command.pieceIds, inPass, batch);
  if (wrong) return wrong;
  if (operation.coat && (context.coatsLogged ?? 0) < operation.coat.coats)
    return refuse(`${context.coatsLogged ?? 0} of ${operation.coat.coats} coats logged`, { remedy: 'Log each coat as it is sprayed' });
  const unmeasured = (context.unmeasured ?? []).filter((id) => command.pieceIds.includes(id));
  if (unmeasured.length > 0) return refuse(`Not measured yet: ${unmeasured.join(', ')}`, { remedy: 'Log the measures of this step first' });
  const number = context.nextBatchNumber;
  if (number === undefined) return refuse('No batch number is free');
  const batchId = batchIdOf(number);
  const ready: BatchEntry = { kind: 'work.partFinished', payload: { operationId: operation.id, number, pieceIds: command.pieceIds } };
  const next = onward(context.route, operation, batch.component);
  const needsPlace = operation.noWait === true || (next !== undefined && operationOf(context.route, next).place !== undefined);
  // Where places are counted, the new batch is moved on its own, so that its places are its own.
  if (needsPlace) return accept(ready);
  return accept(
    ready,
    ...leaving(batch, operation, command.pieceIds.length, { ...context, placements: [] }).map((e) => ({ ...e, batchId })),
  );
}

/** Some of the pieces of a batch, but not all: each named once and in it. */
export function choiceObjection(pieceIds: readonly string[], among: ReadonlySet<string>, batch: Batch): Refused | undefined {
  if (pieceIds.length === 0) return wrongInput('pieceIds', 'Choose at least one piece');
  if (new Set(pieceIds).size !== pieceIds.length) return wrongInput('pieceIds', 'A piece is named twice');
  const stranger = pieceIds.find((id) => !among.has(id));
  if (stranger !== undefined) return wrongInput('pieceIds', `Piece ${stranger} is not free in batch ${batch.id}`);
  return pieceIds.length === among.size ? wrongInput('pieceIds', 'That is all of it: nothing would stay behind') : undefined;
}

/** Sends a batch to another house or another building. */
export function decideSend(batch: Batch, operation: Operation, command: Command<'send'>, context: DecisionContext): Decision<BatchEntry> {
  if (operation.kind !== 'outside' && operation.kind !== 'transfer') return refuse(`${operation.name} is done here`);
  if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}`);
  if (command.to.trim() === '') return wrongInput('to', 'Say where it goes');
  if (command.dueBackMs <= context.evidence.nowMs) return wrongInput('dueBackMs', 'It can only come back later than now');
  const missing = missingFindings(operation, context);
  if (missing.length > 0) return { kind: 'refuse', because: missing };
  return accept({ kind: 'batch.sent', payload: { operationId: operation.id, to: command.to.trim(), dueBackMs: command.dueBackMs } });
}
