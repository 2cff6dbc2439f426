import { cureReadyMs, equivalentDays, sprayObjections, type CureLaw, type SprayLimits, type TemperatureSample } from '../climate/index.ts';
import type { Finding } from '../ledger/index.ts';
import { mean, slope } from '../maths/index.ts';
import { DAY_MS, formatDuration, MINUTE_MS } from '../units/index.ts';

/** A rule between two operations: a pure function from evidence to a finding, written as data. */
export type Rule =
  | { kind: 'elapsed'; what: string; minimumMinutes: number; maximumMinutes?: number }
  | { kind: 'equivalent'; what: string; minimumDays: number; law: CureLaw }
  | {
      kind: 'inBand';
      what: string;
      /** looks at the measures of this characteristic; at moisture readings when left out */
      characteristic?: string;
      low: number;
      high: number;
      needed: number;
      unit: string;
      tooLow: string;
      tooHigh: string;
    }
  | { kind: 'spread'; limit: number; unit: string; characteristic?: string }
  /** looks at moisture readings by depth, or at the measures of one characteristic for the shell and one for the core */
  | { kind: 'gradient'; limit: number; shell?: string; core?: string }
  | { kind: 'stable'; limitPerDay: number; windowDays: number; characteristic?: string }
  | { kind: 'window'; minimumMinutes: number; maximumMinutes: number; afterwards: string }
  | { kind: 'climate'; limits: SprayLimits }
  | { kind: 'signOff'; skill: string }
  | { kind: 'parts' };

export interface Measurement {
  label: string;
  value: number;
  depth?: 'shell' | 'core';
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
  /** when it was coated last; null when it never was */
  lastCoatMs?: number | null;
  air?: { tempC: number; relativeHumidity: number };
  signOffs?: readonly { skill: string; by: string }[];
  shortParts?: readonly string[];
}

/** Evaluates one rule. @returns a finding; missing evidence is a `wait` that says what is missing, never a pass */
export function evaluateRule(rule: Rule, evidence: Evidence): Finding {
  switch (rule.kind) {
    case 'elapsed':
      return elapsed(rule, evidence);
    case 'equivalent':
      return equivalent(rule, evidence);
    case 'inBand':
      return inBand(rule, evidence);
    case 'spread':
      return spread(rule, evidence);
    case 'gradient':
      return gradient(rule, evidence);
    case 'stable':
      return stable(rule, evidence);
    case 'window':
      return recoatWindow(rule, evidence);
    case 'climate':
      return climate(rule, evidence);
    case 'signOff':
      return signOff(rule, evidence);
    case 'parts':
      return parts(evidence);
  }
}

/** Evaluates a gate: one finding per rule, in the rules' order. */
export const evaluateGate = (rules: readonly Rule[], evidence: Evidence): Finding[] => rules.map((rule) => evaluateRule(rule, evidence));

type Of<K extends Rule['kind']> = Extract<Rule, { kind: K }>;

function missing(rule: Rule['kind'], sentence: string): Finding {
  return { rule, verdict: 'wait', sentence };
}

function elapsed(rule: Of<'elapsed'>, { nowMs, sinceMs }: Evidence): Finding {
  if (sinceMs === undefined) return missing('elapsed', `${rule.what}: the clock has not been started`);
  const waited = Math.max(0, nowMs - sinceMs);
  const needed = rule.minimumMinutes * MINUTE_MS;
  const soFar = `${rule.what} ${formatDuration(waited)} of ${formatDuration(needed)}`;
  const done = needed === 0 ? 1 : Math.min(1, waited / needed);
  const maximum =
    rule.maximumMinutes !== undefined && rule.minimumMinutes > 0 ? { maximum: rule.maximumMinutes / rule.minimumMinutes } : {};
  if (waited < needed)
    return {
      rule: 'elapsed',
      verdict: 'wait',
      ...maximum,
      sentence: soFar,
      untilMs: sinceMs + needed,
      sure: 'certain',
      done,
    };
  if (rule.maximumMinutes !== undefined && waited > rule.maximumMinutes * MINUTE_MS)
    return {
      rule: 'elapsed',
      verdict: 'stop',
      sentence: `${rule.what} ${formatDuration(waited)}; the most allowed is ${formatDuration(rule.maximumMinutes * MINUTE_MS)}`,
      remedy: 'Inspect it, and move it on with a reason if it is sound',
      done: 1,
    };
  return {
    rule: 'elapsed',
    verdict: 'pass',
    sentence: `${rule.what} ${formatDuration(waited)}; ${formatDuration(needed)} needed`,
    done: 1,
  };
}

function equivalent(rule: Of<'equivalent'>, { nowMs, sinceMs, temperatures }: Evidence): Finding {
  if (sinceMs === undefined) return missing('equivalent', `${rule.what}: the cure clock has not been started`);
  if (temperatures === undefined) return missing('equivalent', `${rule.what}: nobody could say how warm it has been`);
  const cured = equivalentDays(sinceMs, Math.max(nowMs, sinceMs), temperatures, rule.law);
  const calendar = (nowMs - sinceMs) / DAY_MS;
  const difference = cured - calendar;
  const because =
    Math.abs(difference) < 0.1
      ? ''
      : difference < 0
        ? `; cool air cost ${(-difference).toFixed(1)} days`
        : `; warm air gained ${difference.toFixed(1)} days`;
  const sentence = `${rule.what} ${cured.toFixed(1)} of ${rule.minimumDays} days at ${rule.law.referenceTempC} °C${because}`;
  const done = Math.min(1, cured / rule.minimumDays);
  if (cured >= rule.minimumDays) return { rule: 'equivalent', verdict: 'pass', sentence, done: 1 };
  const recent = temperatures.filter((s) => s.atMs > nowMs - 14 * DAY_MS && s.atMs <= nowMs);
  const meanTempC = recent.length > 0 ? mean(recent.map((s) => s.tempC)) : rule.law.referenceTempC;
  const untilMs = cureReadyMs(nowMs, cured, rule.minimumDays, meanTempC, rule.law);
  return untilMs === undefined
    ? {
        rule: 'equivalent',
        verdict: 'wait',
        sentence: `${sentence}; this room is too cold for it to cure`,
        done,
      }
    : { rule: 'equivalent', verdict: 'wait', sentence, untilMs, sure: 'forecast', done };
}

/** The measures of a characteristic; the latest readings where the rule names none. */
const measured = (evidence: Evidence, characteristic: string | undefined): readonly Measurement[] =>
  (characteristic === undefined ? evidence.measurements : evidence.measures?.[characteristic]) ?? [];

function inBand(rule: Of<'inBand'>, evidence: Evidence): Finding {
  const measurements = measured(evidence, rule.characteristic);
  const band = `${rule.low.toFixed(1)}–${rule.high.toFixed(1)} ${rule.unit}`;
  const high = measurements.filter((m) => m.value > rule.high);
  const low = measurements.filter((m) => m.value < rule.low);
  const within = measurements.length - high.length - low.length;
  const sentence = `${within} of ${measurements.length} ${rule.what} in ${band}`;
  const firstOut = high[0] ?? low[0];
  // One that lies outside tells enough, however few were taken.
  if (!firstOut && measurements.length < rule.needed)
    return missing('inBand', `${measurements.length} of ${rule.needed} ${rule.what} taken; the band is ${band}`);
  if (!firstOut) return { rule: 'inBand', verdict: 'pass', sentence };
  return {
    rule: 'inBand',
    verdict: 'stop',
    sentence: `${sentence}; ${firstOut.label} is ${firstOut.value.toFixed(1)} ${rule.unit}`,
    remedy: high.length >= low.length ? rule.tooHigh : rule.tooLow,
  };
}

function spread(rule: Of<'spread'>, evidence: Evidence): Finding {
  const measurements = measured(evidence, rule.characteristic);
  if (measurements.length < 2) return missing('spread', 'A spread needs two readings or more');
  const values = measurements.map((m) => m.value);
  const range = Math.max(...values) - Math.min(...values);
  const sentence = `Spread ${range.toFixed(1)} ${rule.unit}; limit ${rule.limit.toFixed(1)}`;
  return range <= rule.limit + 1e-9
    ? { rule: 'spread', verdict: 'pass', sentence }
    : {
        rule: 'spread',
        verdict: 'stop',
        sentence,
        remedy: 'Sort the odd ones out, or let the lot even out longer',
      };
}

function gradient(rule: Of<'gradient'>, evidence: Evidence): Finding {
  const named = rule.core !== undefined;
  const core = named ? measured(evidence, rule.core) : measured(evidence, undefined).filter((m) => m.depth === 'core');
  const shell = rule.shell !== undefined ? measured(evidence, rule.shell) : measured(evidence, undefined).filter((m) => m.depth !== 'core');
  if (core.length === 0 || shell.length === 0)
    return missing(
      'gradient',
      named ? 'Shell and core have not both been measured' : 'No core reading yet: type one with c before it, as in c9.6',
    );
  const difference = mean(core.map((m) => m.value)) - mean(shell.map((m) => m.value));
  const sentence = `Core ${Math.abs(difference).toFixed(1)} points ${difference >= 0 ? 'wetter' : 'drier'} than shell; limit ${rule.limit.toFixed(1)}`;
  return Math.abs(difference) <= rule.limit + 1e-9
    ? { rule: 'gradient', verdict: 'pass', sentence }
    : { rule: 'gradient', verdict: 'stop', sentence, remedy: 'Let the lot even out before it is cut' };
}

function stable(rule: Of<'stable'>, { nowMs, ...evidence }: Evidence): Finding {
  const series = (rule.characteristic === undefined ? evidence.series : evidence.courses?.[rule.characteristic]) ?? [];
  const recent = series.filter((p) => p.atMs >= nowMs - rule.windowDays * DAY_MS);
  if (recent.length < 2)
    return missing('stable', `${recent.length} of 2 sessions in the last ${rule.windowDays} days; one more shows whether it has settled`);
  const perDay = slope(
    recent.map((p) => p.atMs / DAY_MS),
    recent.map((p) => p.value),
  );
  const sentence = `${perDay <= 0 ? 'Falling' : 'Rising'} ${Math.abs(perDay).toFixed(2)} points a day; limit ${rule.limitPerDay.toFixed(2)}`;
  return Math.abs(perDay) <= rule.limitPerDay + 1e-9
    ? { rule: 'stable', verdict: 'pass', sentence }
    : { rule: 'stable', verdict: 'wait', sentence };
}

function recoatWindow(rule: Of<'window'>, { nowMs, lastCoatMs }: Evidence): Finding {
  if (lastCoatMs === undefined) return missing('window', 'Nobody could say when it was coated last');
  if (lastCoatMs === null) return { rule: 'window', verdict: 'pass', sentence: 'No coat on it yet' };
  const since = nowMs - lastCoatMs;
  const opens = rule.minimumMinutes * MINUTE_MS;
  const closes = rule.maximumMinutes * MINUTE_MS;
  if (since < opens)
    return {
      rule: 'window',
      verdict: 'wait',
      sentence: `Flashed ${formatDuration(since)} of ${formatDuration(opens)}`,
      untilMs: lastCoatMs + opens,
      sure: 'certain',
      done: since / opens,
    };
  if (since > closes)
    return {
      rule: 'window',
      verdict: 'stop',
      sentence: `Recoat window closed ${formatDuration(since - closes)} ago`,
      remedy: rule.afterwards,
    };
  return {
    rule: 'window',
    verdict: 'pass',
    sentence: `Recoat window closes in ${formatDuration(closes - since)}; after that, ${rule.afterwards.toLowerCase()}`,
  };
}

function climate(rule: Of<'climate'>, { air }: Evidence): Finding {
  if (!air) return missing('climate', 'No climate reading from the booth');
  const objections = sprayObjections(air.tempC, air.relativeHumidity, rule.limits);
  return objections.length === 0
    ? {
        rule: 'climate',
        verdict: 'pass',
        sentence: `Booth at ${air.tempC.toFixed(1)} °C and ${(air.relativeHumidity * 100).toFixed(0)} %: fit to spray`,
      }
    : { rule: 'climate', verdict: 'wait', sentence: objections.join('. ') };
}

function signOff(rule: Of<'signOff'>, { signOffs = [] }: Evidence): Finding {
  const by = signOffs.find((s) => s.skill === rule.skill);
  return by
    ? { rule: 'signOff', verdict: 'pass', sentence: `Accepted by ${by.by}` }
    : { rule: 'signOff', verdict: 'wait', sentence: `Waits for someone with ${rule.skill} to accept` };
}

function parts({ shortParts }: Evidence): Finding {
  if (shortParts === undefined) return missing('parts', 'Nobody could say whether the kit is complete');
  return shortParts.length === 0
    ? { rule: 'parts', verdict: 'pass', sentence: 'Kit complete' }
    : { rule: 'parts', verdict: 'wait', sentence: `Short: ${shortParts.join(', ')}` };
}
