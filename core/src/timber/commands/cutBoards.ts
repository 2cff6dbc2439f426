import { commandKind, refuse, rowsOf, type Decided, type Decision } from '../../ledger/index.ts';
import { boardVolumeM3 } from '../cutting/index.ts';
import type { BoardsCut } from '../entries/boardsCut.ts';
import { keptByOthers, keptInWords, ordersKeeping } from '../keptWood.ts';
import { Lot } from '../lot.ts';
import { cuttingAsks, wentOutObjection } from '../stillFree.ts';
import { blanksOf, StockBoard } from '../stock.ts';
import type { WoodFactory } from '../woodFactory.ts';
import { said } from '../../units/index.ts';

export interface CutBoardsRequest {
  /** what the plan lays on each board */
  boards: Parameters<typeof blanksOf>[0];
  wanted: readonly (Parameters<typeof blanksOf>[1][number] & { orderId?: string | null })[];
}

const laidOn = ({ boards }: CutBoardsRequest) => boards.filter((b) => b.placed.length > 0);

/** The boards of a plan are sawn: they become blanks, and their wood leaves the lots. */
export const CutBoards = commandKind('cut boards')<CutBoardsRequest, WoodFactory>({
  role: 'operator',
  concerns: (request) => ({
    about: [
      rowsOf(
        StockBoard,
        laidOn(request).map((b) => b.boardId),
      ),
    ],
    reads: (known) => [
      ordersKeeping(
        known,
        known.all(Lot).map((lot) => lot.id),
      ),
    ],
  }),
  asks: () => cuttingAsks,
  decide(request, { rows, factory, answers }): Decision<Decided<typeof BoardsCut>> {
    const boards = laidOn(request).map((b) => rows.get(StockBoard, b.boardId));
    if (boards.length === 0) return refuse('Nothing lies on a board yet');
    const entries: Decided<typeof BoardsCut>[] = [];
    for (const lotId of [...new Set(boards.map((b) => b.lotId))].sort()) {
      const lot = rows.get(Lot, lotId);
      if (lot.state === 'drying') return refuse(`Lot ${lotId} is still drying; release it first`);
      const wentOut = wentOutObjection(lot, factory, answers);
      if (wentOut) return wentOut;
      const own = boards.filter((b) => b.lotId === lotId);
      const gone = own.find((b) => b.state === 'cut');
      if (gone) return refuse(`Board ${gone.id} has been cut already`);
      const blanks = own.flatMap((board) =>
        blanksOf(
          request.boards.filter((p) => p.boardId === board.id),
          request.wanted,
          board.grade,
        ),
      );
      const cutM3 = own.reduce((sum, b) => sum + boardVolumeM3(b), 0);
      const orders = new Set(request.wanted.map((w) => w.orderId));
      const kept = keptByOthers(rows, lotId, null).filter((k) => !orders.has(k.orderId));
      if (kept.length > 0 && lot.leftM3 - cutM3 + 1e-6 < kept.reduce((sum, k) => sum + k.volumeM3, 0))
        return refuse(`Cutting ${said(cutM3.toFixed(3), 'm³')} of lot ${lotId} would take what is kept: ${keptInWords(kept)}`, {
          remedy: 'Let it go first, or plan blanks for that order',
        });
      const payload = { boardIds: own.map((b) => b.id), volumeM3: Math.min(lot.leftM3, Math.round(cutM3 * 1e6) / 1e6), blanks };
      entries.push({ kind: 'boards.cut', lotId, payload });
    }
    return { kind: 'accept', entries };
  },
});
