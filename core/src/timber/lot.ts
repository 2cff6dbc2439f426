import { rowKind, rowsBy, rowsOf, type RowKind } from '../ledger/index.ts';
import type { Depth } from './readings.ts';
import type { Method } from './session.ts';

export const LOT_STATES = ['drying', 'released', 'used up'] as const;
export type LotState = (typeof LOT_STATES)[number];

export const LOT_USES = ['body', 'neck', 'top', 'back', 'sides', 'fingerboard'] as const;
export type LotUse = (typeof LOT_USES)[number];

/** Wood bought together. */
export interface Lot {
  id: string;
  number: number;
  species: string;
  /** lumber, blanks, tops, boards… */
  form: string;
  use: LotUse;
  thicknessMm: number;
  volumeM3: number;
  /** not yet cut into batches */
  leftM3: number;
  supplier: string;
  origin: string;
  /** permit number of a restricted species */
  permit: string | null;
  restricted: boolean;
  zoneId: string;
  receivedMs: number;
  state: LotState;
  releasedMs: number | null;
  /** corrected mean of the latest session */
  meanPct: number | null;
  lastReadMs: number | null;
  /** corrected mean of the earliest session, and when that was: as the lot came */
  firstPct: number | null;
  firstReadMs: number | null;
  sessions: number;
  /** what the supplier's papers say of its moisture */
  papersPct: number | null;
  grade: string | null;
  /** where in its zone it lies: a rack, a bay */
  place: string | null;
  /** the zones it has lain in, from when, the first from its receipt */
  stays: readonly { zoneId: string; fromMs: number }[];
  /** dry masses of its running sample boards */
  samples: Readonly<Record<string, number>>;
  /** the kiln schedule it is on */
  scheduleId: string | null;
  version: number;
}
export const Lot = rowKind<Lot>('lot', {
  key: 'id',
  // What orders keep of it.
  alongWith: ({ id }) => [{ kind: KeptWood, field: 'lotId', values: [id] }],
});

/** Wood of a lot that an order has chosen and nobody else may cut. */
export interface KeptWood {
  /** lot and order, told by `keptWoodId` */
  id: string;
  lotId: string;
  orderId: string;
  volumeM3: number;
}
export const KeptWood: RowKind<KeptWood> = rowKind<KeptWood>('kept wood', {
  key: 'id',
  by: ['lotId', 'orderId'],
  under: ({ lotId }) => [rowsOf(Lot, [lotId])],
});

/** What a lot is bought as. */
export type LotReceipt = Pick<
  Lot,
  'id' | 'number' | 'species' | 'form' | 'use' | 'thicknessMm' | 'volumeM3' | 'supplier' | 'origin' | 'permit' | 'restricted' | 'zoneId'
> &
  Partial<Pick<Lot, 'papersPct' | 'grade' | 'place'>>;

/** Readings taken of a lot in one go. */
export interface ReadingSession {
  id: string;
  lotId: string;
  atMs: number;
  personId: string | null;
  meter: Method;
  woodTempC: number;
  meanPct: number;
  spreadPct: number;
}
export const ReadingSession = rowKind<ReadingSession>('session', {
  key: 'id',
  by: ['lotId'],
  seldom: true,
  alongWith: ({ id }) => [rowsBy(Reading, 'sessionId', [id])],
  under: ({ lotId }) => [rowsOf(Lot, [lotId])],
});

export interface Reading {
  id: string;
  sessionId: string;
  seq: number;
  depth: Depth;
  rawPct: number;
  correctedPct: number;
  /** weighed, in an oven test or on a sample board */
  massG: number | null;
  dryMassG: number | null;
  /** of the wood, where it was not the session's */
  woodTempC: number | null;
  /** what was written down first, where it was put right later */
  firstRawPct: number | null;
  /** why it does not count, when someone struck it out */
  struck: string | null;
}
export const Reading = rowKind<Reading>('reading', { key: 'id', seldom: true });
