import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { measuresOf, outOfBandOf, unmeasuredOf } from './answers.ts';
import { Measure } from './measure.ts';
import { MeasuresTaken } from './measuresTaken.ts';
import { TakeMeasures } from './takeMeasures.ts';

export const quality = {
  name: 'quality',
  rows: [Measure],
  entries: [MeasuresTaken],
  commands: [TakeMeasures],
  answers: [measuresOf, outOfBandOf, unmeasuredOf],
} as const satisfies Room<never, Factory>;
