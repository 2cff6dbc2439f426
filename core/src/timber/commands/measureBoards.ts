import { commandKind, rowsBy, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { boardVolumeM3 } from '../cutting/index.ts';
import type { BoardsMeasured } from '../entries/boardsMeasured.ts';
import { Lot } from '../lot.ts';
import { StockBoard } from '../stock.ts';
import { said } from '../../units/index.ts';

type Measured = Omit<StockBoard, 'id' | 'ordinal' | 'lotId' | 'state' | 'grade' | 'massG' | 'setId'> &
  Partial<Pick<StockBoard, 'grade' | 'massG' | 'setId'>>;

export interface MeasureBoardsRequest {
  lotId: string;
  boards: readonly Measured[];
}

/** A tape is not a meter of volume: a tenth more than the lot's papers is still believed. */
const BELIEVED = 1.1;

/** Boards of a lot, measured so that they can be planned. */
export const MeasureBoards = commandKind('measure boards')<MeasureBoardsRequest>({
  role: 'operator',
  concerns: ({ lotId }) => ({ about: [rowsOf(Lot, [lotId])], reads: () => [rowsBy(StockBoard, 'lotId', [lotId])] }),
  decide({ lotId, boards }, { rows }): Decision<Decided<typeof BoardsMeasured>> {
    const outside = boards.findIndex((board) =>
      board.faults.some((f) => f.xMm >= board.lengthMm || f.yMm >= Math.max(board.widthMm, board.widthEndMm)),
    );
    if (outside >= 0) return wrongInput(`boards.${outside}.faults`, `A fault of board ${outside + 1} lies off the board`);
    const lot = rows.get(Lot, lotId);
    const known = rows.all(StockBoard).filter((b) => b.lotId === lotId);
    const whole = known.filter((b) => b.state === 'whole').reduce((sum, b) => sum + boardVolumeM3(b), 0);
    const first = Math.max(0, ...known.map((b) => b.ordinal)) + 1;
    const numbered = boards.map((b, i) => ({
      ...b,
      id: `${lotId}-${first + i}`,
      ordinal: first + i,
      grade: b.grade ?? lot.grade,
      massG: b.massG ?? null,
      setId: b.setId ?? null,
    }));
    const added = numbered.reduce((sum, b) => sum + boardVolumeM3(b), 0);
    if (whole + added > lot.leftM3 * BELIEVED)
      return wrongInput(
        'boards',
        `These boards hold ${said((whole + added).toFixed(3), 'm³')}, the lot has ${said(lot.leftM3.toFixed(3), 'm³')} left`,
      );
    return { kind: 'accept', entries: [{ kind: 'boards.measured', lotId, payload: { boards: numbered } }] };
  },
});
