import type { Room } from '../ledger/index.ts';
import { BlanksJoined } from './entries/blanksJoined.ts';
import { BlanksReserved } from './entries/blanksReserved.ts';
import { BlanksWeighed } from './entries/blanksWeighed.ts';
import { BoardsCut } from './entries/boardsCut.ts';
import { BoardsMeasured } from './entries/boardsMeasured.ts';
import { WoodKept } from './entries/woodKept.ts';
import { LotDescribed } from './entries/lotDescribed.ts';
import { LotMoved } from './entries/lotMoved.ts';
import { LotRead } from './entries/lotRead.ts';
import { LotReceived } from './entries/lotReceived.ts';
import { LotReleased } from './entries/lotReleased.ts';
import { ReadingCorrected } from './entries/readingCorrected.ts';
import { ReadingStruck } from './entries/readingStruck.ts';
import { SessionContinued } from './entries/sessionContinued.ts';
import { CorrectReading } from './commands/correctReading.ts';
import { CutBoards } from './commands/cutBoards.ts';
import { DescribeLot } from './commands/describeLot.ts';
import { ImportReadings } from './commands/importReadings.ts';
import { JoinBlanks } from './commands/joinBlanks.ts';
import { KeepWood } from './commands/keepWood.ts';
import { MeasureBoards } from './commands/measureBoards.ts';
import { MoveLot } from './commands/moveLot.ts';
import { ReadLot } from './commands/readLot.ts';
import { ReceiveLot } from './commands/receiveLot.ts';
import { ReleaseLot } from './commands/releaseLot.ts';
import { ReserveBlanks } from './commands/reserveBlanks.ts';
import { StrikeReading } from './commands/strikeReading.ts';
import { WeighBlanks } from './commands/weighBlanks.ts';
import { readingsOf } from './answers.ts';
import { KeptWood, Lot, Reading, ReadingSession } from './lot.ts';
import { Blank, StockBoard } from './stock.ts';
import { CutYield, SupplierRecord, WoodUse } from './tallies.ts';
import type { WoodFactory } from './woodFactory.ts';

export const timber = {
  name: 'timber',
  rows: [Lot, ReadingSession, Reading, StockBoard, Blank, KeptWood, WoodUse, SupplierRecord, CutYield],
  entries: [
    LotReceived,
    LotDescribed,
    LotMoved,
    LotRead,
    SessionContinued,
    ReadingCorrected,
    ReadingStruck,
    LotReleased,
    BoardsMeasured,
    BoardsCut,
    BlanksJoined,
    BlanksWeighed,
    BlanksReserved,
    WoodKept,
  ],
  commands: [
    ReceiveLot,
    ReadLot,
    ImportReadings,
    DescribeLot,
    MoveLot,
    CorrectReading,
    StrikeReading,
    ReleaseLot,
    MeasureBoards,
    CutBoards,
    JoinBlanks,
    WeighBlanks,
    ReserveBlanks,
    KeepWood,
  ],
  answers: [readingsOf],
} as const satisfies Room<never, WoodFactory>;
