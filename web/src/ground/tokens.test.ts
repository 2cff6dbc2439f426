import { describe, expect, test } from '@jest/globals';
import { booth, contrast, paper, type Tokens } from './tokens.ts';

describe.each([
  ['paper', paper],
  ['booth', booth],
])('theme %s', (_, tokens: Tokens) => {
  const texts = ['ink', 'quiet', 'body', 'neck', 'instrument', 'ready', 'waiting', 'attention', 'stop'] as const;
  test.each(texts)('%s reads on both grounds (WCAG AA)', (name) => {
    expect(contrast(tokens[name], tokens.ground)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(tokens[name], tokens.raised)).toBeGreaterThanOrEqual(4.5);
  });
  test('an action’s label reads on its fill', () => {
    expect(contrast(tokens.onAction, tokens.neck)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(tokens.onAction, tokens.stop)).toBeGreaterThanOrEqual(4.5);
  });
});

test('contrast of black and white is 21', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5);
});
