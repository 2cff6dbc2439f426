import { describe, expect, test } from '@jest/globals';
import { Shelf } from './snapshots.service.ts';

/** A shelf whose position the test moves. */
function shelf() {
  const at = { position: '1' };
  return { at, shelf: new Shelf<number>(() => Promise.resolve(at.position)) };
}

describe('a shelf', () => {
  test('works an answer out once while nothing has changed, also for those who ask together', async () => {
    const { shelf: answers } = shelf();
    let worked = 0;
    const ask = () => answers.of('morning', () => Promise.resolve(++worked));
    expect(await Promise.all([ask(), ask(), ask()])).toEqual([1, 1, 1]);
    expect(await ask()).toBe(1);
  });
  test('works it out anew once the logbook has moved on', async () => {
    const { at, shelf: answers } = shelf();
    let worked = 0;
    const ask = () => answers.of('morning', () => Promise.resolve(++worked));
    await ask();
    at.position = '2';
    expect(await ask()).toBe(2);
    at.position = '1';
    expect(await ask()).toBe(3);
  });
  test('keeps answers of different names apart', async () => {
    const { shelf: answers } = shelf();
    expect(await answers.of('a', () => Promise.resolve(1))).toBe(1);
    expect(await answers.of('b', () => Promise.resolve(2))).toBe(2);
    expect(await answers.of('a', () => Promise.resolve(3))).toBe(1);
  });
  test('does not keep a failure', async () => {
    const { shelf: answers } = shelf();
    await expect(answers.of('a', () => Promise.reject(new Error('no database')))).rejects.toThrow('no database');
    expect(await answers.of('a', () => Promise.resolve(7))).toBe(7);
  });
  test('forgets what has not been asked for longest when it is full', async () => {
    const { shelf: answers } = shelf();
    for (let i = 0; i <= 500; i++) await answers.of(String(i), () => Promise.resolve(i));
    expect(await answers.of('500', () => Promise.resolve(-1))).toBe(500);
    expect(await answers.of('0', () => Promise.resolve(-1))).toBe(-1);
  });
});
