import { expect, test } from '@jest/globals';
import { aBatch } from '../test/batch.ts';
import { NOW_MS, render, wordsOf } from '../test/render.tsx';
import { StageScreen } from './StageScreen.tsx';

const LIMIT = { kind: 'nothing', sentence: 'Nothing is short.', stationCode: null, stationName: null };
const answer = (...batches: ReturnType<typeof aBatch>[]) => {
  const floor = { nowMs: NOW_MS, stations: [], batches, limit: LIMIT };
  return wordsOf(render(<StageScreen stage="machining" cautions={[]} />, { answers: [[['floor'], floor]] }));
};
const here = (over: Parameters<typeof aBatch>[0]) => aBatch({ stage: 'machining', ...over });

test('a stage’s answer leaves no batch out: what is paused and what is held is told beside what waits', () => {
  const text = answer(
    here({ id: 'B1', status: 'held' }),
    here({ id: 'B2', status: 'held' }),
    here({ id: 'B3', status: 'paused' }),
    here({ id: 'B4', status: 'queued' }),
  );
  expect(text).toContain('0 batches can move on, 0 being worked on, 1 waiting its turn, 1 paused, 2 held.');
});

test('and says nothing of them where there are none', () => {
  expect(answer(here({ status: 'running' }))).toContain('0 batches can move on, 1 being worked on, 0 waiting their turn.');
});
