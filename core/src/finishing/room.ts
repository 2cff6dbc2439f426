import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { coatsOn, lastCoats } from './answers.ts';
import { Coat } from './coat.ts';
import { CoatLogged } from './coatLogged.ts';
import { LogCoat } from './logCoat.ts';

export const finishing = {
  name: 'finishing',
  rows: [Coat],
  entries: [CoatLogged],
  commands: [LogCoat],
  answers: [coatsOn, lastCoats],
} as const satisfies Room<never, Factory>;
