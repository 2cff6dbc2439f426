import { refuse, wrongInput } from '../../ledger/index.ts';
import { aspectAsks, before } from '../../routing/index.ts';
import { Batch, livePieces, piecesIn, type Piece } from '../batch.ts';
import { benchObjection } from '../bench.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { moveAsks, moveTo, movesByItself } from '../moving.ts';
import { onBatch, type AtStep } from './onBatch.ts';

/** Joins other components to this one: a fingerboard to its neck, a top and a back to the sides. */
export const JoinParts = onBatch('join parts')<{ personId: string; guestBatchIds: readonly string[] }>({
  role: 'operator',
  others: ({ guestBatchIds }) => guestBatchIds,
  asks: (_, at) => [...moveAsks(undefined, at), ...aspectAsks('begin', at)],
  decide({ personId, guestBatchIds }, at) {
    const { batch, operation, route, rows, live } = at;
    if (operation.kind !== 'join') return refuse(`Nothing is joined at ${operation.name}`);
    if (operation.component !== batch.component)
      return refuse(`Batch ${batch.id} is joined to a ${operation.component} here; choose that batch`);
    const cannot = benchObjection(at, personId);
    if (cannot) return cannot;
    const guests: Batch[] = [];
    for (const id of guestBatchIds) {
      const guest = rows.find(Batch, id);
      if (!guest) return wrongInput('guestBatchIds', `There is no batch ${id}`);
      if (guest.modelId !== batch.modelId) return wrongInput('guestBatchIds', `Batch ${id} is of another model`);
      if (JSON.stringify(guest.facts) !== JSON.stringify(batch.facts))
        return wrongInput('guestBatchIds', `Batch ${id} is made for other options`);
      if (guest.operationId !== batch.operationId || guest.status !== 'queued')
        return wrongInput('guestBatchIds', `Batch ${id} is not waiting at ${operation.name}`);
      guests.push(guest);
    }
    if (new Set(guestBatchIds).size !== guests.length) return wrongInput('guestBatchIds', 'A batch is named twice');
    const wanted = [...new Set(before(route, operation.id).map((o) => o.component))].filter((c) => c !== operation.component);
    const joins = live.map((host) => ({ hostId: host.id, guestIds: [] as string[] }));
    for (const component of wanted) {
      const free = guests.filter((g) => g.component === component).flatMap((g) => livePieces(piecesIn(rows, g.id)));
      const given = matchGuests(live, free, operation.matchedSet === true);
      if (typeof given === 'string') return refuse(given, { rule: 'parts', remedy: 'Bring more of them, or split the batch' });
      given.forEach((guest, i) => joins[i]?.guestIds.push(guest.id));
    }
    return accept({ kind: 'parts.joined', payload: { operationId: operation.id, guestBatchIds, joins } }, ...joinedGoOn(at));
  },
});

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

function joinedGoOn(at: AtStep): BatchEntry[] {
  if (!movesByItself(at.batch, at.operation)) return [];
  const moved = moveTo(at, { again: false, override: null });
  return moved.kind === 'accept' ? moved.entries : [];
}
