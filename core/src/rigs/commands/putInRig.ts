import { suits, TOGETHER, type PieceInRig } from '../../carriers/index.ts';
import { onBatch, piecesInPass, rigStepOf, stayFor, type AtStep, type Piece } from '../../batches/index.ts';
import type { RigCarrier } from '../../factory/index.ts';
import { refuse, rowsOf, wrongInput, type Decision, type Refused } from '../../ledger/index.ts';
import { wipeFor, type Operation } from '../../routing/index.ts';
import type { RigEntry } from '../decided.ts';
import { RigCount } from '../rigCount.ts';
import { wipeObjection } from '../wiped.ts';
import { batchesIn, counted } from '../words.ts';
import { rigAsked, rigAt, type RigRequest } from './atRig.ts';

export interface PutInRigRequest extends RigRequest {
  /** which go in; as many as there is room for where nothing is said */
  pieceIds?: readonly string[];
  /** which places they take, in the order of the pieces; the first free ones where nothing is said */
  places?: readonly number[];
}

/** Puts pieces of a batch in a rig: while they wait there, or one by one as they are glued. */
export const PutInRig = onBatch('put in rig')<PutInRigRequest, RigEntry>({
  role: 'operator',
  making: ({ rigId }) => [rowsOf(RigCount, [rigId])],
  asks: (request) => [rigAsked(request)],
  decide(request, at): Decision<RigEntry> {
    const { batch, route, operation, factory, rows } = at;
    const step = rigStepOf(route, operation, batch);
    if (!step) return refuse(`${operation.name} is ${batch.status}: nothing of it goes in a rig now`);
    const rig = factory.rig(request.rigId);
    if (!rig) return wrongInput('rigId', `There is no rig ${request.rigId}`);
    if (!step.rig || !suits(rig, step.rig, batch.modelId))
      return wrongInput('rigId', `${step.name} needs a ${step.rig?.kind ?? 'rig'}; ${rig.name} is none for this model`);
    const found = rigAt(request.rigId, at);
    if (found.kind === 'refuse') return found;
    const { there } = found;
    const rule = step.gate.find((r) => r.kind === 'pressed');
    const laws = rule ? factory.lawsOf(rule) : null;
    if (!laws) return refuse(`The glue of ${step.name} is not on record`, { rule: 'glue', remedy: 'Put it on record under Setup, Glues' });
    const closed = there.find((p) => p.stay.place === null && p.stay.closedMs !== null);
    if (closed)
      return refuse(`${rig.name} is closed over ${batchesIn(there)}: nothing goes in until it is opened`, {
        rule: 'places',
        verdict: 'wait',
      });
    const chosen = choose(request, step, rig, there, at);
    if (chosen.kind === 'refuse') return chosen;
    const wipe = wipeFor(step, batch.facts);
    const going = at.pieces.filter((p) => chosen.pieceIds.includes(p.id));
    const unwiped = wipe && wipeObjection(wipe, going, at.nowMs);
    if (unwiped) return { kind: 'refuse', because: [unwiped] };
    const loads = rows.find(RigCount, rig.id)?.loads ?? 0;
    const together = rig.rig.cycle === TOGETHER;
    const [open] = there;
    const load = together && open ? Number(open.stay.loadId.slice(rig.id.length + 1)) : loads + 1;
    const pieces = chosen.pieceIds.map((pieceId, i) =>
      together ? { pieceId, place: null, load } : { pieceId, place: chosen.places[i] ?? null, load: load + i },
    );
    const payload = { rigId: rig.id, operationId: step.id, pieces, workerId: request.personId, laws, begins: !together };
    return { kind: 'accept', entries: [{ kind: 'rig.filled', payload }] };
  },
});

/** Which pieces go in, and where. */
function choose(
  { pieceIds, places }: PutInRigRequest,
  step: Operation,
  rig: RigCarrier,
  there: readonly PieceInRig[],
  { batch, operation, pieces }: AtStep,
): Refused | { kind: 'chosen'; pieceIds: readonly string[]; places: readonly number[] } {
  const outside = piecesInPass(batch, pieces).filter((p) => p.inRig === null && stayFor(p.stay, step.id) === null);
  if (outside.length === 0) return refuse(`Every piece of ${batch.id} has been in a rig for ${step.name}`);
  const all = Array.from({ length: rig.places }, (_, i) => i + 1);
  const taken = new Set(there.map((p) => p.stay.place));
  const free = rig.rig.cycle === TOGETHER ? all.slice(there.length) : all.filter((n) => !taken.has(n));
  if (free.length === 0)
    return refuse(`All ${rig.places} places of ${rig.name} are taken: ${batchesIn(there)}`, {
      rule: 'places',
      verdict: 'wait',
      remedy: 'Take out what is free first',
    });
  const going = pieceIds ?? asManyAs(free.length, outside);
  if (going.length === 0)
    return refuse(`${free.length} of ${rig.places} places of ${rig.name} are free: its next set does not fit whole`, {
      rule: 'places',
      verdict: 'wait',
    });
  if (new Set(going).size !== going.length) return wrongInput('pieceIds', 'A piece is named twice');
  const stranger = going.find((id) => !outside.some((p) => p.id === id));
  if (stranger !== undefined)
    return wrongInput(
      'pieceIds',
      `Piece ${stranger} is not one of ${batch.id} that waits for ${operation.id === step.id ? 'it' : step.name}`,
    );
  if (going.length > free.length)
    return refuse(`${free.length} of ${rig.places} places free in ${rig.name}; ${counted(going.length)} would go in`, {
      rule: 'places',
      verdict: 'wait',
    });
  if (places === undefined) return { kind: 'chosen', pieceIds: going, places: free };
  if (rig.rig.cycle === TOGETHER) return wrongInput('places', `${rig.name} is closed over all its places at once`);
  const wrong = places.find((n) => !free.includes(n));
  if (wrong !== undefined) return wrongInput('places', `Place ${wrong} of ${rig.name} is not free`);
  if (places.length !== going.length || new Set(places).size !== places.length)
    return wrongInput('places', 'Each piece takes a place of its own');
  return { kind: 'chosen', pieceIds: going, places };
}

/** As many pieces as fit, none without the others of its set. */
export function asManyAs(room: number, pieces: readonly Pick<Piece, 'id' | 'setId'>[]): string[] {
  const going: string[] = [];
  const seen = new Set<string>();
  for (const { id, setId } of pieces) {
    if (seen.has(id)) continue;
    const whole = setId === null ? [id] : pieces.filter((p) => p.setId === setId).map((p) => p.id);
    for (const one of whole) seen.add(one);
    if (going.length + whole.length <= room) going.push(...whole);
  }
  return going;
}
