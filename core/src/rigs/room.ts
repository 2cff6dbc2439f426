import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { RIG_COMMANDS } from './commands/index.ts';
import { RIG_ENTRIES } from './entries/index.ts';
import { RigCount } from './rigCount.ts';

export const rigs = { name: 'rigs', rows: [RigCount], entries: RIG_ENTRIES, commands: RIG_COMMANDS, answers: [] } as const satisfies Room<
  never,
  Factory
>;
