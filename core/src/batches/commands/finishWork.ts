import { mayActAs, refuse, wrongInput, type Asked, type Decision } from '../../ledger/index.ts';
import { aspectAsks, COATS_RULE, mayFinish, MEASURE_RULE } from '../../routing/index.ts';
import { piecesInPass } from '../batch.ts';
import { benchOf } from '../bench.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { goesOn, moveAsks, placesWithout } from '../moving.ts';
import { countsObjection, type Counts } from '../pieces.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { SHEET_RULE, sheetGiven, type SheetSaid } from '../sheet.ts';
import { onBatch, OVERRIDE_ROLE, type AtStep, type SeenAtStep } from './onBatch.ts';

/** What comes of a pass, what its sheet asks for, and why measures out of band, or coats that are missing, are accepted as they are. */
type Finishing = Counts & { acceptReason?: string; sheet?: SheetSaid };

const ACCEPT_REASON_LENGTH = 5;
/** What a lead may accept with a reason. What nobody could say is nothing to accept. */
const ACCEPTABLE: readonly string[] = [MEASURE_RULE, COATS_RULE, SHEET_RULE];

/** The work of a pass is done, and counted. */
export const FinishWork = onBatch('finish work')<Finishing>({
  role: 'operator',
  objection: ({ acceptReason }, by) =>
    acceptReason !== undefined && !mayActAs(by.role, OVERRIDE_ROLE)
      ? `What a step asks for and has not got is accepted by a ${OVERRIDE_ROLE} or above; you are ${by.role}.`
      : null,
  asks: finishAsks,
  decide: (counts, at) =>
    at.batch.status === 'running' ? finish(counts, at) : refuse(`${at.operation.name} is not running; start it first`),
});

/** A batch comes back from another house or building, and is counted. */
export const ReceiveBatch = onBatch('receive batch')<Counts & { sheet?: SheetSaid }>({
  role: 'operator',
  asks: finishAsks,
  decide: (counts, at) => (at.batch.status === 'away' ? finish(counts, at) : refuse(`Batch ${at.batch.id} is not away`)),
});

/** Whether what must be done again leaves the batch, since the rest does not wait for it. */
const goesAlone = ({ good, rework }: Counts, { operation }: SeenAtStep): boolean =>
  operation.reworkAlone === true && rework > 0 && good > 0;

function finishAsks(counts: Counts, at: SeenAtStep): Asked[] {
  return [...(goesAlone(counts, at) ? [BATCH_NUMBER] : []), ...moveAsks(undefined, at), ...aspectAsks('finish', at)];
}

function finish(counts: Finishing, at: AtStep): Decision<BatchEntry> {
  const { good, rework, scrap, outcomes, acceptReason, sheet } = counts;
  const { batch, operation, pieces, live } = at;
  const inPass = piecesInPass(batch, pieces);
  const wrong = countsObjection(batch, inPass, counts, at);
  if (wrong) return wrong;
  // Of what was spoilt nobody can vouch for how it went.
  const back = sheetGiven(good === 0 ? undefined : operation.sheet, good === 0 ? undefined : sheet);
  if (back.kind === 'refuse') return back;
  const named = new Set(outcomes.map((o) => o.pieceId));
  const goodIds = inPass.flatMap((p) => (named.has(p.id) ? [] : [p.id]));
  const because = [...back.findings, ...mayFinish(benchOf(at, goodIds))];
  const off = because.filter((f) => ACCEPTABLE.includes(f.rule));
  if (because.length > off.length || (off.length > 0 && acceptReason === undefined)) return { kind: 'refuse', because };
  const reason = acceptReason?.trim() ?? '';
  if (off.length > 0 && reason.length < ACCEPT_REASON_LENGTH)
    return wrongInput('acceptReason', 'Say why they are accepted, so that others will understand');
  const isAlone = goesAlone(counts, at);
  const reworkNumber = isAlone ? numberIn(at.answers) : null;
  if (isAlone && reworkNumber === null) return NO_NUMBER;
  const payload = {
    operationId: operation.id,
    good,
    rework,
    scrap,
    outcomes,
    ...(batch.redo ? { redo: true } : {}),
    ...(reworkNumber === null ? {} : { reworkNumber }),
    ...(back.given === null ? {} : { sheet: back.given }),
    ...(off.length === 0 ? {} : { override: { reason, findings: off } }),
  };
  // What is scrapped, or goes back alone, leaves its place.
  const gone = scrap + (isAlone ? rework : 0);
  const left = live.length - gone;
  const finished: BatchEntry = { kind: 'work.finished', payload };
  return left === 0 || (rework > 0 && !isAlone) ? accept(finished) : accept(finished, ...goesOn(at, left, placesWithout(at, gone)));
}
