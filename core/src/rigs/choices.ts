import { rigStepOf, stayFor, piecesInPass, type AtStep, type SeenAtStep } from '../batches/index.ts';
import { InRig, suits, TOGETHER, type RigCycle } from '../carriers/index.ts';
import { asked, NOT_ANSWERED, type Asked } from '../ledger/index.ts';
import { wipeFor } from '../routing/index.ts';
import { pressedIn, warmthAsked } from './commands/atRig.ts';
import { closeBy } from './openTime.ts';
import { wipeStanding, type WipeStanding } from './wiped.ts';

/** A rig that a batch may be pressed in, and how it stands with it. */
export interface RigChoice {
  rigId: string;
  name: string;
  cycle: RigCycle;
  places: number;
  /** places that something can go in now; none while it is closed over all */
  free: number;
  isClosed: boolean;
  /** of this batch in it, and of these what may come out now */
  own: number;
  ownOver: number;
  /** when the next of it may; null where nothing of it is under pressure or nobody can say */
  nextMs: number | null;
  /** by when it must be closed, before the glue in it skins over; null where it is closed, or nobody says */
  closeByMs: number | null;
  /** others that are in it */
  others: readonly { batchId: string; pieces: number }[];
}

/** What may be done with a batch at rigs now. */
export interface RigsFor {
  /** the step it is pressed for */
  stepName: string;
  /** pieces that are in none yet */
  outside: number;
  /** how the wipe of their faces stands; null where they need none */
  wipe: WipeStanding | null;
  rigs: readonly RigChoice[];
}

/** What must be known to say it. */
export function rigAsks(at: SeenAtStep): Asked[] {
  const step = rigStepOf(at.route, at.operation, at.batch);
  const { rig } = step ?? {};
  if (!rig) return [];
  return [warmthAsked(at), ...at.factory.rigs.filter((r) => suits(r, rig, at.batch.modelId)).map(({ id }) => asked(InRig, { rigId: id }))];
}

/** The rigs of a batch's step; null where it is not pressed now. A rig of which nobody could say what is in it is left out. */
export function rigsFor(at: AtStep): RigsFor | null {
  const { batch, factory, answers } = at;
  const step = rigStepOf(at.route, at.operation, batch);
  const { rig: need } = step ?? {};
  if (!step || !need) return null;
  const rigs = factory.rigs.flatMap((rig): RigChoice[] => {
    if (!suits(rig, need, batch.modelId)) return [];
    const there = answers.to(InRig, { rigId: rig.id });
    if (there === NOT_ANSWERED) return [];
    const isClosed = rig.rig.cycle === TOGETHER && there.some((p) => p.stay.closedMs !== null);
    const own = there.filter((p) => p.batchId === batch.id);
    const pressed = own.flatMap((p) => pressedIn(p, at) ?? []);
    const coming = pressed.flatMap((p) => (p.isOver || p.freeMs === null ? [] : [p.freeMs]));
    const counts = new Map<string, number>();
    for (const { batchId } of there) if (batchId !== batch.id) counts.set(batchId, (counts.get(batchId) ?? 0) + 1);
    return [
      {
        rigId: rig.id,
        name: rig.name,
        cycle: rig.rig.cycle,
        places: rig.places,
        free: isClosed ? 0 : rig.places - there.length,
        isClosed,
        own: own.length,
        ownOver: pressed.filter((p) => p.isOver).length,
        nextMs: coming.length === 0 ? null : Math.min(...coming),
        closeByMs: closeBy(there),
        others: [...counts].map(([batchId, pieces]) => ({ batchId, pieces })),
      },
    ];
  });
  const outside = piecesInPass(batch, at.pieces).filter((p) => p.inRig === null && stayFor(p.stay, step.id) === null);
  const wipe = wipeFor(step, batch.facts);
  return {
    stepName: step.name,
    outside: outside.length,
    wipe: wipe && outside.length > 0 ? wipeStanding(wipe, outside, at.nowMs) : null,
    rigs,
  };
}
