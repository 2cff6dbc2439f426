import type { AspectKind } from './aspect.ts';

/** Joins only pieces cut from one block. */
export const matchedSet: AspectKind<'matchedSet', boolean> = {
  key: 'matchedSet',
  name: 'own set only',
  words: (set) => (set ? 'yes' : 'no'),
  marks: (set) => (set ? ['own set only'] : []),
};
