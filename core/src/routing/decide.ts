import type { Batch, Piece } from './batch.ts';
import { livePieces, piecesInPass } from './batch.ts';
import { worst, type Finding } from './finding.ts';
import { operationOf, type Operation, type Route } from './route.ts';
import { evaluateGate, type Evidence } from './rules.ts';

export const PAUSE_CAUSES = ['material', 'person', 'machine', 'instruction', 'break', 'shift end'] as const;
export type PauseCause = (typeof PAUSE_CAUSES)[number];

/** A piece that did not come out good, with what is wrong and where it comes from. */
export interface PieceOutcome {
  pieceId: string;
  outcome: 'rework' | 'scrap';
  defect: string;
  originOperationId: string;
  note: string;
}

export interface Override {
  reason: string;
  findings: readonly Finding[];
}

/** What a person asks of a batch. */
export type BatchCommand =
  | { kind: 'start'; personId: string }
  | { kind: 'pause'; cause: PauseCause }
  | { kind: 'resume'; personId: string }
  | { kind: 'finish'; good: number; rework: number; scrap: number; outcomes: readonly PieceOutcome[] }
  | { kind: 'move'; overrideReason?: string }
  | { kind: 'hold'; reason: string }
  | { kind: 'release' };

/** What a decision writes in the logbook. */
export type BatchDraft =
  | { kind: 'work.started'; payload: { operationId: string; workerId: string } }
  | { kind: 'work.paused'; payload: { cause: PauseCause } }
  | { kind: 'work.resumed'; payload: { workerId: string } }
  | {
      kind: 'work.finished';
      payload: {
        operationId: string;
        good: number;
        rework: number;
        scrap: number;
        outcomes: readonly PieceOutcome[];
      };
    }
  | { kind: 'batch.moved'; payload: { from: string; to: string; override: Override | null } }
  | { kind: 'batch.held'; payload: { reason: string } }
  | { kind: 'batch.released'; payload: Record<string, never> };

export type Decision<Draft = BatchDraft> = { kind: 'accept'; entries: Draft[] } | { kind: 'refuse'; because: Finding[] };

export interface DecisionContext {
  route: Route;
  pieces: readonly Piece[];
  evidence: Evidence;
  /** whether a person holds a skill */
  holdsSkill: (personId: string, skill: string) => boolean;
  /** pieces with no measures for the characteristics of this step */
  unmeasured?: readonly string[];
  coatsLogged?: number;
}

export const refuse = (sentence: string, extra: Partial<Finding> = {}): { kind: 'refuse'; because: Finding[] } => ({
  kind: 'refuse',
  because: [{ rule: 'state', verdict: 'stop', sentence, ...extra }],
});

const wrongInput = (field: string, sentence: string) => refuse(sentence, { rule: 'input', field });

/**
 * Judges a command on a batch. Never throws for a business "no": a refusal carries findings that say why.
 *
 * @returns the logbook entries to append, in order, or the findings that speak against it
 */
export function decide(batch: Batch, command: BatchCommand, context: DecisionContext): Decision {
  if (batch.status === 'done') return refuse(`Batch ${batch.id} is done`);
  if (batch.status === 'held' && command.kind !== 'release')
    return refuse(`Batch ${batch.id} is held: ${batch.holdReason ?? 'no reason given'}`, {
      remedy: 'Release it first',
    });
  const operation = operationOf(context.route, batch.operationId);
  switch (command.kind) {
    case 'start':
      return start(batch, operation, command.personId, context);
    case 'pause':
      return batch.status === 'running'
        ? { kind: 'accept', entries: [{ kind: 'work.paused', payload: { cause: command.cause } }] }
        : refuse(`${operation.name} is not running`);
    case 'resume':
      if (batch.status !== 'paused') return refuse(`${operation.name} is not paused`);
      return (
        skillObjection(operation, command.personId, context) ?? {
          kind: 'accept',
          entries: [{ kind: 'work.resumed', payload: { workerId: command.personId } }],
        }
      );
    case 'finish':
      return finish(batch, operation, command, context);
    case 'move':
      return move(batch, operation, command.overrideReason, context);
    case 'hold':
      if (command.reason.trim() === '') return wrongInput('reason', 'A hold needs a reason');
      if (batch.status === 'running') return refuse('Pause the work before holding the batch');
      return { kind: 'accept', entries: [{ kind: 'batch.held', payload: { reason: command.reason } }] };
    case 'release':
      return batch.status === 'held'
        ? { kind: 'accept', entries: [{ kind: 'batch.released', payload: {} }] }
        : refuse(`Batch ${batch.id} is not held`);
  }
}

function skillObjection(operation: Operation, personId: string, context: DecisionContext) {
  return operation.skill !== undefined && !context.holdsSkill(personId, operation.skill)
    ? wrongInput('personId', `This person is not signed off for ${operation.skill}`)
    : undefined;
}

function start(batch: Batch, operation: Operation, personId: string, context: DecisionContext): Decision {
  if (operation.kind !== 'work') return refuse(`${operation.name} is not work to start`);
  if (batch.status !== 'queued') return refuse(`${operation.name} is already ${batch.status}`);
  return (
    skillObjection(operation, personId, context) ?? {
      kind: 'accept',
      entries: [{ kind: 'work.started', payload: { operationId: operation.id, workerId: personId } }],
    }
  );
}

function finish(
  batch: Batch,
  operation: Operation,
  command: Extract<BatchCommand, { kind: 'finish' }>,
  context: DecisionContext,
): Decision {
  if (batch.status !== 'running') return refuse(`${operation.name} is not running; start it first`);
  const { good, rework, scrap, outcomes } = command;
  const inPass = piecesInPass(batch, context.pieces);
  const total = good + rework + scrap;
  for (const [field, count] of Object.entries({ good, rework, scrap }))
    if (!Number.isInteger(count) || count < 0) return wrongInput(field, `${count} is not a count of pieces`);
  if (total !== inPass.length)
    return wrongInput(
      'good',
      `${good} good, ${rework} rework and ${scrap} scrap make ${total}; ${inPass.length} pieces are being worked on`,
    );
  const known = new Set(inPass.map((p) => p.id));
  const named = new Set(outcomes.map((o) => o.pieceId));
  const stranger = outcomes.find((o) => !known.has(o.pieceId));
  if (stranger) return wrongInput('outcomes', `Piece ${stranger.pieceId} is not in this pass of batch ${batch.id}`);
  if (named.size !== outcomes.length) return wrongInput('outcomes', 'A piece is named twice');
  for (const kind of ['rework', 'scrap'] as const) {
    const count = outcomes.filter((o) => o.outcome === kind).length;
    if (count !== command[kind])
      return wrongInput('outcomes', `${command[kind]} ${kind} counted, ${count} named: say which piece and what is wrong`);
  }
  if (outcomes.some((o) => o.defect.trim() === '')) return wrongInput('outcomes', 'Each piece that is not good needs a defect');
  const origin = outcomes.find((o) => !context.route.operations.some((step) => step.id === o.originOperationId));
  if (origin) return wrongInput('outcomes', `The route has no step "${origin.originOperationId}"`);
  const unmeasured = (context.unmeasured ?? []).filter((id) => !named.has(id));
  if (unmeasured.length > 0)
    return refuse(`Not measured yet: ${unmeasured.join(', ')}`, {
      remedy: 'Log the measures of this step first',
    });
  if (operation.coat && batch.pass === 1 && (context.coatsLogged ?? 0) < operation.coat.coats)
    return refuse(`${context.coatsLogged ?? 0} of ${operation.coat.coats} coats logged`, {
      remedy: 'Log each coat as it is sprayed',
    });

  const finished: BatchDraft = {
    kind: 'work.finished',
    payload: { operationId: operation.id, good, rework, scrap, outcomes },
  };
  const anyLeft = livePieces(context.pieces).length - scrap > 0;
  const next = operation.next[0];
  return anyLeft && rework === 0 && operation.gate.length === 0 && next !== undefined
    ? {
        kind: 'accept',
        entries: [finished, { kind: 'batch.moved', payload: { from: operation.id, to: next, override: null } }],
      }
    : { kind: 'accept', entries: [finished] };
}

/** The findings of the gate that a batch must pass to leave its step. */
export function gateFindings(batch: Batch, operation: Operation, evidence: Evidence): Finding[] {
  return evaluateGate(operation.gate, { ...evidence, sinceMs: batch.arrivedMs });
}

function move(batch: Batch, operation: Operation, overrideReason: string | undefined, context: DecisionContext): Decision {
  if (batch.status !== 'finished' && batch.status !== 'dwelling')
    return refuse(`${operation.name} is ${batch.status}; it has to be finished before the batch moves on`);
  const to = operation.next[0];
  if (to === undefined) return refuse(`${operation.name} is the last step`);
  const findings = gateFindings(batch, operation, context.evidence);
  if (worst(findings) === 'pass')
    return {
      kind: 'accept',
      entries: [{ kind: 'batch.moved', payload: { from: operation.id, to, override: null } }],
    };
  if (overrideReason === undefined) return { kind: 'refuse', because: findings.filter((f) => f.verdict !== 'pass') };
  if (overrideReason.trim().length < 5) return wrongInput('overrideReason', 'An override needs a reason that others will understand');
  return {
    kind: 'accept',
    entries: [
      {
        kind: 'batch.moved',
        payload: { from: operation.id, to, override: { reason: overrideReason.trim(), findings } },
      },
    ],
  };
}
