import { Changes } from './changes.ts';
import type { Change } from './topics.ts';
import { keepPreviousData, MutationCache, QueryCache, QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { ApiProblem, ask, client, takeChanged, type AskedOf, type ProblemDocument, type View } from './api.ts';
import { setConnected } from './connection.ts';
import { newKey } from './newKey.ts';

const STALE_MS = 30_000;
const RETRY_MS = 3_000;
const MAX_RETRIES = 2;

/** A session that has ended shows as the first answer that says so: whoever is there is asked to sign in again at once. */
const noticeEnd = (error: unknown): void => {
  // Who was not signed in before stays where they are: at the door, with what they typed.
  const wasSignedIn = queryClient.getQueryData(['session']) !== undefined;
  if (!wasSignedIn || !(error instanceof ApiProblem) || error.problem.status !== 401) return;
  void queryClient.invalidateQueries({ queryKey: ['session'], exact: true });
  // At a station it may be who was let on that is over.
  void queryClient.invalidateQueries({ queryKey: ['bench'] });
};

export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError: (error, { queryKey }) => queryKey[0] !== 'session' && noticeEnd(error) }),
  mutationCache: new MutationCache({ onError: noticeEnd }),
  defaultOptions: {
    // A request that cannot be sent is told at once, rather than held back until the browser thinks it is online.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      staleTime: STALE_MS,
      retry: (count, error) =>
        count < MAX_RETRIES && !(error instanceof ApiProblem && error.problem.status >= 400 && error.problem.status < 500),
    },
  },
});

/** Keeps what is shown current: the server tells what changed, and only that is fetched again. */
export function useLiveUpdates(signedIn: boolean): void {
  const queries = useQueryClient();
  useEffect(() => {
    if (!signedIn) return;
    let source: EventSource;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let wasLost = false;
    let wasOpen = false;
    const listen = () => {
      source = new EventSource('/api/events');
      source.addEventListener('open', () => {
        setConnected(true);
        wasOpen = true;
        // What changed meanwhile was told to nobody.
        if (wasLost) void queries.invalidateQueries();
        wasLost = false;
      });
      source.addEventListener('error', () => {
        wasLost = true;
        source.close();
        // The stream ends with its session, as well as with the network; a server that was started anew ends it too.
        void queries.invalidateQueries({ queryKey: ['session'], exact: true });
        if (!wasOpen) setConnected(false);
        retry = setTimeout(listen, wasOpen ? 0 : RETRY_MS);
        wasOpen = false;
      });
      source.addEventListener('change', ({ data }: MessageEvent<string>) => {
        Changes.of(queries).everybodys(JSON.parse(data) as Change);
      });
    };
    listen();
    return () => {
      clearTimeout(retry);
      source.close();
    };
  }, [signedIn, queries]);
}

export const useWelcome = () => useQuery({ queryKey: ['welcome'], queryFn: () => ask(client.GET('/api/welcome')) });
export const useSessionQuery = () => useQuery({ queryKey: ['session'], queryFn: () => ask(client.GET('/api/session')), retry: false });
export const useBench = () => useQuery({ queryKey: ['bench'], queryFn: () => ask(client.GET('/api/bench')) });
export const useMorning = () => useQuery({ queryKey: ['morning'], queryFn: () => ask(client.GET('/api/morning')) });
export const useWalk = () => useQuery({ queryKey: ['walk'], queryFn: () => ask(client.GET('/api/walk')) });
export const useFloor = () => useQuery({ queryKey: ['floor'], queryFn: () => ask(client.GET('/api/floor')) });
export const useCarriers = () => useQuery({ queryKey: ['carriers'], queryFn: () => ask(client.GET('/api/carriers')) });
export const useKits = () => useQuery({ queryKey: ['kits'], queryFn: () => ask(client.GET('/api/kits')) });
export const useDimensions = () => useQuery({ queryKey: ['dimensions'], queryFn: () => ask(client.GET('/api/dimensions')) });
export const useDimensionChart = (asked: AskedOf<'/api/dimensions/chart'> | null) =>
  useQuery({
    queryKey: ['dimensions', 'chart', asked],
    queryFn: () => ask(client.GET('/api/dimensions/chart', { params: { query: asked ?? { id: '' } } })),
    enabled: asked !== null,
    placeholderData: keepPreviousData,
  });
export const usePrograms = () => useQuery({ queryKey: ['programs', 'all'], queryFn: () => ask(client.GET('/api/programs')) });
export const useProgram = (id: string) =>
  useQuery({
    queryKey: ['programs', 'one', id],
    queryFn: () => ask(client.GET('/api/programs/one', { params: { query: { id } } })),
  });
export const useCutters = () => useQuery({ queryKey: ['cutters'], queryFn: () => ask(client.GET('/api/cutters')) });
export const useLoads = () => useQuery({ queryKey: ['loads'], queryFn: () => ask(client.GET('/api/loads')) });
export const useRigs = (stage: View<'BatchView'>['stage']) =>
  useQuery({ queryKey: ['rigs', stage], queryFn: () => ask(client.GET('/api/rigs', { params: { query: { stage } } })) });
export const useMachines = () => useQuery({ queryKey: ['machines'], queryFn: () => ask(client.GET('/api/machines')) });
export const useInstrumentStudies = () =>
  useQuery({ queryKey: ['instrument studies'], queryFn: () => ask(client.GET('/api/instrument-studies')) });
export const useCarrier = (id: string) =>
  useQuery({ queryKey: ['carriers', id], queryFn: () => ask(client.GET('/api/carriers/{id}', { params: { path: { id } } })) });
export const useStationWork = (code: string) =>
  useQuery({ queryKey: ['stations', code], queryFn: () => ask(client.GET('/api/stations/{code}/work', { params: { path: { code } } })) });
export const useRoutes = () => useQuery({ queryKey: ['routes'], queryFn: () => ask(client.GET('/api/routes')) });
export const useRoute = (id: string, enabled = true) =>
  useQuery({ queryKey: ['routes', id], queryFn: () => ask(client.GET('/api/routes/{id}', { params: { path: { id } } })), enabled });
export const useWorkToMove = (id: string) =>
  useQuery({ queryKey: ['batches', 'to move', id], queryFn: () => ask(client.GET('/api/routes/{id}/work', { params: { path: { id } } })) });
export const useFlow = (days: number) =>
  useQuery({
    queryKey: ['flow', days],
    queryFn: () => ask(client.GET('/api/flow', { params: { query: { days } } })),
  });
/** Specials, trials and tooling. */
export const useClasses = () =>
  useQuery({ queryKey: ['classes'], queryFn: () => ask(client.GET('/api/flow/classes', { params: { query: {} } })) });
/** What months came to, the latest of them; one that is over changes rarely. */
export const useMonths = (most?: number) =>
  useQuery({
    queryKey: ['months', most ?? 'all'],
    queryFn: () => ask(client.GET('/api/flow/months', { params: { query: most === undefined ? {} : { most } } })),
  });
export type PriceAsked = AskedOf<'/api/flow/price'>;
/** What one way of making a model comes to against another. */
export const usePrice = (asked: PriceAsked | undefined) =>
  useQuery({
    queryKey: ['policies', asked],
    queryFn: () => ask(client.GET('/api/flow/price', { params: { query: asked ?? { modelId: '', perWeek: 1 } } })),
    enabled: asked !== undefined,
    placeholderData: keepPreviousData,
  });
export const useDevices = () => useQuery({ queryKey: ['devices'], queryFn: () => ask(client.GET('/api/devices')) });
/**
 * What devices of a place send from when a field begins to wait, until it does no more.
 *
 * @param visit how often it has waited: each time it is from then on
 */
export function useDeviceValues(place: string, visit: number, isWaiting: boolean) {
  const values = (after?: string) =>
    ask(client.GET('/api/device-values', { params: { query: after === undefined ? { place } : { place, after } } }));
  const since = useQuery({
    queryKey: ['device field', place, visit],
    queryFn: () => values(),
    enabled: isWaiting,
    gcTime: 0,
    staleTime: Infinity,
  });
  const after = since.data?.cursor;
  return useQuery({
    queryKey: ['device values', place, visit, after],
    queryFn: () => values(after),
    enabled: isWaiting && after !== undefined,
  });
}
export const useSetup = () => useQuery({ queryKey: ['setup'], queryFn: () => ask(client.GET('/api/setup')) });
export const useZones = () =>
  useQuery({
    queryKey: ['zones'],
    queryFn: () => ask(client.GET('/api/zones')),
    refetchInterval: 10 * 60_000,
  });
export const useLots = (states?: NonNullable<AskedOf<'/api/lots'>['states']>) =>
  useQuery({
    queryKey: ['lots', ...(states ?? ['all'])],
    queryFn: () => ask(client.GET('/api/lots', { params: { query: states === undefined ? {} : { states } } })),
  });
export const useUsedUpPage = (asked: AskedOf<'/api/lots/used-up'>) =>
  useQuery({
    queryKey: ['lots', 'used up', asked],
    queryFn: () => ask(client.GET('/api/lots/used-up', { params: { query: asked } })),
    placeholderData: keepPreviousData,
  });
export const useLot = (id: string) =>
  useQuery({
    queryKey: ['lots', 'card', id],
    queryFn: () => ask(client.GET('/api/lots/{id}', { params: { path: { id } } })),
  });
export const useOutlook = (id: string, air: { tempC: number; relativeHumidity: number } | null) =>
  useQuery({
    queryKey: ['lots', 'outlook', id, air?.tempC, air?.relativeHumidity],
    queryFn: () =>
      ask(client.GET('/api/lots/{id}/outlook', { params: { path: { id }, query: air ?? { tempC: 21, relativeHumidity: 0.45 } } })),
    enabled: air !== null,
  });
export const useAir = (zoneId: string | undefined, days: number) =>
  useQuery({
    queryKey: ['air', zoneId, days],
    queryFn: () => ask(client.GET('/api/air/{zoneId}', { params: { path: { zoneId: zoneId ?? '' }, query: { days } } })),
    enabled: zoneId !== undefined,
  });
export const useStock = () => useQuery({ queryKey: ['stock'], queryFn: () => ask(client.GET('/api/stock')) });
export const useOrderWood = (id: string) =>
  useQuery({ queryKey: ['stock', 'order', id], queryFn: () => ask(client.GET('/api/stock/orders/{id}', { params: { path: { id } } })) });
export const useBlanks = () => useQuery({ queryKey: ['cutting', 'blanks'], queryFn: () => ask(client.GET('/api/blanks')) });
export const useAllotment = (modelId: string, component: View<'BatchView'>['component']) =>
  useQuery({
    queryKey: ['stock', 'allotment', modelId, component],
    queryFn: () => ask(client.GET('/api/stock/allotment', { params: { query: { modelId, component } } })),
    enabled: modelId !== '',
  });
export const usePlanPage = (asked: AskedOf<'/api/cutting/plans'>) =>
  useQuery({
    queryKey: ['cutting', 'plans', asked],
    queryFn: () => ask(client.GET('/api/cutting/plans', { params: { query: asked } })),
    placeholderData: keepPreviousData,
  });
export const useCutting = () => useQuery({ queryKey: ['cutting'], queryFn: () => ask(client.GET('/api/cutting')) });
export const usePlan = (id: string) =>
  useQuery({
    queryKey: ['cutting', 'plan', id],
    queryFn: () => ask(client.GET('/api/cutting/plans/{id}', { params: { path: { id } } })),
    enabled: id !== 'new',
  });
/** What an order would go through; kept while its fields change, so that the form does not jump. */
export const useOrderOutlook = (asked: AskedOf<'/api/orders/outlook'> | null) =>
  useQuery({
    queryKey: ['orders', 'outlook', asked],
    queryFn: () => ask(client.GET('/api/orders/outlook', { params: { query: asked ?? { modelId: '', quantity: 1 } } })),
    enabled: asked !== null,
    placeholderData: keepPreviousData,
  });
export const useOrders = () => useQuery({ queryKey: ['orders'], queryFn: () => ask(client.GET('/api/orders')) });
/** An order whether it is open or over; none is asked for without its id. */
export const useOrderPast = (id: string | null) =>
  useQuery({
    queryKey: ['orders', 'past', id],
    queryFn: () => ask(client.GET('/api/orders/{id}', { params: { path: { id: id ?? '' } } })),
    enabled: id !== null,
  });
export const useBatchPage = (asked: AskedOf<'/api/batches'>) =>
  useQuery({
    queryKey: ['batches', 'page', asked],
    queryFn: () => ask(client.GET('/api/batches', { params: { query: asked } })),
    placeholderData: keepPreviousData,
  });
export const useCard = (id: string) =>
  useQuery({
    queryKey: ['batches', 'card', id],
    queryFn: () => ask(client.GET('/api/batches/{id}', { params: { path: { id } } })),
  });
export const useFitting = () => useQuery({ queryKey: ['fitting'], queryFn: () => ask(client.GET('/api/fitting')) });
export const useInstrumentPage = (asked: AskedOf<'/api/instruments'>) =>
  useQuery({
    queryKey: ['instruments', 'page', asked],
    queryFn: () => ask(client.GET('/api/instruments', { params: { query: asked } })),
    placeholderData: keepPreviousData,
  });
export const useRecord = (serial: string) =>
  useQuery({
    queryKey: ['instruments', serial],
    queryFn: () => ask(client.GET('/api/instruments/{serial}', { params: { path: { serial } } })),
  });

/** A "no" that will stay one. What was not reached, broken or busy may have been carried out: it is asked again under its key. */
const isFinal = ({ status }: ProblemDocument) => status >= 400 && status < 500 && status !== 408 && status !== 429;

/** The header that makes a repeated request harmless. */
export type KeyHeader = { 'Idempotency-Key': string; 'Bench-Person'?: string };

/**
 * A command to the server. The key stays the same until the command has been carried out, so that a second press or a
 * retry after a lost answer does it once. `done` runs even when the change takes the asking part off the screen.
 */
export function useCommand<Input, Output>(
  call: (input: Input, headers: KeyHeader) => Promise<Output>,
  done?: (output: Output, input: Input) => void,
) {
  const queries = useQueryClient();
  const pending = useRef<{ input: string; key: string } | null>(null);
  return useMutation<Output, Error, Input>({
    mutationFn: (input) => {
      // A file has no JSON: it is told apart by its name, size and date.
      const text = JSON.stringify([input], (_, value: unknown) =>
        value instanceof File ? [value.name, value.size, value.lastModified] : value,
      );
      if (pending.current?.input !== text) pending.current = { input: text, key: newKey() };
      return call(input, { 'Idempotency-Key': pending.current.key });
    },
    onSuccess: async (output, input) => {
      const told = takeChanged(pending.current?.key ?? '');
      pending.current = null;
      done?.(output, input);
      await Changes.of(queries).mine(told);
    },
    onError: (error) => {
      // A business "no" is final for this key; a lost answer is asked for again under it.
      if (error instanceof ApiProblem && isFinal(error.problem)) pending.current = null;
      if (error instanceof ApiProblem && error.problem.status === 409) void queries.invalidateQueries();
    },
  });
}
