import type { Factory } from '../factory/index.ts';
import { asked, type Answers, type Asked } from '../ledger/index.ts';
import { programAsked, ProgramFor, programMissing, programsIn, type Operation } from '../routing/index.ts';
import type { Batch } from './batch.ts';

type OnItsRoute = Pick<Batch, 'modelId' | 'routeId' | 'facts' | 'workClass'>;

const optionsOf = (batch: OnItsRoute, factory: Factory) => factory.routeOf(batch).options ?? [];

/** What must be known to say what a step lacks. */
export const missingAsks = (batch: OnItsRoute, { needs }: Pick<Operation, 'needs'>, factory: Factory): Asked[] =>
  programsIn(needs).map(({ what }) => asked(ProgramFor, programAsked(what, batch, optionsOf(batch, factory))));

/** What is missing of what must exist before a step is begun its own way, in sentences. */
export const missingFor = (batch: OnItsRoute, { needs = [] }: Pick<Operation, 'needs'>, factory: Factory, answers: Answers): string[] =>
  needs.flatMap(
    (need) =>
      (need.kind === 'program'
        ? programMissing(need.what, answers.to(ProgramFor, programAsked(need.what, batch, optionsOf(batch, factory))))
        : factory.missing(batch.modelId, need)) ?? [],
  );
