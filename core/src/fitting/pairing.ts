import { assign } from '../maths/index.ts';
import { livePieces, type Batch, type Piece } from '../batches/index.ts';
import { refuse, type Decision } from '../ledger/index.ts';
import { before, operationOf, type Route } from '../routing/index.ts';

/** A neck's tenon or a body's pocket, as measured; null where nobody has. */
export interface MeasuredPiece {
  pieceId: string;
  widthMm: number | null;
}

export interface ClearanceBand {
  lowMm: number;
  targetMm: number;
  highMm: number;
}

export interface ProposedPair {
  bodyId: string;
  neckId: string;
  /** pocket − tenon; null when one of them is not measured */
  clearanceMm: number | null;
}

/** Clearance of a joint: pocket width − tenon width, mm. */
export const clearanceMm = (pocketMm: number, tenonMm: number) => Math.round((pocketMm - tenonMm) * 1000) / 1000;

/**
 * Selective assembly: among measured bodies and necks, as many pairs as possible in band, and among those the least
 * sum of squared distance to the target clearance. Pieces nobody measured are paired last, in order.
 *
 * @param bodies with pocket widths
 * @param necks with tenon widths
 */
export function proposePairs(bodies: readonly MeasuredPiece[], necks: readonly MeasuredPiece[], band: ClearanceBand): ProposedPair[] {
  const measuredBodies = bodies.filter((b) => b.widthMm !== null);
  const measuredNecks = necks.filter((n) => n.widthMm !== null);
  const cost = measuredBodies.map((b) =>
    measuredNecks.map((n) => {
      const gap = clearanceMm(b.widthMm ?? 0, n.widthMm ?? 0);
      return gap < band.lowMm || gap > band.highMm ? Infinity : (gap - band.targetMm) ** 2;
    }),
  );
  const pairs: ProposedPair[] = [];
  assign(cost).forEach((column, row) => {
    const body = measuredBodies[row];
    const neck = column >= 0 ? measuredNecks[column] : undefined;
    if (body && neck)
      pairs.push({
        bodyId: body.pieceId,
        neckId: neck.pieceId,
        clearanceMm: clearanceMm(body.widthMm ?? 0, neck.widthMm ?? 0),
      });
  });
  const unmeasuredNecks = necks.filter((n) => n.widthMm === null);
  bodies
    .filter((b) => b.widthMm === null)
    .slice(0, unmeasuredNecks.length)
    .forEach((b, i) => {
      const neck = unmeasuredNecks[i];
      if (neck) pairs.push({ bodyId: b.pieceId, neckId: neck.pieceId, clearanceMm: null });
    });
  return pairs;
}

export interface PairChoice {
  bodyId: string;
  /** null where the model has no separate neck */
  neckId: string | null;
}

/** Whether necks come to a fitting of their own, rather than with their bodies already. */
export const takesNecks = (route: Route, fittingId: string): boolean => before(route, fittingId).some((o) => o.component === 'neck');

/**
 * Judges a fitting: both batches wait at the same fitting of the same model, every piece is live and named once,
 * and a neck is there exactly when necks come to the fitting of their own.
 *
 * @returns the pairs to make, or why not
 */
export function decideFitting(
  route: Route,
  body: { batch: Batch; pieces: readonly Piece[] },
  neck: { batch: Batch; pieces: readonly Piece[] } | null,
  pairs: readonly PairChoice[],
): Decision<PairChoice> {
  if (pairs.length === 0) return refuse('Choose at least one pair', { rule: 'input', field: 'pairs' });
  const operation = operationOf(route, body.batch.operationId);
  if (operation.kind !== 'fit') return refuse(`Batch ${body.batch.id} is not at the fitting bench`);
  if (body.batch.component !== 'body') return refuse(`Batch ${body.batch.id} does not hold bodies`);
  for (const side of [body, ...(neck ? [neck] : [])])
    if (side.batch.status !== 'queued') return refuse(`Batch ${side.batch.id} is ${side.batch.status}`);
  const separateNecks = takesNecks(route, operation.id);
  if (separateNecks && !neck) return refuse('Necks come here of their own: choose a batch of necks');
  if (!separateNecks && neck) return refuse('No necks come here of their own');
  if (neck) {
    if (neck.batch.component !== 'neck') return refuse(`Batch ${neck.batch.id} does not hold necks`);
    if (neck.batch.modelId !== body.batch.modelId) return refuse(`Batch ${neck.batch.id} is of another model than batch ${body.batch.id}`);
    if (neck.batch.operationId !== body.batch.operationId) return refuse(`Batch ${neck.batch.id} is not at the fitting bench`);
  }
  const bodies = new Set(livePieces(body.pieces).map((p) => p.id));
  const necks = new Set(livePieces(neck?.pieces ?? []).map((p) => p.id));
  for (const pair of pairs) {
    if (!bodies.delete(pair.bodyId))
      return refuse(`Body ${pair.bodyId} is not free in batch ${body.batch.id}`, {
        rule: 'input',
        field: 'pairs',
      });
    if (separateNecks && (pair.neckId === null || !necks.delete(pair.neckId)))
      return refuse(`Neck ${pair.neckId ?? '(none)'} is not free in batch ${neck?.batch.id ?? '(none)'}`, {
        rule: 'input',
        field: 'pairs',
      });
    if (!separateNecks && pair.neckId !== null) return refuse('No necks come here of their own', { rule: 'input', field: 'pairs' });
  }
  return { kind: 'accept', entries: [...pairs] };
}
