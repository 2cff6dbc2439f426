import type { Room } from '../ledger/index.ts';
import type { Routes } from '../routing/index.ts';
import { FitInstruments, type FittingFactory } from './fitInstruments.ts';
import { InstrumentsFitted } from './instrumentsFitted.ts';
import { SerialCount } from './serialCount.ts';

export const fitting = {
  name: 'fitting',
  rows: [SerialCount],
  entries: [InstrumentsFitted],
  commands: [FitInstruments],
  answers: [],
} as const satisfies Room<Routes, FittingFactory>;
