import { rowKind } from '../ledger/index.ts';
import type { Characteristic } from '../routing/index.ts';

/** A measure of one piece against its band. */
export interface Measure {
  id: string;
  pieceId: string;
  batchId: string;
  /** the visit it was taken on */
  visitId: string;
  operationId: string;
  characteristicId: string;
  value: number;
  low: number;
  high: number;
  inBand: boolean;
  atMs: number;
  personId: string | null;
  /** the dimension on whose chart it stands; null for one of a trial or of a piece that came back */
  dimensionId: string | null;
}
export const Measure = rowKind<Measure>('measure', { key: 'id', by: ['pieceId'], seldom: true });

/** Whether a value lies in a characteristic's band, its limits included. */
export const isInBand = (value: number, band: Pick<Characteristic, 'low' | 'high'>) => value >= band.low && value <= band.high;
