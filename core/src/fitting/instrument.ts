export const INSTRUMENT_STATES = ['in work', 'shipped', 'scrapped'] as const;
export type InstrumentState = (typeof INSTRUMENT_STATES)[number];

/** A fitted body and neck with their serial. */
export interface Instrument {
  serial: string;
  modelId: string;
  orderId: string | null;
  batchId: string;
  bodyId: string;
  /** null where the model has no separate neck */
  neckId: string | null;
  clearanceMm: number | null;
  state: InstrumentState;
  /** when the first of its parts was started */
  startedMs: number;
  fittedMs: number;
  shippedMs: number | null;
  consignee: string | null;
  shipper: string | null;
  version: number;
}
