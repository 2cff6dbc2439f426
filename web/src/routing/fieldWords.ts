import { conditionInWords, ruleInWords, STAGE_NAMES, type Operation, type Route } from '@ample-crane/core';
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

const SPECIAL: { [K in keyof Operation]?: FieldWords } = {
  next: { name: 'leads to', of: (step, graph) => listed(step?.next.map((id) => nameOf(graph, id))) },
  gate: { name: 'gate', of: (step) => listed(step?.gate.map(ruleInWords)) },
  kind: { name: 'kind', of: (step) => (step ? KIND_WORDS[step.kind] : '—') },
  stage: { name: 'stage', of: (step) => (step ? STAGE_NAMES[step.stage] : '—') },
  when: { name: 'only for', of: (step, graph) => (step?.when ? conditionInWords(step.when, graph.options) : 'every order') },
  minutesPerPiece: { name: 'minutes each', of: (step) => plain(step?.minutesPerPiece) },
  setupMinutes: { name: 'set-up, min', of: (step) => plain(step?.setupMinutes) },
  stationCode: { name: 'station', of: (step) => plain(step?.stationCode) },
  skillLevel: { name: 'skill level', of: (step) => plain(step?.skillLevel ?? 1) },
  handOver: { name: 'taken over', of: (step) => (step?.handOver ? 'yes' : 'no') },
  noWait: { name: 'may wait after it', of: (step) => (step?.noWait ? 'no' : 'yes') },
  place: { name: 'places', of: (step) => (step?.place ? `a ${step.place.kind}${step.place.outline ? ' of its outline' : ''}` : '—') },
  repeat: {
    name: 'rounds',
    of: (step, graph) => {
      const { repeat } = step ?? {};
      if (!repeat) return 'once';
      const back = `from ${nameOf(graph, repeat.backTo)}`;
      if (repeat.kind === 'until accepted') return `until accepted, ${repeat.maximum} at most, ${back}`;
      return repeat.timesByOption ? `by option, ${back}` : `${repeat.times}, ${back}`;
    },
  },
  ways: { name: 'other ways', of: (step) => listed(step?.ways?.map((w) => `${w.name}: ${w.minutesPerPiece} min each`)) },
  needs: { name: 'must exist first', of: (step) => listed(step?.needs?.map((n) => `${n.kind} ${n.what}`)) },
  draws: { name: 'small parts', of: (step) => listed(step?.draws?.map((d) => `${d.perPiece} ${d.modelId}`)) },
  characteristics: { name: 'measures', of: (step) => listed(step?.characteristics?.map((c) => `${c.name} ${c.low}–${c.high} ${c.unit}`)) },
  coat: { name: 'coats', of: (step) => (step?.coat ? `${step.coat.coats} × ${step.coat.wetUm} µm ${step.coat.materialId}` : '—') },
  cautions: { name: 'cautions', of: (step) => listed(step?.cautions) },
  awayDays: { name: 'days away', of: (step) => plain(step?.awayDays) },
};

/** What a property of a step is called, and how its value is told. */
export const fieldInWords = (field: keyof Operation): FieldWords => SPECIAL[field] ?? { name: field, of: (step) => plain(step?.[field]) };
