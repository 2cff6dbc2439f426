import type { Factory } from '../factory/index.ts';
import { commandKind, rowsOf, wrongInput, type Decided, type Decision } from '../ledger/index.ts';
import { checkGaugeValues } from './charts/index.ts';
import type { InstrumentStudied } from './instrumentStudied.ts';
import { InstrumentStudy, studyIdOf } from './instrumentStudy.ts';

export type StudyInstrumentRequest = Omit<InstrumentStudy, 'id' | 'atMs' | 'personId'>;

/** Keeps a study of an instrument: every part measured as often by everybody. A later one of the same takes its place. */
export const StudyInstrument = commandKind('study instrument')<StudyInstrumentRequest, Factory>({
  role: 'lead',
  concerns: ({ instrument, what }) => ({ about: [], making: [rowsOf(InstrumentStudy, [studyIdOf(instrument.trim(), what.trim())])] }),
  notBefore({ instrument, what }, rows) {
    const before = rows.find(InstrumentStudy, studyIdOf(instrument.trim(), what.trim()));
    return before ? { atMs: before.atMs, because: 'A later study of it is kept already' } : null;
  },
  decide(request): Decision<Decided<typeof InstrumentStudied>> {
    const { low, high, people, values } = request;
    const [instrument, what] = [request.instrument.trim(), request.what.trim()];
    if (instrument === '') return wrongInput('instrument', 'Say which instrument');
    if (what === '') return wrongInput('what', 'Say what was measured');
    if (low !== null && high !== null && low >= high) return wrongInput('high', 'The tolerance ends before it begins');
    const named = new Set(people.map((name) => name.trim().toLowerCase()));
    if (people.length !== values.length || named.size !== people.length || named.has(''))
      return wrongInput('people', 'Each row of values has the name of whoever measured it, each another');
    try {
      checkGaugeValues(values);
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      return wrongInput('values', error.message);
    }
    const payload = { ...request, instrument, what, people: people.map((name) => name.trim()) };
    return { kind: 'accept', entries: [{ kind: 'instrument.studied', payload }] };
  },
});
