import type { RigStay } from '../../carriers/index.ts';
import type { AirSample, TemperatureSample } from '../../climate/index.ts';
import type { Finding } from '../../ledger/index.ts';
import type { CutterNow } from '../cutters.ts';
import type { ProgramNow } from '../program.ts';
import type { RouteWorld } from '../world.ts';

export interface Measurement {
  label: string;
  value: number;
  depth?: 'shell' | 'core';
}

/** When a piece was coated last, and when that film was scuffed since. */
export interface LastCoat {
  atMs: number;
  scuffedMs: number | null;
}

/** What the chart of a characteristic says of the process that made some pieces. */
export interface ControlNow {
  /** how many values its limits rest on and are held against; fewer than it needs make no limits */
  values: number;
  needed: number;
  /** the rule that fired and is not settled, in words */
  signal: string | null;
}

/** A piece's time in a rig, as a rule looks at it. */
export interface PressedPiece extends Pick<RigStay, 'closedMs' | 'laws' | 'early'> {
  /** the rig it is in; null once it is out */
  inName: string | null;
}

export interface Evidence {
  nowMs: number;
  /** when the wait began */
  sinceMs?: number;
  /** climate of the place it waits in, in time order */
  temperatures?: readonly TemperatureSample[];
  /** the latest session of measurements */
  measurements?: readonly Measurement[];
  /** the latest measures of each characteristic */
  measures?: Readonly<Record<string, readonly Measurement[]>>;
  /** session means over time, for drift */
  series?: readonly { atMs: number; value: number }[];
  /** the same for each characteristic */
  courses?: Readonly<Record<string, readonly { atMs: number; value: number }[]>>;
  /** of each piece; null for one that never was coated */
  lastCoats?: readonly (LastCoat | null)[];
  /** what the chart of each characteristic says */
  control?: Readonly<Record<string, ControlNow>>;
  /** the programs that are asked about; null for one that is not on record */
  programs?: Readonly<Record<string, ProgramNow | null>>;
  /** the cutters on the machines of a station */
  cutters?: Readonly<Record<string, readonly CutterNow[]>>;
  air?: AirSample;
  signOffs?: readonly { skill: string; by: string }[];
  shortParts?: readonly string[];
  /** of each piece its time in a rig at this step; null for one that was in none */
  pressed?: readonly (PressedPiece | null)[];
  /** of each piece its latest time in any */
  glued?: readonly (PressedPiece | null)[];
}

/**
 * One kind of rule: between two steps, a pure function from evidence to a finding, written as data.
 *
 * @typeParam Said what a rule of this kind says besides its kind
 */
export interface RuleKind<Kind extends string, Said> {
  readonly kind: Kind;
  /** The evidence that such a rule cannot pass without. */
  needs(rule: { kind: Kind } & Said): readonly (keyof Evidence)[];
  /** Missing evidence is a `wait` that says what is missing. */
  judge(rule: { kind: Kind } & Said, evidence: Evidence): Finding;
  /** The rule as one would say it to somebody at the bench. */
  words(rule: { kind: Kind } & Said): string;
  /** The characteristics it looks at, and what it calls them. */
  looksAt?(rule: { kind: Kind } & Said): readonly { characteristic: string; what: string }[];
  /** What is wrong with it at a step. */
  check?(rule: { kind: Kind } & Said, stepName: string): readonly string[];
  /** What the factory does not have for it. */
  checkWorld?(rule: { kind: Kind } & Said, stepName: string, world: RouteWorld): readonly string[];
}

/** Any kind of rule. */
export type AnyRuleKind = RuleKind<string, unknown>;

/** Defines a kind of rule. */
export const ruleKind =
  <const Kind extends string>(kind: Kind) =>
  <Said>(definition: Omit<RuleKind<Kind, Said>, 'kind'>): RuleKind<Kind, Said> => ({ kind, ...definition });

/** The rules of a kind, or of a union of kinds. */
export type RuleOf<Defined> = Defined extends RuleKind<infer Kind, infer Said> ? { kind: Kind } & Said : never;

export const missing = (rule: string, sentence: string): Finding => ({ rule, verdict: 'wait', sentence });

/** The measures of a characteristic; the latest readings where the rule names none. */
export const measured = (evidence: Evidence, characteristic: string | undefined): readonly Measurement[] =>
  (characteristic === undefined ? evidence.measurements : evidence.measures?.[characteristic]) ?? [];

/** Where measures of a characteristic are found; readings where the rule names none. */
export const measuresFor = (characteristic: string | undefined): 'measurements' | 'measures' =>
  characteristic === undefined ? 'measurements' : 'measures';

/** What a rule looks at, where it names it. */
export const named = (characteristic: string | undefined, what = characteristic ?? '') =>
  characteristic === undefined ? [] : [{ characteristic, what }];
