import { CutterUse } from '../batches/index.ts';
import { answerer, rowsBy, rowsOf } from '../ledger/index.ts';
import { CuttersAt, ProgramFor } from '../routing/index.ts';
import { Cutter, useIdOf } from './cutter.ts';
import { Program, programFor } from './program.ts';

const MINUTE_S = 60;

export const programNow = answerer(ProgramFor, {
  reads: ({ what }) => [rowsBy(Program, 'what', [what])],
  answer: (asked, rows) => programFor(rows.where(Program, 'what', asked.what), asked),
});

export const cuttersAt = answerer(CuttersAt, {
  reads: ({ stationCode }, known) => [
    rowsBy(Cutter, 'stationCode', [stationCode]),
    rowsOf(CutterUse, known.where(Cutter, 'stationCode', stationCode).map(useIdOf)),
  ],
  answer: ({ stationCode }, rows) =>
    rows
      .where(Cutter, 'stationCode', stationCode)
      .map((cutter) => {
        const useId = useIdOf(cutter);
        const { id, kind, bench, lifeMinutes } = cutter;
        return { id, kind, bench: bench ?? 1, usedS: rows.find(CutterUse, useId)?.seconds ?? 0, lifeS: lifeMinutes * MINUTE_S, useId };
      })
      .sort((a, b) => a.bench - b.bench || (a.id < b.id ? -1 : 1)),
});
