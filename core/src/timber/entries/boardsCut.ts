import { entryKind } from '../../ledger/index.ts';
import { Lot } from '../lot.ts';
import { Blank, StockBoard } from '../stock.ts';
import { tallyCut } from '../tallies.ts';
import { takeWood } from './lotRows.ts';

export interface Cut {
  boardIds: string[];
  volumeM3: number;
  blanks: Pick<Blank, 'id' | 'boardId' | 'modelId' | 'component' | 'lengthMm' | 'widthMm' | 'thicknessMm' | 'setId' | 'look'>[];
}

export const BoardsCut = entryKind('boards.cut')<Cut>({
  apply(rows, { lotId, payload, atMs }) {
    const lot = rows.get(Lot, lotId);
    tallyCut(
      rows,
      lot,
      payload.boardIds.map((id) => rows.get(StockBoard, id)),
      payload.blanks,
    );
    for (const id of payload.boardIds) rows.change(StockBoard, id, { state: 'cut' });
    for (const blank of payload.blanks)
      rows.put(Blank, {
        lotId: lot.id,
        massG: null,
        moisturePct: null,
        orderId: null,
        state: 'free',
        pieceId: null,
        version: 1,
        ...blank,
      });
    takeWood(rows, lot.id, payload.volumeM3, atMs);
  },
  sentence: ({ payload }) => `${payload.boardIds.length} boards cut into ${payload.blanks.length} blanks`,
});
