import type { ProgramState, RevisionState } from '@ample-crane/core';
import type { View } from '../ground/api.ts';
import { counted } from '../parts/words.ts';

export const STATE_WORDS: Readonly<Record<ProgramState, string>> = {
  asked: 'asked for',
  drawn: 'drawn',
  checked: 'checked on the screen',
  proven: 'first piece proven',
  released: 'released',
};

export const stateWords = (state: RevisionState): string => (state === 'withdrawn' ? 'withdrawn' : STATE_WORDS[state]);

/** What a program is for, beyond its model: its side, and the choices it serves. */
export const isFor = ({ side, serves }: Pick<View<'ProgramLineView'>, 'side' | 'serves'>): string =>
  [...(side === '' ? [] : [side]), ...serves].join(' · ');

/** "3 orders wait, the first due 12 Apr": told where the date is known. */
export const waits = ({ orders }: View<'WantedView'>): string => `${counted(orders.length, 'order waits', 'orders wait')} for it`;

/** How the step can be done until the program is there. */
export const meanwhile = ({ otherWays }: View<'WantedView'>): string =>
  otherWays.length === 0 ? '' : `; meanwhile ${otherWays.map((w) => `${w.name.toLowerCase()} at ${w.stationName}`).join(', or ')}`;
