import { describe, expect, test } from '@jest/globals';
import type { LoadItem } from '@ample-crane/core';
import { costOfOrders, differenceInWords, isBetter, moved, problemIn } from './loadProblem.ts';

const item = (id: string, program: string, machineId = 'M1'): Omit<LoadItem, 'dueMinute'> => ({
  id,
  pieces: 2,
  readyMinute: 0,
  ways: [{ machineId, setUp: { program, fixture: program, cutters: [program], minutes: 20 }, piecesALoad: 2, minutesALoad: 10 }],
});
const machine = (id: string) => ({ id, freeMinute: 0, left: null, pinned: [] });
const told = {
  problem: { items: [{ ...item('a', 'A'), dueMinute: 30 }, item('b', 'B'), item('c', 'A')], machines: [machine('M1'), machine('M2')] },
} as never;

describe('a plan of loads as a page looks at it', () => {
  const problem = problemIn(told);
  test('who waits for nothing is never late', () => expect(problem.items.map((i) => i.dueMinute)).toEqual([30, Infinity, Infinity]));
  test('an order costs what core says; what cannot be done where it stands costs nothing that could be told', () => {
    expect(costOfOrders(problem, { M1: ['a', 'c', 'b'] })).toEqual({ late: 0, otherWays: 0, changeover: 40, partFilled: 0 });
    expect(costOfOrders(problem, { M1: ['a', 'b', 'c'], M2: [] })?.changeover).toBe(60);
    expect(costOfOrders(problem, { M2: ['a'] })).toBeNull();
  });
  test('a batch moves by a place, and not beyond the ends', () => {
    expect(moved(['a', 'b', 'c'], 'c', -1)).toEqual(['a', 'c', 'b']);
    expect(moved(['a', 'b', 'c'], 'a', -1)).toEqual(['a', 'b', 'c']);
    expect(moved(['a', 'b', 'c'], 'x', 1)).toEqual(['a', 'b', 'c']);
  });
  test('what another order does is told in words', () => {
    const cost = (late: number, changeover: number, partFilled = 0) => ({ late, otherWays: 0, changeover, partFilled });
    expect(differenceInWords(cost(0, 60), cost(0, 40))).toBe('20 min less of changing over');
    expect(differenceInWords(cost(0, 40, 1), cost(95, 40))).toBe('95 min of work more too late, 1 fewer part-filled loads');
    expect(differenceInWords(cost(0, 40), cost(0, 40))).toBe('');
    expect([isBetter(cost(0, 40), cost(0, 60)), isBetter(cost(1, 0), cost(0, 60))]).toEqual([true, false]);
  });
});
