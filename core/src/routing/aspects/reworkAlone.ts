import type { AspectKind } from './aspect.ts';

/** A piece that must be done again goes back by itself while the rest goes on; otherwise the batch waits for it. */
export const reworkAlone: AspectKind<'reworkAlone', boolean> = {
  key: 'reworkAlone',
  name: 'what comes back',
  words: (set) => (set ? 'alone, the rest goes on' : 'the batch waits for it'),
  marks: (set) => (set ? ['rework goes alone'] : []),
};
