import { entryKind } from '../../ledger/index.ts';
import { StockBoard } from '../stock.ts';
import { changeLot } from './lotRows.ts';

export const BoardsMeasured = entryKind('boards.measured')<{ boards: Omit<StockBoard, 'lotId' | 'state'>[] }>({
  apply(rows, { lotId, payload }) {
    const lot = changeLot(rows, lotId, {});
    for (const board of payload.boards) rows.put(StockBoard, { lotId: lot.id, state: 'whole', ...board });
  },
  sentence: ({ payload }) => `${payload.boards.length} boards measured`,
});
