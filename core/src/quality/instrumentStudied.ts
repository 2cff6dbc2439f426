import { entryKind } from '../ledger/index.ts';
import { InstrumentStudy, studyIdOf } from './instrumentStudy.ts';

/** Several people measured the same parts with one instrument, to know what it is worth. */
export const InstrumentStudied = entryKind('instrument.studied')<Omit<InstrumentStudy, 'id' | 'atMs' | 'personId'>>({
  apply(rows, { payload, atMs, personId }) {
    rows.put(InstrumentStudy, { ...payload, id: studyIdOf(payload.instrument, payload.what), atMs, personId });
  },
  sentence: ({ payload: { instrument, what, people, values } }) =>
    `${instrument} studied at ${what.toLowerCase()}: ${values[0]?.length ?? 0} parts by ${people.length} people`,
});
