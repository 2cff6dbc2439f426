import { describe, expect, test } from '@jest/globals';
import { choicesInWords, conditionInWords, everyChoice, isAboutOptionsOnly, optionsIn, withDefaults, type Condition } from './condition.ts';

const value = (id: string) => ({ id, name: id.toUpperCase() });
const option = (id: string, ...values: string[]) => ({ id, name: `The ${id}`, values: values.map(value) });
const OPTIONS = [option('size', 's', 'm', 'l'), option('colour', 'red', 'blue')];
const asks = (id: string): Condition => ({ kind: 'option', option: id, in: ['m'] });
const oak: Condition = { kind: 'species', component: 'body', in: ['oak'] };
const built: Condition = { kind: 'construction', in: ['bolt-on'] };

describe('every choice', () => {
  test('is each value of each option with each of the others, as long as that is not too many', () => {
    expect(everyChoice([])).toEqual([{}]);
    expect(everyChoice(OPTIONS, 6)).toHaveLength(6);
    expect(new Set(everyChoice(OPTIONS).map((c) => JSON.stringify(c))).size).toBe(6);
  });
  test('is each further value beside the usual ones where it would be too many', () => {
    expect(everyChoice(OPTIONS, 5)).toEqual([
      { size: 's', colour: 'red' },
      { size: 'm', colour: 'red' },
      { size: 'l', colour: 'red' },
      { size: 's', colour: 'red' },
      { size: 's', colour: 'blue' },
    ]);
  });
});

test('an option without values has no usual one', () => {
  expect(withDefaults([option('none')], {})).toEqual({});
  expect(withDefaults(OPTIONS, { size: 'l' })).toEqual({ size: 'l', colour: 'red' });
});

describe('what a condition looks at', () => {
  const nested: Condition = { kind: 'not', of: { kind: 'any', of: [asks('a'), { kind: 'all', of: [asks('b'), oak] }] } };
  test('names its options, however deep', () => {
    expect(optionsIn(nested)).toEqual(['a', 'b']);
    expect(optionsIn(oak)).toEqual([]);
    expect(optionsIn(built)).toEqual([]);
  });
  test.each<[Condition, boolean]>([
    [asks('a'), true],
    [oak, false],
    [built, false],
    [{ kind: 'not', of: asks('a') }, true],
    [{ kind: 'not', of: oak }, false],
    [{ kind: 'all', of: [asks('a'), asks('b')] }, true],
    [{ kind: 'any', of: [asks('a'), oak] }, false],
    [nested, false],
  ])('%j is about options only: %s', (condition, only) => {
    expect(isAboutOptionsOnly(condition)).toBe(only);
  });
});

describe('in words', () => {
  test.each<[Condition, string]>([
    [{ kind: 'option', option: 'size', in: ['s', 'xl'] }, 'The size S or xl'],
    [{ kind: 'option', option: 'weight', in: ['s'] }, 'weight s'],
    [{ kind: 'option', option: 'size', in: [] }, 'The size (nothing yet)'],
    [oak, 'body of oak'],
    [built, 'bolt-on'],
    [{ kind: 'not', of: { kind: 'all', of: [oak, built] } }, 'not (body of oak, and bolt-on)'],
    [{ kind: 'not', of: { kind: 'any', of: [oak, built] } }, 'not (body of oak, or bolt-on)'],
    [{ kind: 'any', of: [oak, { kind: 'any', of: [] }] }, 'body of oak, or (nothing yet)'],
  ])('%j: %s', (condition, words) => {
    expect(conditionInWords(condition, OPTIONS)).toBe(words);
  });
  test('what was chosen, and what is usual where nothing was', () => {
    expect(choicesInWords(OPTIONS, { size: 'l', colour: 'gold' })).toEqual(['The size: L', 'The colour: RED']);
    expect(choicesInWords([option('none')], {})).toEqual(['The none: ']);
  });
});
