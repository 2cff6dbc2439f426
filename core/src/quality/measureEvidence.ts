import { mean } from '../maths/index.ts';
import type { Evidence, Measurement } from '../routing/index.ts';
import type { Measure } from './measure.ts';

/** What measures of pieces say to a gate: of each characteristic the latest of every piece, and its mean over time. */
export function measureEvidence(measures: readonly Measure[]): Required<Pick<Evidence, 'measures' | 'courses'>> {
  const latest = new Map<string, Map<string, Measurement>>();
  const sessions = new Map<string, Map<number, number[]>>();
  for (const m of [...measures].sort((a, b) => a.atMs - b.atMs)) {
    const pieces = latest.get(m.characteristicId) ?? new Map<string, Measurement>();
    latest.set(m.characteristicId, pieces.set(m.pieceId, { label: m.pieceId, value: m.value }));
    const times = sessions.get(m.characteristicId) ?? new Map<number, number[]>();
    sessions.set(m.characteristicId, times.set(m.atMs, [...(times.get(m.atMs) ?? []), m.value]));
  }
  return {
    measures: Object.fromEntries([...latest].map(([id, pieces]) => [id, [...pieces.values()]])),
    courses: Object.fromEntries(
      [...sessions].map(([id, times]) => [id, [...times].map(([atMs, values]) => ({ atMs, value: mean(values) }))]),
    ),
  };
}
