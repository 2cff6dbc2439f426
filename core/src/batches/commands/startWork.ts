import type { Placement } from '../../carriers/index.ts';
import { asked, NOT_ANSWERED, refuse, wrongInput, type Answers } from '../../ledger/index.ts';
import { aspectAsks, begins, BoxesFor, onward, operationOf, OWN_WAY, waysOf } from '../../routing/index.ts';
import { accept } from '../decided.ts';
import { beginObjection, benchOf, skillObjection } from '../bench.ts';
import { placeAsks, placed } from '../places.ts';
import { onBatch } from './onBatch.ts';

/** Somebody begins work on a batch, in one of the step's ways. */
export const StartWork = onBatch('start work')<{ personId: string; wayId?: string; placements?: readonly Placement[] }>({
  role: 'operator',
  first: ({ batchId }) => [asked(BoxesFor, { batchId })],
  others: ({ batchId }, first) => boxesIn(batchId, first),
  asks: ({ placements }, at) => [...placeAsks(placements, at), ...aspectAsks('begin', at)],
  decide({ personId, wayId = OWN_WAY, placements }, at) {
    const { batch, operation, route, live } = at;
    if (operation.kind !== 'work') return refuse(`${operation.name} is not work to start`);
    if (batch.status !== 'queued') return refuse(`${operation.name} is already ${batch.status}`);
    const way = waysOf(operation).find((w) => w.id === wayId);
    if (!way) return wrongInput('wayId', `${operation.name} is not done that way`);
    const bench = benchOf(at, undefined, boxesIn(batch.id, at.answers));
    const objection = skillObjection(way, personId, at) ?? beginObjection(bench);
    if (objection) return objection;
    // What may not wait goes straight into the next step's place, which must be free now.
    const into = operation.noWait ? operationOf(route, onward(route, operation) ?? '') : operation;
    const placing = placed(at, { need: into.place, where: into.name, told: placements, quantity: live.length });
    if (placing.kind === 'refuse') return placing;
    const taken = begins(bench);
    if (!Array.isArray(taken)) return taken;
    const payload = { operationId: operation.id, workerId: personId, ...(wayId === OWN_WAY ? {} : { wayId }) };
    return accept(...taken, ...placing.entries, { kind: 'work.started', payload });
  },
});

/** The boxes that a batch's step could draw from, as far as anybody could say. */
function boxesIn(batchId: string, answers: Answers): readonly string[] {
  const boxes = answers.to(BoxesFor, { batchId });
  return boxes === NOT_ANSWERED ? [] : boxes;
}
