import { useCallback, useState } from 'react';
import { useSearchParams } from 'react-router';

/** Lines of a page. */
export const PAGE_SIZE = 100;

/** Which page of a long list is looked at, in which order, for what text: the address holds order and text. */
export interface Paging {
  /** what to ask the server with */
  asked: { size: number; sort: string; text?: string; after?: string };
  text: string;
  /** from 0 */
  page: number;
  setText: (text: string) => void;
  /** null: as the list usually is */
  setSort: (sort: string | null) => void;
  /** @param end the `next` of the page in sight */
  goOn: (end: string) => void;
  goBack: () => void;
}

/**
 * @param usually the order of the list when nobody asks for another; with a minus the largest first
 * @param narrowedTo what else chooses its lines: the list of another choice begins at its own first page
 */
export function usePaging(usually: string, narrowedTo = ''): Paging {
  const [search, setSearch] = useSearchParams();
  const sort = search.get('sort') ?? usually;
  const text = search.get('text') ?? '';
  const list = JSON.stringify([sort, text, narrowedTo]);
  // The ends of the pages before this one, of the list as it is now: another order or text begins at the first page.
  const [ends, setEnds] = useState<{ of: string; at: readonly string[] }>({ of: list, at: [] });
  const at = ends.of === list ? ends.at : [];
  const put = useCallback(
    (name: string, value: string | null) =>
      setSearch(
        (now) => {
          const next = new URLSearchParams(now);
          if (value === null || value === '') next.delete(name);
          else next.set(name, value);
          return next;
        },
        { replace: true },
      ),
    [setSearch],
  );
  const after = at.at(-1);
  return {
    asked: { size: PAGE_SIZE, sort, ...(text === '' ? {} : { text }), ...(after === undefined ? {} : { after }) },
    text,
    page: at.length,
    setText: useCallback((value) => put('text', value), [put]),
    setSort: (value) => put('sort', value),
    goOn: (end) => setEnds({ of: list, at: [...at, end] }),
    goBack: () => setEnds({ of: list, at: at.slice(0, -1) }),
  };
}

/** The list in words: how many it has, or that there are more than were counted. */
export const howMany = ({ found, foundExactly }: { found: number; foundExactly: boolean }): string =>
  foundExactly ? found.toLocaleString('en') : `more than ${found.toLocaleString('en')}`;

/** Where the whole of a filtered list is to be had as a file. */
export const fileOf = (path: string, filter: Readonly<Record<string, string | undefined>>): string =>
  `${path}?${new URLSearchParams(Object.entries(filter).flatMap(([name, value]) => (value ? [[name, value]] : []))).toString()}`;
