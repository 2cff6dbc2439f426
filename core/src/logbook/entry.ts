import type { Order } from './order.ts';
import type { PairChoice } from '../fitting/index.ts';
import type { Component, Finding, Override, PauseCause, PieceOutcome } from '../routing/index.ts';
import type { Depth, Lot } from '../timber/index.ts';

/** What each kind of entry says, version 1 of each. */
export interface Payloads {
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
  'order.placed': { order: Pick<Order, 'id' | 'number' | 'modelId' | 'quantity' | 'customer' | 'dueMs'> };
  'batch.started': {
    number: number;
    modelId: string;
    component: Component;
    routeId: string;
    orderId: string | null;
    lotId: string;
    quantity: number;
    dueMs: number | null;
    carrier: string | null;
    /** lumber taken from the lot */
    volumeM3: number;
  };
  'work.started': { operationId: string; workerId: string };
  'work.paused': { cause: PauseCause };
  'work.resumed': { workerId: string };
  'work.finished': {
    operationId: string;
    good: number;
    rework: number;
    scrap: number;
    outcomes: readonly PieceOutcome[];
  };
  'batch.moved': { from: string; to: string; override: Override | null };
  'batch.held': { reason: string };
  'batch.released': Record<string, never>;
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
    carrier: string | null;
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
