import type { Component } from './stage.ts';

/** What a customer or a builder may choose on an order of this model. The first value is the usual one. */
export interface RouteOption {
  id: string;
  name: string;
  values: readonly { id: string; name: string }[];
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
