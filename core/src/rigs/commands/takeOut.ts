import { pressedInWords, type PieceInRig } from '../../carriers/index.ts';
import {
  BATCH_NUMBER,
  gateAsks,
  gateEvidence,
  gateFindings,
  moveAsks,
  moveTo,
  numberIn,
  onBatch,
  OVERRIDE_ROLE,
  stayFor,
  type AtStep,
  type OnBatch,
} from '../../batches/index.ts';
import { mayActAs, refuse, rowsOf, worst, wrongInput, type Decision, type Finding, type Refused } from '../../ledger/index.ts';
import { roundOrOn } from '../../routing/index.ts';
import type { RigEntry } from '../decided.ts';
import { RigCount } from '../rigCount.ts';
import { newcomersIn, nothingIn, othersTogether, overrideOf, pressedIn, rigAsked, rigAt, warmthAsked, type RigRequest } from './atRig.ts';

export interface TakeOutRequest extends RigRequest {
  /** which come out; all that are free where nothing is said, and all of it where it is closed over all */
  pieceIds?: readonly string[];
  /** it was no pressing, and they go in again */
  back?: boolean;
  /** what is out goes on without those that were in no rig yet: they follow as a batch of their own */
  ahead?: boolean;
  overrideReason?: string;
}

/** Takes pieces of a batch out of a rig; once all of it is out it goes on by itself. */
export const TakeOut = onBatch('take out of rig')<TakeOutRequest, RigEntry>({
  role: 'operator',
  whileHeld: true,
  objection: ({ overrideReason }, by) =>
    overrideReason !== undefined && !mayActAs(by.role, OVERRIDE_ROLE)
      ? `What is under pressure is taken out early by a ${OVERRIDE_ROLE} or above; you are ${by.role}.`
      : null,
  first: (request) => [rigAsked(request)],
  others: othersTogether,
  making: ({ rigId }) => [rowsOf(RigCount, [rigId])],
  asks: (request, at) => [
    rigAsked(request),
    warmthAsked(at),
    ...(request.ahead === true ? [BATCH_NUMBER] : []),
    ...gateAsks(at.batch, at.operation, at.factory, at.nowMs),
    ...moveAsks(undefined, at),
  ],
  decide(request, at): Decision<RigEntry> {
    const { back = false, personId } = request;
    const nothing = nothingIn(request.rigId, at);
    if (nothing) return nothing;
    const found = rigAt(request.rigId, at);
    if (found.kind === 'refuse') return found;
    const { rig, there } = found;
    const own = there.filter((p) => p.batchId === at.batch.id);
    const chosen = chooseOut(request, own, at);
    if (chosen.kind === 'refuse') return chosen;
    const opens = !back && chosen.pieces.some((p) => p.stay.place === null);
    const coming = opens ? there : chosen.pieces;
    const more = newcomersIn(coming, at);
    if (more) return more;
    const early = back ? [] : tooEarly(coming, rig.name, at);
    const override = overrideOf(request, early);
    if (override !== null && 'because' in override) return override;
    const emptied = [...new Set(coming.map((p) => p.batchId))].map((batchId): RigEntry => {
      const pieces = coming.filter((p) => p.batchId === batchId);
      const operationId = pieces[0]?.stay.operationId ?? at.operation.id;
      return {
        kind: 'rig.emptied',
        batchId,
        payload: { rigId: rig.id, operationId, pieceIds: pieces.map((p) => p.pieceId), workerId: personId, back, override },
      };
    });
    if (back) return { kind: 'accept', entries: emptied };
    const on = goesOnOut(request, chosen.pieces, at);
    return on.kind === 'refuse' ? on : { kind: 'accept', entries: [...emptied, ...on.entries] };
  },
});

/** Which of a batch's pieces come out. */
function chooseOut(
  { pieceIds, back = false, overrideReason }: OnBatch<TakeOutRequest>,
  own: readonly PieceInRig[],
  at: AtStep,
): Refused | { kind: 'chosen'; pieces: readonly PieceInRig[] } {
  const isOpen = own.some((p) => p.stay.closedMs === null);
  if (isOpen && !back) return refuse('It was not closed: put them back, or close it first', { rule: 'pressed' });
  const together = own.some((p) => p.stay.place === null);
  if (together && !isOpen && back) return refuse('What is closed over all is opened for all, early with a reason', { rule: 'pressed' });
  if (pieceIds === undefined) {
    if (together || back || overrideReason !== undefined) return { kind: 'chosen', pieces: own };
    const free = own.filter((p) => pressedIn(p, at)?.isOver);
    // All of it, so that what stands against it is told.
    return { kind: 'chosen', pieces: free.length > 0 ? free : own };
  }
  if (together && !isOpen) return wrongInput('pieceIds', 'What is closed over all comes out together');
  const stranger = pieceIds.find((id) => !own.some((p) => p.pieceId === id));
  if (stranger !== undefined) return wrongInput('pieceIds', `Piece ${stranger} of ${at.batch.id} is not in it`);
  if (pieceIds.length === 0) return wrongInput('pieceIds', 'Choose at least one piece');
  return { kind: 'chosen', pieces: own.filter((p) => pieceIds.includes(p.pieceId)) };
}

/** What of that is not free yet, the last of it first. */
function tooEarly(coming: readonly PieceInRig[], rigName: string, at: AtStep): Finding[] {
  const left = coming.flatMap((p) => {
    const pressed = pressedIn(p, at);
    return pressed === null || pressed.isOver ? [] : [pressed];
  });
  const [latest] = [...left].sort((a, b) => (b.freeMs ?? Infinity) - (a.freeMs ?? Infinity));
  if (!latest) return [];
  const { servedMinutes, neededMinutes, freeMs } = latest;
  const many = left.length === coming.length ? '' : `${left.length} of ${coming.length}: `;
  return [
    {
      rule: 'pressed',
      verdict: 'wait',
      sentence: `${many}in ${rigName} for ${pressedInWords(latest)}`,
      done: servedMinutes / neededMinutes,
      ...(freeMs === null ? {} : { untilMs: freeMs, sure: 'forecast' as const }),
    },
  ];
}

/** What follows: all of it is out and goes on, or what is out goes ahead of the rest. */
function goesOnOut(
  { ahead = false }: TakeOutRequest,
  coming: readonly PieceInRig[],
  at: AtStep,
): Refused | { kind: 'on'; entries: RigEntry[] } {
  const { batch, operation, live } = at;
  const stays: { kind: 'on'; entries: RigEntry[] } = { kind: 'on', entries: [] };
  if (batch.status !== 'dwelling') return stays;
  const isOut = (id: string) => coming.some((p) => p.pieceId === id);
  const rest = live.filter((p) => !isOut(p.id) && (stayFor(p.stay, operation.id) === null || p.inRig !== null));
  if (rest.length > 0 && !ahead) return stays;
  const findings = gateFindings(batch, operation, gateEvidence(batch, at.factory, at.nowMs, at.answers)).filter(
    (f) => f.rule !== 'pressed',
  );
  if (worst(findings) !== 'pass') return stays;
  const way = roundOrOn(operation, batch.rounds, undefined);
  if (way.kind === 'refuse') return stays;
  const parted = part(rest, at);
  if (parted.kind === 'refuse') return parted;
  const moved = moveTo(at, { again: way.again, override: null, quantity: live.length - rest.length });
  return moved.kind === 'refuse' ? stays : { kind: 'on', entries: [...parted.entries, ...moved.entries] };
}

/** What stays behind is a batch of its own from now on; whole sets, and only what was in no rig yet. */
function part(rest: AtStep['live'], { live, answers }: AtStep): Refused | { kind: 'on'; entries: RigEntry[] } {
  if (rest.length === 0) return { kind: 'on', entries: [] };
  if (rest.some((p) => p.inRig !== null)) return wrongInput('ahead', 'Others of it are in a rig: wait for them');
  const behind = new Set(rest.map((p) => p.id));
  const torn = live.find((p) => p.setId !== null && !behind.has(p.id) && rest.some((other) => other.setId === p.setId));
  if (torn) return wrongInput('ahead', `Set ${torn.setId ?? ''} would be parted: it stays together`);
  const number = numberIn(answers);
  if (number === null) return refuse('No batch number is free');
  return { kind: 'on', entries: [{ kind: 'batch.split', payload: { number, pieceIds: [...behind] } }] };
}
