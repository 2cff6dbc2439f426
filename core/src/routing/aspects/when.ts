import { conditionInWords, everyChoice, holds, isAboutOptionsOnly, optionsIn, type Condition } from '../condition.ts';
import type { AspectKind } from './aspect.ts';

/** The step is part of the route only where this holds. */
export const when: AspectKind<'when', Condition> = {
  key: 'when',
  name: 'only for',
  words: (condition, { options = [] }) => (condition ? conditionInWords(condition, options) : 'every order'),
  marks: (condition, { options = [] }) => [`if ${conditionInWords(condition, options)}`],
  check(condition, { name }, { options = [] }, world) {
    const unknown = optionsIn(condition)
      .filter((id) => !options.some((o) => o.id === id))
      .map((id) => `"${name}" asks for the option "${id}", which the route does not have`);
    // Wood and construction are the model's: they decide only where they are known.
    if (!world && !isAboutOptionsOnly(condition)) return unknown;
    const facts = { species: {}, construction: '', ...world?.facts };
    const answers = new Set(everyChoice(options).map((choices) => holds(condition, { ...facts, choices }, options)));
    if (!answers.has(true)) return [...unknown, `The rule of "${name}" can never be met: the step would never be done`];
    if (!answers.has(false) && isAboutOptionsOnly(condition)) return [...unknown, `The rule of "${name}" is always met: leave it out`];
    return unknown;
  },
};
