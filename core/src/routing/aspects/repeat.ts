import { refuse, type Finding, type Refused } from '../../ledger/index.ts';
import { pathFrom, type RouteOf } from '../graph.ts';
import type { Step } from '../step.ts';
import type { AspectKind } from './aspect.ts';

/** A stretch of steps done more than once: after this step the batch goes back, until it has been round often enough. */
export type Repeat =
  | { kind: 'count'; backTo: string; times: number; timesByOption?: { option: string; times: Readonly<Record<string, number>> } }
  | { kind: 'until accepted'; backTo: string; maximum: number; expected: number };

type LoopStep = Step & { repeat?: Repeat };

const ONCE: ReadonlySet<Step['kind']> = new Set(['fit', 'join', 'part', 'refit', 'buffer']);

export const repeat: AspectKind<'repeat', Repeat, never, LoopStep> = {
  key: 'repeat',
  name: 'rounds',
  words(loop, { operations }) {
    if (!loop) return 'once';
    const back = `from ${operations.find((o) => o.id === loop.backTo)?.name ?? loop.backTo}`;
    if (loop.kind === 'until accepted') return `until accepted, ${loop.maximum} at most, ${back}`;
    return loop.timesByOption ? `by option, ${back}` : `${loop.times}, ${back}`;
  },
  marks(loop) {
    if (loop.kind === 'until accepted') return [`until accepted, ${loop.maximum} rounds at most`];
    return [loop.timesByOption ? 'rounds by option' : `${loop.times} rounds`];
  },
  check(loop, { name }, { operations, options = [] }) {
    const problems: string[] = [];
    if (!operations.some((o) => o.id === loop.backTo)) problems.push(`"${name}" goes back to "${loop.backTo}", which does not exist`);
    if (loop.kind === 'until accepted') {
      if (!(loop.maximum >= 1 && Number.isFinite(loop.maximum)))
        problems.push(`The loop at "${name}" has no exit: say how often it may go round at most`);
      if (loop.expected > loop.maximum) problems.push(`The loop at "${name}" is expected to go round more often than it may`);
      return problems;
    }
    const { times, timesByOption } = loop;
    if ([times, ...Object.values(timesByOption?.times ?? {})].some((n) => !Number.isInteger(n) || n < 0))
      problems.push(`The loop at "${name}" has no exit: rounds are counted in whole numbers`);
    if (timesByOption && !options.some((o) => o.id === timesByOption.option))
      problems.push(`"${name}" asks for the option "${timesByOption.option}", which the route does not have`);
    return problems;
  },
  checkPath(_, last, route) {
    const steps = stepsOfLoop(route, last);
    if (steps.length === 0) return [`"${last.name}" goes back to a step that does not lead to it`];
    const merge = steps.find((o) => ONCE.has(o.kind));
    const inner = steps.find((o) => o.id !== last.id && o.repeat);
    return [
      ...(merge ? [`The loop at "${last.name}" runs over "${merge.name}", which happens once`] : []),
      ...(inner ? [`The loop at "${last.name}" contains the loop at "${inner.name}"`] : []),
    ];
  },
};

/** Rounds done of each loop, by the step it ends at. */
type Rounds = Readonly<Record<string, number>>;

/** Which round of its loop is being ended. */
export const roundAt = (operation: LoopStep, rounds: Rounds): number => (rounds[operation.id] ?? 0) + 1;

/** Whether a loop sends a batch round again. */
export function roundOrOn(operation: LoopStep, rounds: Rounds, accepted: boolean | undefined): { kind: 'on'; again: boolean } | Refused {
  const loop = operation.repeat;
  if (!loop) return { kind: 'on', again: false };
  const done = roundAt(operation, rounds);
  if (loop.kind === 'count') return { kind: 'on', again: done < loop.times };
  if (accepted === undefined)
    return refuse(`Round ${done} of ${operation.name}: is it accepted, or does it go round again?`, { rule: 'signOff', field: 'accepted' });
  return { kind: 'on', again: !accepted };
}

/** A loop that has been round as often as it may, and is not accepted yet. */
export function roundTooMany(operation: LoopStep, rounds: Rounds, accepted: boolean | undefined): Finding | undefined {
  const loop = operation.repeat;
  if (loop?.kind !== 'until accepted' || accepted !== false) return undefined;
  const done = roundAt(operation, rounds);
  if (done < loop.maximum) return undefined;
  return {
    rule: 'signOff',
    verdict: 'stop',
    sentence: `${operation.name} has been round ${done} times, the most allowed`,
    remedy: 'Refuse the pieces, hold the batch, or move it on with a reason',
    field: 'accepted',
  };
}

/** The steps of a loop, from where it goes back to, to the step it ends at. */
export function stepsOfLoop(route: RouteOf<LoopStep>, last: LoopStep): LoopStep[] {
  if (!last.repeat) return [];
  const path = pathFrom(route, last.repeat.backTo);
  const end = path.findIndex((o) => o.id === last.id);
  return end < 0 ? [] : path.slice(0, end + 1);
}
