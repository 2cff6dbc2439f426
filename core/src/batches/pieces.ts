import { wrongInput, type Refused } from '../ledger/index.ts';
import type { Factory } from '../factory/index.ts';
import type { Route } from '../routing/index.ts';
import type { Batch, Piece } from './batch.ts';
import type { PieceOutcome } from './outcome.ts';

/** How much of a pass came out good, and what became of the rest. */
export interface Counts {
  good: number;
  rework: number;
  scrap: number;
  outcomes: readonly PieceOutcome[];
}

/** What is wrong with the counts of finished work; undefined when they add up. */
export function countsObjection(batch: Batch, inPass: readonly Piece[], counts: Counts, at: OnItsRoute): Refused | undefined {
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
  return defectObjection(outcomes, at, 'outcomes');
}

/** A route as a batch goes through it, in a factory. */
export interface OnItsRoute {
  route: Route;
  factory: Pick<Factory, 'knowsDefect'>;
}

/** Each defect is one of the register and comes from a step of the route. */
export function defectObjection(
  pieces: readonly { defect: string; originOperationId: string }[],
  { route, factory }: OnItsRoute,
  field: string,
): Refused | undefined {
  if (pieces.some((o) => o.defect.trim() === '')) return wrongInput(field, 'Each piece that is not good needs a defect');
  const unknown = pieces.find((o) => !factory.knowsDefect(o.defect));
  if (unknown) return wrongInput(field, `"${unknown.defect}" is not in the register of defects: Setup, Defects`);
  const origin = pieces.find((o) => !route.operations.some((step) => step.id === o.originOperationId));
  return origin ? wrongInput(field, `The route has no step "${origin.originOperationId}"`) : undefined;
}

/** Pieces found wrong: each named once, in the batch, with its defect. */
export function namedObjection(
  pieces: readonly { pieceId: string; defect: string; originOperationId: string }[],
  at: { batch: Batch; live: readonly Piece[] } & OnItsRoute,
): Refused | undefined {
  if (pieces.length === 0) return wrongInput('pieces', 'Name at least one piece');
  if (new Set(pieces.map((p) => p.pieceId)).size !== pieces.length) return wrongInput('pieces', 'A piece is named twice');
  const stranger = pieces.find((p) => !at.live.some((l) => l.id === p.pieceId));
  return stranger
    ? wrongInput('pieces', `Piece ${stranger.pieceId} is not in batch ${at.batch.id}`)
    : defectObjection(pieces, at, 'pieces');
}

/** Some of the pieces of a batch, but not all: each named once and in it. */
export function choiceObjection(pieceIds: readonly string[], among: ReadonlySet<string>, batch: Batch): Refused | undefined {
  if (pieceIds.length === 0) return wrongInput('pieceIds', 'Choose at least one piece');
  if (new Set(pieceIds).size !== pieceIds.length) return wrongInput('pieceIds', 'A piece is named twice');
  const stranger = pieceIds.find((id) => !among.has(id));
  if (stranger !== undefined) return wrongInput('pieceIds', `Piece ${stranger} is not free in batch ${batch.id}`);
  return pieceIds.length === among.size ? wrongInput('pieceIds', 'That is all of it: nothing would stay behind') : undefined;
}
