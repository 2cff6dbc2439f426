import type { Order } from './order.ts';
import type { PairChoice } from '../fitting/index.ts';
import type { BatchPayloads, Component, Finding, Override, RouteFacts } from '../routing/index.ts';
import type { Depth, Lot } from '../timber/index.ts';

/** What each kind of entry says, version 1 of each. */
export interface Payloads extends BatchPayloads {
  'lot.received': {
    lot: Omit<Lot, 'leftM3' | 'state' | 'releasedMs' | 'meanPct' | 'lastReadMs' | 'sessions' | 'version' | 'receivedMs'>;
  };
  'lot.read': {
    sessionId: string;
    meter: string;
    woodTempC: number;
    readings: { depth: Depth; rawPct: number; correctedPct: number }[];
  };
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
