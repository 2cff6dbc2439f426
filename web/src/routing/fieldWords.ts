import { aspectInWords, ruleInWords, STAGE_NAMES, type Operation, type Route } from '@ample-crane/core';
import { KIND_WORDS } from '../parts/StepShape.tsx';

type Graph = Pick<Route, 'operations' | 'options'>;

interface FieldWords {
  name: string;
  /** its value for a step, as one would say it */
  of: (step: Operation | null, graph: Graph) => string;
}

const plain = (value: unknown): string => (value === undefined ? '—' : typeof value === 'string' ? value : JSON.stringify(value));
const listed = (values: readonly string[] | undefined): string => (values && values.length > 0 ? values.join('; ') : '—');
const nameOf = (graph: Graph, id: string) => graph.operations.find((o) => o.id === id)?.name ?? id;

/** What every step says; its aspects tell of themselves. */
const EVERY: { [K in keyof Operation]?: FieldWords } = {
  next: { name: 'leads to', of: (step, graph) => listed(step?.next.map((id) => nameOf(graph, id))) },
  gate: { name: 'gate', of: (step) => listed(step?.gate.map(ruleInWords)) },
  kind: { name: 'kind', of: (step) => (step ? KIND_WORDS[step.kind] : '—') },
  stage: { name: 'stage', of: (step) => (step ? STAGE_NAMES[step.stage] : '—') },
  minutesPerPiece: { name: 'minutes each', of: (step) => plain(step?.minutesPerPiece) },
  setupMinutes: { name: 'set-up, min', of: (step) => plain(step?.setupMinutes) },
  stationCode: { name: 'station', of: (step) => plain(step?.stationCode) },
  skillLevel: { name: 'skill level', of: (step) => plain(step?.skillLevel ?? 1) },
  wayName: { name: 'its own way', of: (step) => plain(step?.wayName) },
};

/** What a property of a step is called, and how its value is told. */
export const fieldInWords = (field: keyof Operation): FieldWords =>
  EVERY[field] ?? aspectInWords(field) ?? { name: field, of: (step) => plain(step?.[field]) };
