import type { Component } from './stage.ts';

/** What a customer or a builder may choose on an order of this model. The first value is the usual one. */
export interface RouteOption {
  id: string;
  name: string;
  values: readonly OptionValue[];
}

/** How the wood shows in the end: through a clear finish, or not under a solid colour. */
export const LOOKS = ['clear', 'solid'] as const;
export type Look = (typeof LOOKS)[number];

export interface OptionValue {
  id: string;
  name: string;
  /** parts that are then made of another wood than the model's usual */
  wood?: Readonly<Partial<Record<Component, string>>>;
  /** whether the wood shows, where this decides it */
  look?: Look;
  /** what it adds to the price of an instrument, in the factory's money */
  extraPrice?: number;
}

/** When a step belongs to the route. */
export type Condition =
  | { kind: 'option'; option: string; in: readonly string[] }
  | { kind: 'species'; component: Component; in: readonly string[] }
  | { kind: 'construction'; in: readonly string[] }
  | { kind: 'not'; of: Condition }
  | { kind: 'all'; of: readonly Condition[] }
  | { kind: 'any'; of: readonly Condition[] };

/** What conditions look at, settled when a batch is started. */
export interface RouteFacts {
  choices: Readonly<Record<string, string>>;
  species: Readonly<Partial<Record<Component, string>>>;
  construction: string;
}

export const NO_FACTS: RouteFacts = { choices: {}, species: {}, construction: '' };

/** An order's choices, with the usual value for what it does not say. */
export function withDefaults(options: readonly RouteOption[], choices: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(
    options.flatMap(({ id, values }) => {
      const given = values.find((v) => v.id === choices[id])?.id ?? values[0]?.id;
      return given === undefined ? [] : [[id, given]];
    }),
  );
}

/** The values that an order's choices come to. */
export function chosenValues(options: readonly RouteOption[], choices: Readonly<Record<string, string>>): OptionValue[] {
  const all = withDefaults(options, choices);
  return options.flatMap(({ id, values }) => values.find((v) => v.id === all[id]) ?? []);
}

/** What conditions look at, once an order has chosen: its own wood in place of the model's usual. */
export function factsOfChoice(
  usual: Omit<RouteFacts, 'choices'>,
  options: readonly RouteOption[],
  choices: Readonly<Record<string, string>>,
): RouteFacts {
  const wood = chosenValues(options, choices).reduce((all, value) => ({ ...all, ...value.wood }), usual.species);
  return { ...usual, species: wood, choices };
}

/** What an order's choices add to the price of an instrument. */
export const extraPriceOf = (options: readonly RouteOption[], choices: Readonly<Record<string, string>>): number =>
  chosenValues(options, choices).reduce((sum, { extraPrice = 0 }) => sum + extraPrice, 0);

/** Whether the wood of an order will show; as a solid colour where nothing it chose decides that. */
export const lookOf = (options: readonly RouteOption[], choices: Readonly<Record<string, string>>): Look =>
  chosenValues(options, choices).findLast((value) => value.look !== undefined)?.look ?? 'solid';

export function holds(condition: Condition, facts: RouteFacts, options: readonly RouteOption[] = []): boolean {
  switch (condition.kind) {
    case 'option': {
      const value = withDefaults(options, facts.choices)[condition.option];
      return value !== undefined && condition.in.includes(value);
    }
    case 'species': {
      const species = facts.species[condition.component];
      return species !== undefined && condition.in.includes(species);
    }
    case 'construction':
      return condition.in.includes(facts.construction);
    case 'not':
      return !holds(condition.of, facts, options);
    case 'all':
      return condition.of.every((c) => holds(c, facts, options));
    case 'any':
      return condition.of.some((c) => holds(c, facts, options));
  }
}

/** Every combination of what can be chosen, each value of each option at least; at most `limit` of them. */
export function everyChoice(options: readonly RouteOption[], limit = 256): Record<string, string>[] {
  let combinations: Record<string, string>[] = [{}];
  for (const { id, values } of options) {
    if (combinations.length * values.length > limit) {
      // Too many to try them all: each further value once, beside the usual ones.
      const usual = withDefaults(options, {});
      combinations.push(...values.map((v) => ({ ...usual, [id]: v.id })));
      combinations = combinations.map((c) => ({ ...usual, ...c }));
    } else combinations = combinations.flatMap((c) => values.map((v) => ({ ...c, [id]: v.id })));
  }
  return combinations;
}

/** The options a condition asks for. */
export function optionsIn(condition: Condition): string[] {
  switch (condition.kind) {
    case 'option':
      return [condition.option];
    case 'not':
      return optionsIn(condition.of);
    case 'all':
    case 'any':
      return condition.of.flatMap(optionsIn);
    default:
      return [];
  }
}

/** Whether a condition looks at nothing but what is chosen on an order. */
export function isAboutOptionsOnly(condition: Condition): boolean {
  switch (condition.kind) {
    case 'option':
      return true;
    case 'not':
      return isAboutOptionsOnly(condition.of);
    case 'all':
    case 'any':
      return condition.of.every(isAboutOptionsOnly);
    default:
      return false;
  }
}

/** A condition in words: "Binding both faces or top only". */
export function conditionInWords(condition: Condition, options: readonly RouteOption[] = []): string {
  switch (condition.kind) {
    case 'option': {
      const option = options.find((o) => o.id === condition.option);
      const values = condition.in.map((id) => option?.values.find((v) => v.id === id)?.name ?? id);
      return `${option?.name ?? condition.option} ${joinedBy(values, ' or ')}`;
    }
    case 'species':
      return `${condition.component} of ${joinedBy(condition.in, ' or ')}`;
    case 'construction':
      return joinedBy(condition.in, ' or ');
    case 'not':
      return `not ${partInWords(condition.of, options)}`;
    case 'all':
    case 'any':
      return joinedBy(
        condition.of.map((part) => partInWords(part, options)),
        condition.kind === 'all' ? ', and ' : ', or ',
      );
  }
}

const joinedBy = (words: readonly string[], by: string): string => (words.length === 0 ? '(nothing yet)' : words.join(by));

/** Several rules inside several others are kept together by brackets. */
function partInWords(condition: Condition, options: readonly RouteOption[]): string {
  const words = conditionInWords(condition, options);
  return (condition.kind === 'all' || condition.kind === 'any') && condition.of.length > 0 ? `(${words})` : words;
}

/** What was chosen on an order, in words: "Binding: both faces". */
export const choicesInWords = (options: readonly RouteOption[], choices: Readonly<Record<string, string>>): string[] =>
  options.map((o) => `${o.name}: ${o.values.find((v) => v.id === choices[o.id])?.name ?? o.values[0]?.name ?? ''}`);
