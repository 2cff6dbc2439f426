import { rowKind } from '../ledger/index.ts';

export const CUTTER_STATES = ['ready', 'mounted', 'away', 'broken', 'put away'] as const;
/** ready: on the shelf, sharp · mounted: on a machine · away: being sharpened · broken · put away: for good */
export type CutterState = (typeof CUTTER_STATES)[number];

/** A cutter of the machines, with its life. */
export interface Cutter {
  /** as it is marked */
  id: string;
  /** as programs call it */
  kind: string;
  state: CutterState;
  /** where it is mounted; null where it is not */
  stationCode: string | null;
  bench: number | null;
  /** how long it cuts well, in minutes, from sharp */
  lifeMinutes: number;
  /** how often it has been sharpened */
  sharpened: number;
  sinceMs: number;
  note: string;
  version: number;
}
export const Cutter = rowKind<Cutter>('cutter', { key: 'id', by: ['stationCode'] });

/** Under what a cutter's minutes are counted until it is sharpened again. */
export const useIdOf = ({ id, sharpened }: Pick<Cutter, 'id' | 'sharpened'>): string => `${id}/${sharpened}`;

/** From so much of its life on, the next one should lie ready. */
export const NEARLY_OVER = 0.9;

/** How much of a cutter's life is gone; above 1 where it is over. */
export const lifeGone = ({ usedMinutes, lifeMinutes }: { usedMinutes: number; lifeMinutes: number }): number => usedMinutes / lifeMinutes;

/** What can be done with a cutter in each state, and what it is afterwards. */
export const CUTTER_ACTS = {
  mount: { from: ['ready', 'mounted'], to: 'mounted' },
  'take off': { from: ['mounted'], to: 'ready' },
  'send to be sharpened': { from: ['ready', 'mounted'], to: 'away' },
  sharpened: { from: ['ready', 'mounted', 'away'], to: 'ready' },
  broken: { from: ['ready', 'mounted', 'away'], to: 'broken' },
  'put away': { from: ['ready', 'away', 'broken'], to: 'put away' },
} as const satisfies Readonly<Record<string, { from: readonly CutterState[]; to: CutterState }>>;
export type CutterAct = keyof typeof CUTTER_ACTS;
export const CUTTER_ACT_NAMES = Object.keys(CUTTER_ACTS) as readonly CutterAct[];

/** What may be done with a cutter now. */
export const actsOn = ({ state }: Pick<Cutter, 'state'>): CutterAct[] =>
  CUTTER_ACT_NAMES.filter((act) => (CUTTER_ACTS[act].from as readonly CutterState[]).includes(state));
