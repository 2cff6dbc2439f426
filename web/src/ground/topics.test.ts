import { describe, expect, test } from '@jest/globals';
import { isOld, type Topics } from './topics.ts';

describe('what a change makes old', () => {
  test.each<[string, readonly unknown[], Topics, boolean]>([
    ['the card of the batch that moved', ['batches', 'card', 'B7'], { batch: ['B7'] }, true],
    ['not the card of another', ['batches', 'card', 'B8'], { batch: ['B7'] }, false],
    ['not what a device holds of another', ['batches', 'held', 'B8'], { batch: ['B7'] }, false],
    ['every card, when too many moved to name them', ['batches', 'card', 'B8'], { batch: null }, true],
    ['any card, when a coat was logged somewhere', ['batches', 'card', 'B8'], { coat: ['B7/spray/1/1'] }, true],
    ['lists of batches, whichever moved', ['batches', 'all', false], { batch: ['B7'] }, true],
    ['the floor', ['floor'], { batch: ['B7'] }, true],
    ['not the lots, when a batch only moved', ['lots', 'released'], { batch: ['B7'], visit: ['B7/cut/1'] }, false],
    ['the lots, when pieces were made of one', ['lots', 'released'], { piece: ['B7-01'] }, true],
    ['the page of a lot that was read', ['lots', 'card', 'L101'], { lot: ['L101'], reading: null }, true],
    ['not that of another', ['lots', 'card', 'L102'], { lot: ['L101'] }, false],
    ['programs, when one was released', ['programs', 'one', 'm/sides'], { program: ['m/sides'] }, true],
    ['what a machine has on it, when a cutter has cut', ['machines'], { 'cutter use': null }, true],
    ['not the cutters, when a lot was read', ['cutters'], { lot: ['L101'] }, false],
    ['the set-up', ['setup'], { factory: null }, true],
    ['nothing by a subject nobody shows', ['floor'], { receipt: null }, false],
    ['everything, when it is not known what', ['zones'], { all: null }, true],
  ])('%s', (_, queryKey, topics, old) => {
    expect(isOld(queryKey, topics)).toBe(old);
  });
});
