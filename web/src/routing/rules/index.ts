import type { Rule } from '@ample-crane/core';
import { climate } from './Climate.tsx';
import { cutterWithinLife } from './CutterWithinLife.tsx';
import { elapsed } from './Elapsed.tsx';
import { equivalent } from './Equivalent.tsx';
import { gradient } from './Gradient.tsx';
import { inBand } from './InBand.tsx';
import { inControl } from './InControl.tsx';
import { parts } from './Parts.tsx';
import { glueSet } from './GlueSet.tsx';
import { pressed } from './Pressed.tsx';
import { programReleased } from './ProgramReleased.tsx';
import { signOff } from './SignOff.tsx';
import { spread } from './Spread.tsx';
import { stable } from './Stable.tsx';
import { window } from './Window.tsx';
import type { RuleEditor } from './rule.ts';

/** The editor of each kind of rule, in the order in which they are offered. */
export const RULE_EDITORS: { readonly [Kind in Rule['kind']]: RuleEditor<Kind> } = {
  elapsed,
  equivalent,
  pressed,
  glueSet,
  inBand,
  inControl,
  spread,
  gradient,
  stable,
  window,
  climate,
  signOff,
  parts,
  programReleased,
  cutterWithinLife,
};

/** The editor of a rule, for whoever does not know its kind. */
export function editorOf<Kind extends Rule['kind']>(rule: { kind: Kind }): RuleEditor<Kind> {
  return RULE_EDITORS[rule.kind];
}
