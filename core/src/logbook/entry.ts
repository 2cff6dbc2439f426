import type { Order } from './order.ts';
import type { PairChoice } from '../fitting/index.ts';
import type { BatchPayloads, Component, Finding, Override, RouteFacts } from '../routing/index.ts';
import type { Blank, Depth, Lot, LotReceipt, SpeciesCoefficients, StockBoard } from '../timber/index.ts';

/** What each kind of entry says, version 1 of each. */
export interface Payloads extends BatchPayloads {
  'lot.received': { lot: LotReceipt };
  /** papers, grade, place: what is known of it better than before */
  'lot.described': Partial<Pick<Lot, 'papersPct' | 'grade' | 'place' | 'permit'>>;
  /** to another room, or into a kiln on a schedule */
  'lot.moved': { zoneId: string; place: string | null; scheduleId: string | null };
  'lot.read': {
    sessionId: string;
    meter: string;
    woodTempC: number;
    readings: { depth: Depth; rawPct: number; correctedPct: number; massG?: number; dryMassG?: number }[];
    /** what the meter's handbook says of the species, where it was corrected for that */
    species?: SpeciesCoefficients & { densityOffsetPct: number };
    /** dry masses of sample boards begun with this session */
    samples?: Readonly<Record<string, number>>;
  };
  'boards.measured': { boards: Omit<StockBoard, 'lotId' | 'state'>[] };
  'boards.cut': {
    boardIds: string[];
    volumeM3: number;
    blanks: Pick<Blank, 'id' | 'boardId' | 'modelId' | 'component' | 'lengthMm' | 'widthMm' | 'thicknessMm' | 'setId' | 'look'>[];
  };
  'blanks.weighed': { blanks: { id: string; massG: number; moisturePct: number }[] };
  'blanks.reserved': { blankIds: string[]; orderId: string | null };
  'reading.struck': { sessionId: string; seq: number; reason: string; meanPct: number; spreadPct: number };
  'lot.released': { override: Override | null; findings: readonly Finding[] };
  'order.placed': { order: Pick<Order, 'id' | 'number' | 'modelId' | 'quantity' | 'customer' | 'dueMs'> & Partial<Pick<Order, 'choices'>> };
  'batch.started': {
    number: number;
    modelId: string;
    component: Component;
    routeId: string;
    orderId: string | null;
    lotId: string;
    quantity: number;
    dueMs: number | null;
    /** lumber taken from the lot */
    volumeM3: number;
    /** what the route's conditions look at; absent in the first entries of the logbook */
    facts?: RouteFacts;
    trial?: boolean;
    /** the block each piece was cut from, in the pieces' order */
    setIds?: readonly (string | null)[];
    /** the blank each piece is made of, in the pieces' order */
    blankIds?: readonly string[];
  };
  'coat.logged': {
    coatId: string;
    operationId: string;
    materialId: string;
    wetUm: number;
    dryUm: number;
    flashMinutes: number;
    override: Override | null;
  };
  'measures.taken': {
    operationId: string;
    measures: {
      id: string;
      pieceId: string;
      characteristicId: string;
      value: number;
      low: number;
      high: number;
    }[];
  };
  'instruments.fitted': {
    number: number;
    bodyBatchId: string;
    neckBatchId: string | null;
    pairs: (PairChoice & { serial: string; clearanceMm: number | null })[];
  };
  'instrument.shipped': { consignee: string; shipper: string };
  'setup.changed': { what: string; id: string; before: unknown; after: unknown };
}

export type EntryKind = keyof Payloads;

/** What is to be written down: when, who, about what. */
export type NewEntry = {
  [K in EntryKind]: {
    kind: K;
    atMs: number;
    personId: string | null;
    lotId: string | null;
    batchId: string | null;
    serial: string | null;
    schemaVersion: 1;
    payload: Payloads[K];
  };
}[EntryKind];

/** One line of the logbook. Appended, never changed. */
export type LogbookEntry = NewEntry & { id: number };

export type EntryOf<K extends EntryKind> = Extract<NewEntry, { kind: K }>;
