import type { Question, NotAnswered } from './question.ts';
import type { Ask } from './rowKind.ts';
import type { Rows } from './rows.ts';

/** How a question is answered by whoever holds the rows it rests on. */
export interface Answerer<Factory> {
  readonly question: Question<never, unknown>;
  /** the rows it rests on, told from those known so far */
  reads(about: unknown, known: Rows): readonly Ask[];
  answer(about: unknown, rows: Rows, factory: Factory): unknown;
}

export const answerer = <About, Answer, Factory = unknown>(
  question: Question<About, Answer>,
  by: {
    reads: (about: About, known: Rows) => readonly Ask[];
    answer: (about: About, rows: Rows, factory: Factory) => Answer | NotAnswered;
  },
): Answerer<Factory> => ({
  question: question,
  // A question is asked with what it is about: `asked` ties the two.
  reads: (about, known) => by.reads(about as About, known),
  answer: (about, rows, factory) => by.answer(about as About, rows, factory),
});
