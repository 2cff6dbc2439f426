import { listed, type AspectKind } from './aspect.ts';

/** Hazards, by the keys of the factory's register, whose cautions are shown where the work is logged. */
export const cautions: AspectKind<'cautions', readonly string[]> = {
  key: 'cautions',
  name: 'cautions',
  words: listed,
  checkWorld: (keys, step, _, { cautionKeys }) =>
    keys.flatMap((key) => (cautionKeys.has(key) ? [] : [`"${step.name}" shows the caution "${key}", which is not in the register`])),
};
