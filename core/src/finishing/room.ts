import type { Factory } from '../factory/index.ts';
import type { Room } from '../ledger/index.ts';
import { coatsOn, lastCoats } from './answers.ts';
import { Coat } from './coat.ts';
import { CoatLogged } from './coatLogged.ts';
import { FilmScuffed } from './filmScuffed.ts';
import { LogCoat } from './logCoat.ts';
import { LogScuff } from './logScuff.ts';

export const finishing = {
  name: 'finishing',
  rows: [Coat],
  entries: [CoatLogged, FilmScuffed],
  commands: [LogCoat, LogScuff],
  answers: [coatsOn, lastCoats],
} as const satisfies Room<never, Factory>;
