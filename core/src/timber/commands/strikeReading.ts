import { commandKind, refuse, type Decided, type Decision } from '../../ledger/index.ts';
import type { ReadingStruck } from '../entries/readingStruck.ts';
import { figuresOf } from '../session.ts';
import { aReading, concernsReading, type ReadingNamed } from './namedReading.ts';

export interface StrikeReadingRequest extends ReadingNamed {
  reason: string;
}

/** Takes a reading out of the reckoning; it stays on record with the reason. */
export const StrikeReading = commandKind('strike reading')<StrikeReadingRequest>({
  role: 'operator',
  concerns: concernsReading,
  decide({ reason, ...named }, { rows }): Decision<Decided<typeof ReadingStruck>> {
    const found = aReading(rows, named);
    if (found.kind !== 'found') return found;
    if (found.others.length === 0) return refuse('The last reading of a session cannot be struck out');
    const { lotId, sessionId, seq } = named;
    return {
      kind: 'accept',
      entries: [{ kind: 'reading.struck', lotId, payload: { sessionId, seq, reason, ...figuresOf(found.others) } }],
    };
  },
});
