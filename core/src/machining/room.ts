import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { cuttersAt, programNow } from './answers.ts';
import { MACHINING_COMMANDS } from './commands/index.ts';
import { Cutter } from './cutter.ts';
import { MACHINING_ENTRIES } from './entries/index.ts';
import { LoadOrder } from './loadOrder.ts';
import { Program } from './program.ts';

export const machining = {
  name: 'machining',
  rows: [Program, Cutter, LoadOrder],
  entries: MACHINING_ENTRIES,
  commands: MACHINING_COMMANDS,
  answers: [programNow, cuttersAt],
} as const satisfies Room<never, Factory>;
