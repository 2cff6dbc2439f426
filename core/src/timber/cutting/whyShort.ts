import { piecesOf, widthAt, type Board, type CuttingSettings, type WantedBlank } from './board.ts';
import { planCutting } from './plan.ts';
import { tally, type BoardPlan } from './tally.ts';

/** Of the boards for a blank: those on which none could lie, were they empty, by the first reason; and the rest. */
export interface BoardsFor {
  tooThin: number;
  tooShort: number;
  tooNarrow: number;
  faulty: number;
  /** could give one, or one more, were they laid otherwise */
  roomy: number;
}

/** Why a plan gives fewer of a blank than are wanted. */
export interface Shortfall extends BoardsFor {
  blankId: string;
  missing: number;
}

/** What each board could give of each blank that is wanted, whatever lies on it now. */
export function boardsFor(boards: readonly Board[], wanted: readonly WantedBlank[], settings: CuttingSettings): Map<string, BoardsFor> {
  // Many orders ask for the same size: each is tried once.
  const bySize = new Map<string, BoardsFor>();
  return new Map(
    wanted.map((want) => {
      const { lengthMm, widthMm, thicknessMm, leavesEach, anyGrain } = want;
      const size = [lengthMm, widthMm, thicknessMm, leavesEach, anyGrain].join();
      const known = bySize.get(size) ?? countBoards(boards, want, settings);
      bySize.set(size, known);
      return [want.id, known];
    }),
  );
}

/** What is short in a plan, kind by kind, and what keeps it off the boards; nothing where all that is wanted is there. */
export function whyShort(
  plans: readonly BoardPlan[],
  boards: readonly Board[],
  wanted: readonly WantedBlank[],
  could: ReadonlyMap<string, BoardsFor>,
): Shortfall[] {
  const { got } = tally(plans, boards, wanted);
  return wanted.flatMap(({ id, count }) => {
    const of = could.get(id);
    const missing = count - (got.get(id) ?? 0);
    return of && missing > 0 ? [{ blankId: id, missing, ...of }] : [];
  });
}

function countBoards(boards: readonly Board[], want: WantedBlank, settings: CuttingSettings): BoardsFor {
  const of = { tooThin: 0, tooShort: 0, tooNarrow: 0, faulty: 0, roomy: 0 };
  for (const board of boards) of[keptOff(board, want, settings)]++;
  return of;
}

function keptOff(board: Board, want: WantedBlank, settings: CuttingSettings): 'tooThin' | 'tooShort' | 'tooNarrow' | 'faulty' | 'roomy' {
  if (piecesOf(board, want, settings) === 0) return 'tooThin';
  const long = board.lengthMm - 2 * settings.endTrimMm;
  const wide = Math.max(widthAt(board, 0), widthAt(board, board.lengthMm)) - 2 * settings.edgingMm;
  const ways = want.anyGrain ? [want, { lengthMm: want.widthMm, widthMm: want.lengthMm }] : [want];
  if (ways.every((w) => w.lengthMm > long)) return 'tooShort';
  if (ways.every((w) => w.lengthMm > long || w.widthMm > wide)) return 'tooNarrow';
  const alone = planCutting([board], [{ ...want, count: 1 }], settings, { work: 0 });
  return (alone.got.get(want.id) ?? 0) > 0 ? 'roomy' : 'faulty';
}

/** A shortfall as one says it: "33 of Millrace body find no place: 4 boards are too thin for it, 8 could give one, laid otherwise." */
export function shortfallInWords({ blankId, missing, tooThin, tooShort, tooNarrow, faulty, roomy }: Shortfall): string {
  const reasons = [
    [tooThin, 'too thin for it'],
    [tooShort, 'too short'],
    [tooNarrow, 'too narrow'],
    [faulty, 'spoilt for it by faults'],
    [roomy, null],
  ] as const;
  const told = reasons
    .filter(([boards]) => boards > 0)
    .map(([boards, why]) =>
      why === null ? `${boards} could give one, laid otherwise` : `${boards} ${boards === 1 ? 'board is' : 'boards are'} ${why}`,
    );
  return `${missing} of ${blankId} ${missing === 1 ? 'finds' : 'find'} no place: ${told.length === 0 ? 'there are no boards' : told.join(', ')}`;
}
