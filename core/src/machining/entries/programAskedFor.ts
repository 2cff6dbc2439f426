import { entryKind } from '../../ledger/index.ts';
import { Program } from '../program.ts';

/** A program that is to be written, and by whom. */
export const ProgramAskedFor = entryKind('program.asked')<
  Pick<Program, 'id' | 'modelId' | 'what' | 'side' | 'serves' | 'ownerId' | 'note'>
>({
  apply(rows, { payload, atMs }) {
    rows.put(Program, { ...payload, askedMs: atMs, revisions: [], version: 1 });
  },
  sentence: ({ payload: { what, modelId, ownerId, note } }, nameOf) =>
    [
      `Program "${what}"${modelId === null ? '' : ` for ${nameOf('model', modelId)}`} asked for`,
      ...(ownerId === null ? [] : [`${nameOf('person', ownerId)} writes it`]),
      ...(note === '' ? [] : [note]),
    ].join('; '),
});
