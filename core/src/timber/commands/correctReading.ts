import { commandKind, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { ReadingCorrected } from '../entries/readingCorrected.ts';
import { Lot } from '../lot.ts';
import { figuresOf, readSession } from '../session.ts';
import type { WoodFactory } from '../woodFactory.ts';
import { aReading, concernsReading, type ReadingNamed } from './namedReading.ts';

export interface CorrectReadingRequest extends ReadingNamed {
  /** the reading as it should have been typed */
  text: string;
}

/** Puts a reading right that was written down wrong, where it stands; what was written first stays on record. */
export const CorrectReading = commandKind('correct reading')<CorrectReadingRequest, WoodFactory>({
  role: 'operator',
  concerns: concernsReading,
  decide({ text, ...named }, { rows, factory }): Decision<Decided<typeof ReadingCorrected>> {
    const found = aReading(rows, named);
    if (found.kind !== 'found') return found;
    const { session, reading: was, others } = found;
    const { species, samples: known } = rows.get(Lot, named.lotId);
    const meter = factory.species(species).meter;
    const woodTempC = was.woodTempC ?? session.woodTempC;
    const { readings, samples, problems } = readSession(session.meter, text, {
      woodTempC,
      samples: known,
      ...(meter ? { species: meter } : {}),
    });
    if (problems.length > 0) return wrongInput('text', problems.map((p) => p.message).join('. '));
    const [reading, ...more] = readings;
    if (!reading || more.length > 0) return wrongInput('text', 'Type the one reading as it should be');
    if (Object.keys(samples).length > 0) return wrongInput('text', 'A sample board is begun with a session, not with a correction');
    if (reading.rawPct === was.rawPct && reading.depth === was.depth) return wrongInput('text', 'That is what it says already');
    const { lotId, sessionId, seq } = named;
    const payload = { sessionId, seq, was: { depth: was.depth, rawPct: was.rawPct }, reading, ...figuresOf([...others, reading]) };
    return { kind: 'accept', entries: [{ kind: 'reading.corrected', lotId, payload }] };
  },
});
