import type { QueryClient } from '@tanstack/react-query';
import { isOld, type Change, type Topics } from './topics.ts';

/** What others change is gathered for so long: a press of one is asked for once, however many entries it writes. */
export const GATHER_MS = 300;
/** What this page did comes again with everybody's, if it has not already: it is known by its name. The latest few. */
const REMEMBERED = 50;

/** Views of the whole factory: nobody's next act hangs on one. */
const SUMMARIES = ['morning', 'walk', 'floor', 'flow'];

const kept = new WeakMap<QueryClient, Changes>();

/** Makes old what was told to have changed, and nothing else. */
export class Changes {
  private readonly own = new Set<string>();
  private told: Topics = {};
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** One for each client, for all who ask it. */
  static of(queries: QueryClient): Changes {
    const known = kept.get(queries) ?? new Changes(queries);
    kept.set(queries, known);
    return known;
  }

  constructor(private readonly queries: QueryClient) {}

  /**
   * This page's own command was carried out. Resolves when the next act can be judged by what is shown; views of the
   * whole factory come when they come.
   *
   * @param told what its answers said had changed; where they said nothing, anything may have
   */
  async mine(told: readonly Change[]): Promise<void> {
    const topics = told.map((change) => change.topics).reduce(together, {});
    if (Object.keys(topics).length === 0) return this.queries.invalidateQueries();
    for (const { id } of told) if (id !== undefined) this.own.add(id);
    for (const first of this.own) if (this.own.size > REMEMBERED) this.own.delete(first);
    const isSummary = ([first]: readonly unknown[]) => SUMMARIES.includes(String(first));
    void this.queries.invalidateQueries({ predicate: ({ queryKey }) => isSummary(queryKey) && isOld(queryKey, topics) });
    await this.queries.invalidateQueries({ predicate: ({ queryKey }) => !isSummary(queryKey) && isOld(queryKey, topics) });
  }

  /** Somebody's change was told to every page. */
  everybodys({ id, topics }: Change): void {
    if (id !== undefined && this.own.delete(id)) return;
    this.told = together(this.told, topics);
    this.timer ??= setTimeout(() => {
      const gathered = this.told;
      this.told = {};
      this.timer = undefined;
      void this.queries.invalidateQueries({ predicate: ({ queryKey }) => isOld(queryKey, gathered) });
    }, GATHER_MS);
  }
}

function together(a: Topics, b: Topics): Topics {
  const both: Record<string, readonly string[] | null> = { ...a };
  for (const [subject, ids] of Object.entries(b)) {
    const before = both[subject];
    both[subject] = before === undefined ? ids : before === null || ids === null ? null : [...new Set([...before, ...ids])];
  }
  return both;
}
