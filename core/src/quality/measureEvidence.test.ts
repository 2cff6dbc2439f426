import { expect, test } from '@jest/globals';
import { measureEvidence } from '../quality/index.ts';

const measure = (pieceId: string, characteristicId: string, value: number, atMs: number) => ({
  id: `${pieceId}/${characteristicId}/${atMs}`,
  pieceId,
  batchId: 'B1',
  visitId: 'v',
  operationId: 'line',
  characteristicId,
  value,
  low: 6,
  high: 11,
  inBand: true,
  atMs,
  personId: null,
  dimensionId: null,
});

test('the latest measure of every piece counts, whatever order they come in; means tell the course', () => {
  const { measures, courses } = measureEvidence([
    measure('p1', 'moisture', 9, 20),
    measure('p1', 'moisture', 12, 10),
    measure('p2', 'moisture', 10, 10),
    measure('p1', 'width', 56, 10),
  ]);
  expect(measures).toEqual({
    moisture: [
      { label: 'p1', value: 9 },
      { label: 'p2', value: 10 },
    ],
    width: [{ label: 'p1', value: 56 }],
  });
  expect(courses['moisture']).toEqual([
    { atMs: 10, value: 11 },
    { atMs: 20, value: 9 },
  ]);
});

test('without measures there is nothing to say', () => {
  expect(measureEvidence([])).toEqual({ measures: {}, courses: {} });
});
