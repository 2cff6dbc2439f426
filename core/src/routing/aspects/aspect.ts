import type { Answers, Asked, Finding, Refused } from '../../ledger/index.ts';
import type { RouteFacts, RouteOption } from '../condition.ts';
import type { RouteOf } from '../graph.ts';
import type { Step } from '../step.ts';
import type { RouteWorld } from '../world.ts';

/** A batch of small parts that a step may draw from. */
export interface Box {
  id: string;
  modelId: string;
  quantity: number;
  status: string;
}

/** What an aspect may look at when its step is begun or finished. */
export interface Bench {
  batch: { id: string; modelId: string; visitId: string; redo: boolean; accepted: boolean; workClass: string; facts: RouteFacts };
  operation: Step;
  /** what can be chosen of its route */
  options: readonly RouteOption[];
  /** the way it is begun in, of those the step knows */
  wayId: string;
  /** the pieces that it is about, by their ids */
  pieceIds: readonly string[];
  factory: {
    /** what is missing of something that must exist first; null when it is there */
    missing(modelId: string, prerequisite: { kind: string; what: string }): string | null;
    modelName(id: string): string;
  };
  /** what was asked for with `asks` is answered here, or is not */
  answers: Answers;
  /** boxes of small parts, the oldest first */
  boxes: readonly Box[];
}

/** The two moments at which a step's aspects are asked. */
export type Moment = 'begin' | 'finish';

/** What a step's words may look up. */
export type RouteWords = Pick<RouteOf<Step>, 'operations' | 'options'>;

/**
 * One thing a step can say of itself beyond its name and place: that it lays coats, takes measures, needs a place. All
 * that follows from it stands in its module.
 *
 * @typeParam Key the property of the step that holds it
 * @typeParam Value what the property holds
 * @typeParam Written what it writes in the logbook when the step is begun
 * @typeParam Seen the steps it looks at, with the aspects of them that it looks at
 */
export interface AspectKind<Key extends string, Value, Written = never, Seen extends Step = Step> {
  readonly key: Key;
  /** what it is called where two versions of a route are compared */
  readonly name: string;
  /** Its value as one would say it, for a step that has it or has not. */
  words(value: Value | undefined, route: RouteWords): string;
  /** What is special about a step that has it, in a few words each. */
  marks?(value: Value, route: Pick<RouteOf<Step>, 'options'>): readonly string[];
  /** What is wrong with it by itself, before the route is walked. */
  check?(value: Value, step: Seen, route: RouteOf<Seen>, world: RouteWorld | undefined): readonly string[];
  /** What is wrong with it on the way that a choice of options leaves. */
  checkPath?(value: Value, step: Seen, route: RouteOf<Seen>): readonly string[];
  /** What the factory does not have for it. */
  checkWorld?(value: Value, step: Seen, route: RouteOf<Seen>, world: RouteWorld): readonly string[];
  /** What must be known at a moment. What nobody can say never passes. */
  asks?(value: Value, moment: Moment, bench: Pick<Bench, 'batch' | 'options'>): readonly Asked[];
  /** What speaks against beginning. */
  mayBegin?(value: Value, bench: Bench): readonly Finding[];
  /** What beginning takes, as entries; or why it cannot be had. */
  begins?(value: Value, bench: Bench): Refused | readonly Written[];
  /** What speaks against its being finished. */
  mayFinish?(value: Value, bench: Bench): readonly Finding[];
  /** What a piece is afterwards. */
  finished?(value: Value): { grit?: number };
}

/** Any aspect. */
export type AnyAspect = AspectKind<string, unknown, object>;

/** What an aspect's property holds. */
export type ValueOf<Aspect> = Aspect extends AspectKind<string, infer Value, object, never> ? Value : never;
/** What an aspect writes. */
export type WrittenBy<Aspect> = Aspect extends AspectKind<string, never, infer Written, never> ? Written : never;

export const plain = (value: string | number | undefined): string => (value === undefined ? '—' : String(value));
export const listed = (values: readonly string[] | undefined): string => (values && values.length > 0 ? values.join('; ') : '—');
