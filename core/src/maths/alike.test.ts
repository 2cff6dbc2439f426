import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isAlike } from './index.ts';

test.each([
  ['Lockkeeper', 'Lokkeeper'],
  ['Lockkeeper', 'lockeper'],
  ['Lockkeeper', 'keeper'],
  ['mahogany', 'mahogny'],
  ['black walnut', 'wallnut'],
  ['black walnut', 'blakc'],
  ['Sitka spruce', 'sprce'],
  ['red alder', 'alder'],
])('%s is found by %s', (name, text) => {
  expect(isAlike(name, text)).toBe(true);
});
test.each([
  ['mahogany', 'maple'],
  ['sugar maple', 'sapele'],
  ['Skiff', 'skf'],
  ['Weirstone', 'Millrace'],
  ['ash', 'oak'],
])('%s is not found by %s', (name, text) => {
  expect(isAlike(name, text)).toBe(false);
});
test('one letter left out of a word of five or more is forgiven', () => {
  const word = fc.stringMatching(/^[a-z]{5,14}$/);
  fc.assert(fc.property(word, fc.nat(), (name, at) => isAlike(name, name.slice(0, at % name.length) + name.slice((at % name.length) + 1))));
});
