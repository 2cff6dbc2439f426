import type { Asked, Finding, Refused } from '../../ledger/index.ts';
import type { RouteOf } from '../graph.ts';
import type { Step } from '../step.ts';
import type { RouteWorld } from '../world.ts';
import type { AnyAspect, Bench, Moment, RouteWords, ValueOf, WrittenBy } from './aspect.ts';
import { awayDays } from './awayDays.ts';
import { cautions } from './cautions.ts';
import { coat } from './coat.ts';
import { draw } from './draw.ts';
import { grit } from './grit.ts';
import { handOver } from './handOver.ts';
import { matchedSet } from './matchedSet.ts';
import { measure } from './measure.ts';
import { needs } from './needs.ts';
import { noWait } from './noWait.ts';
import { place } from './place.ts';
import { repeat } from './repeat.ts';
import { reworkAlone } from './reworkAlone.ts';
import { rig } from './rig.ts';
import { settings } from './settings.ts';
import { sheet } from './sheet.ts';
import { ways } from './ways.ts';
import { when } from './when.ts';
import { wipe } from './wipe.ts';

export type { Box } from './aspect.ts';
export { COATS_RULE, CoatsOn, coatsOnAll, type CoatPlan, type CoatsOnPiece } from './coat.ts';
export { BoxesFor, type Draw } from './draw.ts';
export {
  MEASURE_RULE,
  offInWords,
  OutOfBandOf,
  sampleOf,
  unmeasuredInWords,
  UnmeasuredOf,
  type Characteristic,
  type OffMeasure,
  type Sample,
  type Unmeasured,
} from './measure.ts';
export { EQUIPMENT_KINDS, PREREQUISITE_KINDS, programsIn, type EquipmentKind, type Prerequisite } from './needs.ts';
export type { PlaceNeed } from './place.ts';
export type { RigNeed } from './rig.ts';
export { roundAt, roundOrOn, roundTooMany, stepsOfLoop, type Repeat } from './repeat.ts';
export { settingInWords, type JobSetting } from './settings.ts';
export type { SheetPicture, SheetTick, StepSheet } from './sheet.ts';
export { OWN_WAY, waysOf, type Way } from './ways.ts';
export { wipeFor, type Wipe } from './wipe.ts';

/** All that a step can say of itself, in the order in which it is told. */
const KINDS = [
  when,
  repeat,
  noWait,
  place,
  rig,
  wipe,
  handOver,
  reworkAlone,
  matchedSet,
  ways,
  settings,
  sheet,
  needs,
  draw,
  measure,
  coat,
  grit,
  cautions,
  awayDays,
] as const;

type Kinds = (typeof KINDS)[number];

/** The aspects of a step, each there or not. */
export type Aspects = { [K in Kinds as K['key']]?: ValueOf<K> };
export type AspectKey = Kinds['key'];

/** A batch at a step with all its aspects. */
export type AspectBench = Bench & { operation: WholeStep };
type WholeStep = Step & Aspects;

/** What the aspects of a step write when it is begun. */
export type WrittenByAspect = WrittenBy<Kinds>;

export const ASPECT_KEYS: readonly AspectKey[] = KINDS.map((kind) => kind.key);

// A step's property belongs to the kind with its key; a list of many kinds cannot say so.
const ALL = KINDS as unknown as readonly (AnyAspect & { key: AspectKey })[];

/** The aspects that a step has, with what it says of them. */
function aspectsOf(step: WholeStep): { kind: AnyAspect; value: unknown }[] {
  const found: { kind: AnyAspect; value: unknown }[] = [];
  for (const kind of ALL) if (step[kind.key] !== undefined) found.push({ kind, value: step[kind.key] });
  return found;
}

/** What the aspects of a step must know at a moment. */
export const aspectAsks = (moment: Moment, bench: Pick<AspectBench, 'batch' | 'operation' | 'options'>): Asked[] =>
  aspectsOf(bench.operation).flatMap(({ kind, value }) => kind.asks?.(value, moment, bench) ?? []);

/** What speaks against beginning a step. */
export const mayBegin = (bench: AspectBench): Finding[] =>
  aspectsOf(bench.operation).flatMap(({ kind, value }) => kind.mayBegin?.(value, bench) ?? []);

/** What beginning a step takes, as entries; or why it cannot be had. */
export function begins(bench: AspectBench): Refused | WrittenByAspect[] {
  const entries: WrittenByAspect[] = [];
  for (const { kind, value } of aspectsOf(bench.operation)) {
    const written = kind.begins?.(value, bench) ?? [];
    if ('because' in written) return written;
    // What a kind writes is named in its type, which the list of all forgets.
    entries.push(...(written as readonly WrittenByAspect[]));
  }
  return entries;
}

/** What speaks against a step's being finished. */
export const mayFinish = (bench: AspectBench): Finding[] =>
  aspectsOf(bench.operation).flatMap(({ kind, value }) => kind.mayFinish?.(value, bench) ?? []);

const leaves = new WeakMap<WholeStep, { grit?: number }>();

/** What a piece is once a step is finished; worked out once for each step, since a long logbook asks it time and again. */
export function afterStep(step: WholeStep): { grit?: number } {
  const known = leaves.get(step);
  if (known) return known;
  const left = Object.assign({}, ...aspectsOf(step).map(({ kind, value }) => kind.finished?.(value) ?? {})) as { grit?: number };
  leaves.set(step, left);
  return left;
}

/** What is special about a step, in a few words each. */
export const stepMarks = (step: WholeStep, options: RouteOf<Step>['options'] = []): string[] =>
  aspectsOf(step).flatMap(({ kind, value }) => kind.marks?.(value, { options }) ?? []);

/** What an aspect is called, and its value for a step as one would say it; nothing for what is no aspect. */
export function aspectInWords(key: string): { name: string; of: (step: WholeStep | null, route: RouteWords) => string } | undefined {
  const kind = ALL.find((k) => k.key === key);
  return kind && { name: kind.name, of: (step, route) => kind.words(step?.[kind.key], route) };
}

/** What is wrong with the aspects of a step by themselves. */
export const checkAspects = (step: WholeStep, route: RouteOf<WholeStep>, world: RouteWorld | undefined): string[] =>
  aspectsOf(step).flatMap(({ kind, value }) => kind.check?.(value, step, route, world) ?? []);

/** What is wrong with them on the way that a choice of options leaves. */
export const checkAspectsOnPath = (step: WholeStep, route: RouteOf<WholeStep>): string[] =>
  aspectsOf(step).flatMap(({ kind, value }) => kind.checkPath?.(value, step, route) ?? []);

/** What the factory does not have for them. */
export const checkAspectsInWorld = (step: WholeStep, route: RouteOf<WholeStep>, world: RouteWorld): string[] =>
  aspectsOf(step).flatMap(({ kind, value }) => kind.checkWorld?.(value, step, route, world) ?? []);
