import { expect, test } from '@jest/globals';
import { Together } from './together.ts';

/** A question whose answers are let go by hand: the number of what was asked. */
function byHand() {
  const open: { answer: () => void; fail: () => void }[] = [];
  let asked = 0;
  const question = () => {
    const number = ++asked;
    return new Promise<number>((resolve, reject) => open.push({ answer: () => resolve(number), fail: () => reject(new Error('gone')) }));
  };
  return { together: new Together(question), open, asked: () => asked };
}
const settled = () => new Promise((resolve) => setImmediate(resolve));

test('who asks while the question is on its way shares the next', async () => {
  const { together, open, asked } = byHand();
  const first = together.ask();
  await settled();
  const [second, third] = [together.ask(), together.ask()];
  await settled();
  expect(asked()).toBe(1);
  open[0]?.answer();
  expect(await first).toBe(1);
  await settled();
  expect(asked()).toBe(2);
  // Already on its way: this one comes after it.
  const fourth = together.ask();
  open[1]?.answer();
  expect(await Promise.all([second, third])).toEqual([2, 2]);
  await settled();
  open[2]?.answer();
  expect(await fourth).toBe(3);
});

test('what failed is asked again', async () => {
  const { together, open } = byHand();
  const first = together.ask();
  await settled();
  const second = together.ask();
  open[0]?.fail();
  await expect(first).rejects.toThrow('gone');
  await settled();
  open[1]?.answer();
  expect(await second).toBe(2);
});
