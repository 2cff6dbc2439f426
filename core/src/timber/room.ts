import type { Room } from '../ledger/index.ts';
import { BlanksReserved } from './entries/blanksReserved.ts';
import { BlanksWeighed } from './entries/blanksWeighed.ts';
import { BoardsCut } from './entries/boardsCut.ts';
import { BoardsMeasured } from './entries/boardsMeasured.ts';
import { LotDescribed } from './entries/lotDescribed.ts';
import { LotMoved } from './entries/lotMoved.ts';
import { LotRead } from './entries/lotRead.ts';
import { LotReceived } from './entries/lotReceived.ts';
import { LotReleased } from './entries/lotReleased.ts';
import { ReadingStruck } from './entries/readingStruck.ts';
import { Lot, Reading, ReadingSession } from './lot.ts';
import { Blank, StockBoard } from './stock.ts';

export const timber = {
  name: 'timber',
  rows: [Lot, ReadingSession, Reading, StockBoard, Blank],
  entries: [
    LotReceived,
    LotDescribed,
    LotMoved,
    LotRead,
    ReadingStruck,
    LotReleased,
    BoardsMeasured,
    BoardsCut,
    BlanksWeighed,
    BlanksReserved,
  ],
} as const satisfies Room;
