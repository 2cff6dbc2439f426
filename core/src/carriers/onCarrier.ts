import { answerer, question, rowsBy } from '../ledger/index.ts';
import type { PiecesOf } from './carrier.ts';
import { PlacementRow } from './placement.ts';

/** What sits on a carrier. */
export const OnCarrier = question<{ carrierId: string }, readonly PiecesOf[]>('on carrier');

export const onCarrier = answerer(OnCarrier, {
  reads: ({ carrierId }) => [rowsBy(PlacementRow, 'carrierId', [carrierId])],
  answer: ({ carrierId }, rows) => rows.where(PlacementRow, 'carrierId', carrierId),
});
