import type { Finding } from '../../ledger/index.ts';
import type { RouteWorld } from '../world.ts';
import { Climate } from './climate.ts';
import { CutterWithinLife } from './cutterWithinLife.ts';
import { Elapsed } from './elapsed.ts';
import { Equivalent } from './equivalent.ts';
import { Gradient } from './gradient.ts';
import { InBand } from './inBand.ts';
import { InControl } from './inControl.ts';
import { Parts } from './parts.ts';
import { GlueSet, PressedRule } from './pressed.ts';
import { ProgramReleased } from './programReleased.ts';
import { SignOffRule } from './signOff.ts';
import { Spread } from './spread.ts';
import { Stable } from './stable.ts';
import { Window } from './window.ts';
import { missing, type AnyRuleKind, type Evidence, type RuleOf } from './rule.ts';

export type { Pressing } from './pressed.ts';
export type { ControlNow, Evidence, LastCoat, Measurement, PressedPiece } from './rule.ts';

/** The kinds of rule there are. */
const KINDS = [
  Elapsed,
  Equivalent,
  PressedRule,
  GlueSet,
  InBand,
  InControl,
  Spread,
  Gradient,
  Stable,
  Window,
  Climate,
  SignOffRule,
  Parts,
  ProgramReleased,
  CutterWithinLife,
] as const;

/** A rule of a gate, as it stands in a route. */
export type Rule = RuleOf<(typeof KINDS)[number]>;

const BY_KIND = new Map<string, AnyRuleKind>(KINDS.map((kind) => [kind.kind, kind as AnyRuleKind]));

/** @throws Error for a rule that a later version of the program wrote */
function kindOf(rule: Rule): AnyRuleKind {
  const kind = BY_KIND.get(rule.kind);
  if (!kind) throw new Error(`Nobody knows rules of kind ${rule.kind}`);
  return kind;
}

/** The evidence that a rule cannot pass without. */
export const needsOf = (rule: Rule): readonly (keyof Evidence)[] => kindOf(rule).needs(rule);

/** Evaluates one rule. @returns a finding; it never passes without the evidence its kind needs, whatever the kind says */
export function evaluateRule(rule: Rule, evidence: Evidence): Finding {
  const kind = kindOf(rule);
  const finding = kind.judge(rule, evidence);
  const silent = finding.verdict === 'pass' && kind.needs(rule).some((field) => evidence[field] === undefined);
  return silent ? missing(rule.kind, 'What it rests on is not known') : finding;
}

/** Evaluates a gate: one finding per rule, in the rules' order. */
export const evaluateGate = (rules: readonly Rule[], evidence: Evidence): Finding[] => rules.map((rule) => evaluateRule(rule, evidence));

/** A rule as one would say it to somebody at the bench. */
export const ruleInWords = (rule: Rule): string => kindOf(rule).words(rule);

/** The characteristics a rule looks at, and what it calls them. */
export const looksAt = (rule: Rule): readonly { characteristic: string; what: string }[] => kindOf(rule).looksAt?.(rule) ?? [];

/** What is wrong with the rules of a step by themselves. */
export const checkRules = (rules: readonly Rule[], stepName: string): string[] =>
  rules.flatMap((rule) => kindOf(rule).check?.(rule, stepName) ?? []);

/** What the factory does not have for the rules of a step. */
export const checkRulesInWorld = (rules: readonly Rule[], stepName: string, world: RouteWorld): string[] =>
  rules.flatMap((rule) => kindOf(rule).checkWorld?.(rule, stepName, world) ?? []);

/** The kinds of rule, by their names. */
export const RULE_KINDS: readonly Rule['kind'][] = KINDS.map(({ kind }) => kind);
