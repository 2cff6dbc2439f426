import { refuse, type Refused } from '../ledger/index.ts';
import { mayBegin, OWN_WAY, type AspectBench, type Way } from '../routing/index.ts';
import { Batch } from './batch.ts';
import type { AtStep } from './commands/onBatch.ts';

/** A batch at its bench, as the aspects of its step look at it. */
export const benchOf = (
  at: AtStep,
  pieceIds: readonly string[] = at.live.map((p) => p.id),
  boxIds: readonly string[] = [],
  wayId: string = OWN_WAY,
): AspectBench => ({
  batch: at.batch,
  operation: at.operation,
  options: at.options,
  wayId,
  pieceIds,
  factory: at.factory,
  answers: at.answers,
  boxes: boxIds.map((id) => at.rows.get(Batch, id)),
});

/** Whether a person may do a step in a way; what speaks against it if not. */
export function skillObjection(way: Pick<Way, 'skill' | 'skillLevel'>, personId: string, { factory, nowMs }: AtStep): Refused | undefined {
  const { skill, skillLevel = 1 } = way;
  if (skill === undefined || factory.holdsSkill(personId, skill, skillLevel, nowMs)) return undefined;
  return refuse(`This person is not signed off for ${skill}${skillLevel > 1 ? ` at level ${skillLevel}` : ''}`, {
    rule: 'skill',
    field: 'personId',
  });
}

/** What speaks against beginning a step, as far as its aspects say. */
export function beginObjection(bench: AspectBench): Refused | undefined {
  const because = mayBegin(bench);
  return because.length > 0 ? { kind: 'refuse', because } : undefined;
}

/** What speaks against one person's doing an act of a moment on a batch that waits. */
export function benchObjection(at: AtStep, personId: string): Refused | undefined {
  const { batch, operation } = at;
  if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}`);
  return beginObjection(benchOf(at)) ?? skillObjection(operation, personId, at);
}
