/**
 * Something a judgement must know that no row says: the air in a room, the next free number. Asked by its name and what it
 * is about; whoever runs the judgement answers, or does not.
 */
export interface Question<About, Answer> {
  readonly name: string;
  /** keeps the two types with the question; never there */
  readonly types?: (about: About) => Answer;
}

export const question = <About, Answer>(name: string): Question<About, Answer> => ({ name });

/** A question about something. */
export interface Asked {
  readonly question: Question<never, unknown>;
  readonly about: unknown;
}

export const asked = <About, Answer>(wanted: Question<About, Answer>, about: About): Asked => ({
  question: wanted,
  about,
});

/** Nobody could say. It is a value of its own, so that no judgement takes silence for an answer. */
export const NOT_ANSWERED: unique symbol = Symbol('not answered');
export type NotAnswered = typeof NOT_ANSWERED;

/** What has been answered, each question by what it was about. */
export class Answers {
  /** by the question's name, then by what it was about */
  private readonly given = new Map<string, Map<string, unknown>>();

  give<About, Answer>(to: Question<About, Answer>, about: About, answer: Answer | NotAnswered): this {
    return this.put(asked(to, about), answer);
  }

  /** The same for a question as it was asked. */
  put({ question: { name }, about }: Asked, answer: unknown): this {
    const known = this.given.get(name) ?? new Map<string, unknown>();
    this.given.set(name, known.set(JSON.stringify(about), answer));
    return this;
  }

  /** These and others; the others' where both have one. */
  with(others: Answers): Answers {
    const all = new Answers();
    for (const given of [this.given, others.given])
      for (const [name, answers] of given) all.given.set(name, new Map([...(all.given.get(name) ?? []), ...answers]));
    return all;
  }

  /** The answer, or that there is none: it was not asked, or nobody could say. */
  to<About, Answer>({ name }: Question<About, Answer>, about: About): Answer | NotAnswered {
    const known = this.given.get(name);
    if (!known) return NOT_ANSWERED;
    const key = JSON.stringify(about);
    // An answer is given with its question, whose types it has.
    return known.has(key) ? (known.get(key) as Answer | NotAnswered) : NOT_ANSWERED;
  }
}
