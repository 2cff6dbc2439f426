import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { controlOf, measuresOf, outOfBandOf, unmeasuredOf } from './answers.ts';
import { Dimension } from './dimension.ts';
import { InstrumentStudied } from './instrumentStudied.ts';
import { InstrumentStudy } from './instrumentStudy.ts';
import { Measure } from './measure.ts';
import { MeasuresTaken } from './measuresTaken.ts';
import { SettleSignal } from './settleSignal.ts';
import { SignalSettled } from './signalSettled.ts';
import { StudyInstrument } from './studyInstrument.ts';
import { dimensionsAt, loadWith, TakeMeasures } from './takeMeasures.ts';

export const quality = {
  name: 'quality',
  rows: [Measure, Dimension, InstrumentStudy],
  entries: [MeasuresTaken, SignalSettled, InstrumentStudied],
  commands: [TakeMeasures, SettleSignal, StudyInstrument],
  answers: [controlOf, dimensionsAt, loadWith, measuresOf, outOfBandOf, unmeasuredOf],
} as const satisfies Room<never, Factory>;
