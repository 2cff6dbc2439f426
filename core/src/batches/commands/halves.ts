import { rowsOf, type Ask, type Rows } from '../../ledger/index.ts';
import { Instrument, Piece } from '../batch.ts';

/** The halves of instruments are found by their serials. */
export const halves =
  () =>
  (known: Rows): readonly Ask[] => [
    rowsOf(
      Instrument,
      known.all(Piece).flatMap((p) => p.serial ?? []),
    ),
    rowsOf(
      Piece,
      known.all(Instrument).flatMap((i) => [i.serial, i.bodyId, ...(i.neckId === null ? [] : [i.neckId])]),
    ),
  ];
