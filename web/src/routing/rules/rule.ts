import type { Rule } from '@ample-crane/core';
import type { ReactNode } from 'react';

/** A rule of a kind. */
export type RuleOfKind<Kind extends Rule['kind']> = Extract<Rule, { kind: Kind }>;

export interface Fields<Kind extends Rule['kind']> {
  rule: RuleOfKind<Kind>;
  onChange: (rule: RuleOfKind<Kind>) => void;
}

/** How a kind of rule is written on the route desk. */
export interface RuleEditor<Kind extends Rule['kind']> {
  /** what it is called in the list of kinds */
  name: string;
  /** One as it begins, about the first thing that is measured on the route. */
  begin: (characteristic: string) => RuleOfKind<Kind>;
  Fields: (props: Fields<Kind>) => ReactNode;
}
