import { KitsFor, KitStock, takenFor, type KitTaken } from '../../assembly/index.ts';
import type { Placement } from '../../carriers/index.ts';
import { asked, NOT_ANSWERED, refuse, rowsOf, wrongInput, type Answers, type Decision, type Refused } from '../../ledger/index.ts';
import {
  aspectAsks,
  begins,
  BoxesFor,
  onward,
  operationOf,
  OWN_WAY,
  programsIn,
  waysOf,
  type JobSetting,
  type Operation,
} from '../../routing/index.ts';
import { Batch, idsInOrder, piecesInPass } from '../batch.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { beginObjection, benchOf, skillObjection } from '../bench.ts';
import { benchAsks, freeBench } from '../benchPlaces.ts';
import { kitIdsIn, kitsAsked, kitsIn } from '../kits.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { placeAsks, placed } from '../places.ts';
import { benchFrom, Machine } from '../run.ts';
import { noted, strangeSetting, type SettingSaid } from '../settings.ts';
import { machineAsks, runFor, type StartCheck } from '../startCheck.ts';
import { fullObjection, waitAsks } from '../waiting.ts';
import { AtStep, onBatch, SeenAtStep, type OnBatch } from './onBatch.ts';

export interface StartWorkRequest {
  personId: string;
  wayId?: string;
  placements?: readonly Placement[];
  /** batches at the same station that go into the same job: one load of a press, a table, a rack */
  withBatchIds?: readonly string[];
  /** how many of its pieces are begun, where not all are: the rest waits as a batch of its own */
  quantity?: number;
  /** what the steps ask to be noted of how it is done */
  settings?: readonly SettingSaid[];
  /** what was looked at on the machine that runs it */
  check?: StartCheck;
}

/** Whether batches may go into one job at a step: not where each takes places or parts, which are not counted yet for the next. */
export const mayShareJob = ({ kind, place, noWait, draws, needs }: Operation): boolean =>
  kind === 'work' && place === undefined && noWait !== true && draws === undefined && !needs?.some((need) => need.kind === 'kit');

/** Somebody begins work on a batch, in one of the step's ways, or on a load of several. */
export const StartWork = onBatch('start work')<StartWorkRequest>({
  role: 'operator',
  first: (request) => [asked(BoxesFor, { batchId: request.batchId }), ...partakers(request).map((batchId) => kitsAsked({ batchId }))],
  others: ({ batchId, withBatchIds = [] }, first) => [...withBatchIds, ...boxesIn(batchId, first)],
  stock: (request, first) => partakers(request).flatMap((batchId) => kitsIn(batchId, first)),
  making: ({ check }) => (check ? [rowsOf(Machine, [check.machineId])] : []),
  asks: ({ batchId, wayId = OWN_WAY, placements, withBatchIds = [], quantity }, at) => [
    ...(quantity === undefined ? [] : [BATCH_NUMBER]),
    ...waysOf(at.operation).flatMap((way) => (way.id === wayId ? benchAsks(way.stationCode) : [])),
    ...(wayId === OWN_WAY && programsIn(at.operation.needs).length > 0 ? machineAsks(at.operation.stationCode) : []),
    ...placeAsks(placements, at),
    ...(at.operation.noWait ? waitAsks(at) : []),
    ...[batchId, ...withBatchIds].filter((id) => at.rows.find(Batch, id)).flatMap((id) => aspectAsks('begin', new SeenAtStep(id, at))),
  ],
  decide(request, at) {
    const { withBatchIds = [], settings = [], quantity } = request;
    if (quantity !== undefined && withBatchIds.length > 0)
      return wrongInput('quantity', 'What goes in one load with others goes whole: split it first');
    const strange = settings.length > 0 ? strangeSetting(askedFor([at.batch.id, ...withBatchIds], at), settings) : undefined;
    if (strange) return strange;
    const own = begin(request, at);
    if (own.kind === 'refuse' || withBatchIds.length === 0) return own;
    if (new Set([at.batch.id, ...withBatchIds]).size !== withBatchIds.length + 1)
      return wrongInput('withBatchIds', 'A batch is named twice');
    const entries = [...own.entries];
    for (const id of withBatchIds) {
      if (!at.rows.find(Batch, id)) return wrongInput('withBatchIds', `Nothing is known here of batch ${id}`);
      const other = new AtStep(id, at);
      const { batch, operation } = other;
      if (batch.stationCode !== at.batch.stationCode) return wrongInput('withBatchIds', `Batch ${id} is at another station`);
      if (batch.sinceMs > at.nowMs) return refuse(`Batch ${id} has been changed since then`, { field: 'atMs' });
      if (batch.status === 'held') return wrongInput('withBatchIds', `Batch ${id} is held: ${batch.holdReason ?? ''}`);
      if (!mayShareJob(operation))
        return wrongInput('withBatchIds', `${operation.name} takes places or parts of its own for each batch: begin ${id} by itself`);
      const joined = begin({ ...request, placements: undefined, withBatchId: at.batch.id }, other);
      if (joined.kind === 'refuse') return joined;
      if (programOf(joined.entries) !== programOf(own.entries))
        return wrongInput('withBatchIds', `Batch ${id} runs another program: begin it by itself`);
      entries.push(...joined.entries.map((entry) => ({ batchId: id, ...entry })));
    }
    return accept(...entries);
  },
});

/** The program that a beginning runs; undefined where it runs none. */
const programOf = (entries: readonly BatchEntry[]): string | undefined =>
  entries.flatMap((entry) => (entry.kind === 'work.started' ? (entry.payload.run?.programId ?? []) : []))[0];

const partakers = ({ batchId, withBatchIds = [] }: OnBatch<StartWorkRequest>) => [batchId, ...withBatchIds];

type Beginning = Pick<StartWorkRequest, 'personId' | 'wayId' | 'settings' | 'quantity' | 'check'> & {
  placements?: readonly Placement[] | undefined;
  withBatchId?: string;
};

/** What the steps of batches ask to be noted. */
const askedFor = (batchIds: readonly string[], at: AtStep): JobSetting[] =>
  batchIds.flatMap((id) => (at.rows.find(Batch, id) ? (new AtStep(id, at).operation.settings ?? []) : []));

/** What beginning on one batch writes. */
function begin(
  { personId, wayId = OWN_WAY, placements, withBatchId, quantity, settings = [], check }: Beginning,
  at: AtStep,
): Decision<BatchEntry> {
  const { batch, operation, route, live, factory } = at;
  if (operation.kind !== 'work') return refuse(`${operation.name} is not work to start`);
  if (batch.status !== 'queued') return refuse(`${operation.name} is already ${batch.status}`);
  const way = waysOf(operation).find((w) => w.id === wayId);
  if (!way) return wrongInput('wayId', `${operation.name} is not done that way`);
  const parted = partOff(quantity, at);
  if (parted.kind === 'refuse') return parted;
  const { pieceIds } = parted;
  const bench = benchOf(at, pieceIds, boxesIn(batch.id, at.answers), wayId);
  const objection = skillObjection(way, personId, at) ?? beginObjection(bench);
  if (objection) return objection;
  // Of what came back only that goes on the machine.
  const running = runFor(wayId, batch.redo ? piecesInPass(batch, at.pieces).length : pieceIds.length, check, at);
  if (running.kind === 'refuse') return running;
  const wanted = check ? benchFrom(way.stationCode, check.machineId) : null;
  const own = withBatchId === undefined ? freeBench(way.stationCode, factory, at.answers, wanted) : undefined;
  if (own?.kind === 'refuse') return own;
  // What may not wait goes straight into the next step's place, which must be free now.
  const into = operation.noWait ? operationOf(route, onward(route, operation) ?? '') : operation;
  const full = operation.noWait ? fullObjection(into, { batchId: batch.id, pieces: live.length }, factory, at.answers) : undefined;
  if (full) return full;
  const placing = placed(at, { need: into.place, where: into.name, told: placements, quantity: live.length });
  if (placing.kind === 'refuse') return placing;
  const how = noted(operation.settings ?? [], settings);
  if ('because' in how) return how;
  const taken = begins(bench);
  if (!Array.isArray(taken)) return taken;
  const kits = kitsTaken(pieceIds.length, at);
  if ('because' in kits) return kits;
  const payload = {
    operationId: operation.id,
    workerId: personId,
    ...(wayId === OWN_WAY ? {} : { wayId }),
    ...(withBatchId === undefined ? {} : { withBatchId }),
    ...(own ? { bench: own.bench } : {}),
    ...(how.length > 0 ? { settings: how } : {}),
    ...(kits.length > 0 ? { kits } : {}),
    ...(running.run ? { run: running.run } : {}),
    ...(running.run && check ? { ticks: check.ticks } : {}),
  };
  return accept(...parted.entries, ...taken, ...placing.entries, { kind: 'work.started', payload });
}

/** The pieces that are begun, and how the rest parts from them. */
function partOff(
  quantity: number | undefined,
  at: AtStep,
): Refused | { kind: 'parted'; pieceIds: readonly string[]; entries: BatchEntry[] } {
  const { batch, operation, live, answers } = at;
  const all = idsInOrder(live);
  if (quantity === undefined || quantity === all.length) return { kind: 'parted', pieceIds: all, entries: [] };
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > all.length)
    return wrongInput('quantity', `Batch ${batch.id} has ${all.length} pieces to begin`);
  if (batch.redo) return wrongInput('quantity', 'What came back is done together');
  if (operation.place !== undefined || operation.noWait === true)
    return wrongInput('quantity', `${operation.name} takes places for all of it: split it first`);
  const number = numberIn(answers);
  if (number === null) return NO_NUMBER;
  return {
    kind: 'parted',
    pieceIds: all.slice(0, quantity),
    entries: [{ kind: 'batch.split', payload: { number, pieceIds: all.slice(quantity) } }],
  };
}

/** The sets that beginning takes; what came back has its own already. */
function kitsTaken(pieces: number, { batch, operation, rows, answers }: AtStep): Refused | readonly KitTaken[] {
  if (batch.redo || !operation.needs?.some((need) => need.kind === 'kit')) return [];
  if (answers.to(KitsFor, { batchId: batch.id }) === NOT_ANSWERED)
    return refuse('Nobody could say how many kits are here', { rule: 'parts' });
  return takenFor(
    pieces,
    kitIdsIn(batch.id, answers).map((id) => rows.get(KitStock, id)),
  );
}

/** The boxes that a batch's step could draw from, as far as anybody could say. */
function boxesIn(batchId: string, answers: Answers): readonly string[] {
  const boxes = answers.to(BoxesFor, { batchId });
  return boxes === NOT_ANSWERED ? [] : boxes;
}
