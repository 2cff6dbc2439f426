import { rowKind } from '../ledger/index.ts';

/** What came out of a rig in an hour, and how long it was in its places. */
export interface RigHour {
  id: string;
  rigId: string;
  /** whole hours since 1970, UTC */
  hour: number;
  pieces: number;
  placeSeconds: number;
}
export const RigHour = rowKind<RigHour>('rig hour', { key: 'id', sums: ['pieces', 'placeSeconds'] });
