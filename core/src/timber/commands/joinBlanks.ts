import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { BlanksJoined } from '../entries/blanksJoined.ts';
import { Blank } from '../stock.ts';

export interface JoinBlanksRequest {
  /** as they lie side by side */
  blankIds: readonly string[];
  /** width that jointing takes at each joint, both edges together */
  jointMm: number;
}

const MOST_JOINED = 8;

/**
 * Glues blanks of one lot edge to edge. What comes of it is a blank of its own, bound to nothing: it is weighed as a
 * whole, and then becomes whatever it is large enough for.
 */
export const JoinBlanks = commandKind('join blanks')<JoinBlanksRequest>({
  role: 'operator',
  concerns: ({ blankIds }) => ({ about: [rowsOf(Blank, blankIds)] }),
  decide({ blankIds, jointMm }, { rows }): Decision<Decided<typeof BlanksJoined>> {
    if (blankIds.length < 2 || blankIds.length > MOST_JOINED) return wrongInput('blankIds', `Two to ${MOST_JOINED} blanks are joined`);
    if (new Set(blankIds).size !== blankIds.length) return wrongInput('blankIds', 'A blank is named twice');
    const blanks = blankIds.map((id) => rows.get(Blank, id));
    const [first] = blanks;
    if (!first) return wrongInput('blankIds', 'Name the blanks');
    for (const blank of blanks) {
      if (blank.state === 'started') return refuse(`Blank ${blank.id} has become ${blank.pieceId ?? 'a piece'}`);
      if (blank.state === 'joined') return refuse(`Blank ${blank.id} has been joined to others`);
      if (blank.orderId !== null) return refuse(`Blank ${blank.id} is kept for ${blank.orderId}`, { remedy: 'Let it go first' });
      if (blank.lotId !== first.lotId) return refuse(`Blank ${blank.id} is of lot ${blank.lotId}, ${first.id} of lot ${first.lotId}`);
    }
    const widthMm = blanks.reduce((sum, b) => sum + b.widthMm, 0) - jointMm * (blanks.length - 1);
    if (!(jointMm >= 0) || widthMm <= Math.max(...blanks.map((b) => b.widthMm)))
      return wrongInput('jointMm', 'Jointing takes more than it leaves');
    const payload = {
      id: `${first.id}J`,
      fromIds: [...blankIds],
      lengthMm: Math.min(...blanks.map((b) => b.lengthMm)),
      widthMm,
      thicknessMm: Math.min(...blanks.map((b) => b.thicknessMm)),
    };
    return { kind: 'accept', entries: [{ kind: 'blanks.joined', lotId: first.lotId, payload }] };
  },
});
