import type { Condition, RouteOption } from './condition.ts';
import type { Operation } from './operation.ts';

/** A condition in words: "Binding both faces or top only". */
export function conditionInWords(condition: Condition, options: readonly RouteOption[] = []): string {
  switch (condition.kind) {
    case 'option': {
      const option = options.find((o) => o.id === condition.option);
      const values = condition.in.map((id) => option?.values.find((v) => v.id === id)?.name ?? id);
      return `${option?.name ?? condition.option} ${listed(values, ' or ')}`;
    }
    case 'species':
      return `${condition.component} of ${listed(condition.in, ' or ')}`;
    case 'construction':
      return listed(condition.in, ' or ');
    case 'not':
      return `not ${partInWords(condition.of, options)}`;
    case 'all':
    case 'any':
      return listed(
        condition.of.map((part) => partInWords(part, options)),
        condition.kind === 'all' ? ', and ' : ', or ',
      );
  }
}

const listed = (words: readonly string[], by: string): string => (words.length === 0 ? '(nothing yet)' : words.join(by));

/** Several rules inside several others are kept together by brackets. */
function partInWords(condition: Condition, options: readonly RouteOption[]): string {
  const words = conditionInWords(condition, options);
  return (condition.kind === 'all' || condition.kind === 'any') && condition.of.length > 0 ? `(${words})` : words;
}

/** What is special about a step, in a few words each. */
export function stepMarks(step: Operation, options: readonly RouteOption[] = []): string[] {
  const { repeat } = step;
  return [
    ...(step.when ? [`if ${conditionInWords(step.when, options)}`] : []),
    ...(repeat?.kind === 'count' ? [repeat.timesByOption ? 'rounds by option' : `${repeat.times} rounds`] : []),
    ...(repeat?.kind === 'until accepted' ? [`until accepted, ${repeat.maximum} rounds at most`] : []),
    ...(step.noWait ? ['no waiting after'] : []),
    ...(step.place ? [`in a ${step.place.kind}`] : []),
    ...(step.handOver ? ['taken over'] : []),
    ...(step.matchedSet ? ['own set only'] : []),
    ...(step.ways && step.ways.length > 0 ? [`${step.ways.length + 1} ways`] : []),
    ...(step.needs ?? []).map((n) => `needs ${n.kind}`),
    ...(step.draws && step.draws.length > 0 ? ['draws small parts'] : []),
  ];
}

/** What was chosen on an order, in words: "Binding: both faces". */
export const choicesInWords = (options: readonly RouteOption[], choices: Readonly<Record<string, string>>): string[] =>
  options.map((o) => `${o.name}: ${o.values.find((v) => v.id === choices[o.id])?.name ?? o.values[0]?.name ?? ''}`);
