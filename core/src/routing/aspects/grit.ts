import { plain, type AspectKind } from './aspect.ts';

/** The grit a piece is sanded to when the step is done. */
export const grit: AspectKind<'grit', number> = {
  key: 'grit',
  name: 'grit',
  words: plain,
  finished: (value) => ({ grit: value }),
};
