import { ROWS_VERSION } from '@ample-crane/core';
import { API_SHAPE } from './apiShape.gen.ts';
import { dehydrate, hydrate, type DehydratedState, type Query, type QueryClient } from '@tanstack/react-query';

// What a station needs when the network is gone: who is signed in, its queue, the cards in it.
const KEPT = 'last seen';
/** What an earlier program kept of answers, a later one does not read. */
const VERSION = `${ROWS_VERSION} ${API_SHAPE}`;
const KEPT_FOR_MS = 48 * 3_600_000;
const KEPT_CARDS = 30;
const SAVE_EVERY_MS = 2_000;
const STATION_QUERIES: ReadonlySet<unknown> = new Set(['session', 'bench', 'stations', 'setup', 'walk', 'zones', 'carriers', 'factory']);

type KeptIn = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** Cards, and what a device holds of their batches to judge by itself. */
const CARDS = ['card', 'held'] as const;
const isOf = ({ queryKey }: Query, kind: (typeof CARDS)[number]) => queryKey[0] === 'batches' && queryKey[1] === kind;
const isCard = (query: Query) => CARDS.some((kind) => isOf(query, kind));
const latestFirst = (a: Query, b: Query) => b.state.dataUpdatedAt - a.state.dataUpdatedAt;
const isKept = (query: Query) => query.state.data !== undefined && (STATION_QUERIES.has(query.queryKey[0]) || isCard(query));

/** Shows again what this device saw last, and keeps what it sees from now on. */
export function keepOnDevice(queries: QueryClient, storage: KeptIn = localStorage): void {
  try {
    const kept = JSON.parse(storage.getItem(KEPT) ?? 'null') as { version?: string; atMs: number; state: DehydratedState } | null;
    // What another version of the program kept, this one cannot judge by.
    if (kept?.version === VERSION && Date.now() - kept.atMs < KEPT_FOR_MS) {
      hydrate(queries, kept.state);
      // However young: what changed since was told to nobody.
      void queries.invalidateQueries({ refetchType: 'none' });
    }
  } catch {
    // Damaged: it is fetched anew.
    storage.removeItem(KEPT);
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  queries.getQueryCache().subscribe(({ type }) => {
    if (type !== 'updated' || timer !== undefined) return;
    timer = setTimeout(() => {
      timer = undefined;
      save(queries, storage);
    }, SAVE_EVERY_MS);
  });
}

function save(queries: QueryClient, storage: KeptIn): void {
  const all = queries.getQueryCache().getAll();
  const cards = new Set(
    CARDS.flatMap((kind) =>
      all
        .filter((q) => isOf(q, kind))
        .sort(latestFirst)
        .slice(0, KEPT_CARDS),
    ),
  );
  const state = dehydrate(queries, { shouldDehydrateQuery: (query) => isKept(query) && (!isCard(query) || cards.has(query)) });
  try {
    storage.setItem(KEPT, JSON.stringify({ version: VERSION, atMs: Date.now(), state }));
  } catch {
    // A full device keeps what it kept before: the entries that wait to be sent matter more.
    storage.removeItem(KEPT);
  }
}

/** Where the pages' keeper keeps pictures of step sheets. */
const PICTURES = 'sheet-pictures';

/** Forgets what was seen, as when somebody signs out. */
export function forgetOnDevice(storage: KeptIn = localStorage): void {
  storage.removeItem(KEPT);
  if ('caches' in globalThis) void globalThis.caches.delete(PICTURES);
}
