import { AskSet } from './askSet.ts';
import type { Entry } from './entry.ts';
import type { Ask, RowKind } from './rowKind.ts';
import type { Rows } from './rows.ts';
import { RowsAtHand, type Changes } from './rowsAtHand.ts';

/** How many entries beyond the first that misses something are looked over for what they will ask for: at first all. */
const SHORT_LOOK = 200;

export interface Telling {
  apply: (rows: Rows, entry: Entry) => void;
  /** the rows that an ask comes to, as what was told before left them */
  read: (ask: Ask) => Promise<readonly object[]>;
}

/**
 * Tells a stretch of a history over what went before it, which is read as it is asked for: up to where something is
 * missing, and on from there when it is at hand.
 *
 * @param first what is known to be asked for
 * @returns what the stretch changes, to be written before the next is told
 */
export async function tellStretch(
  stretch: readonly Entry[],
  first: readonly Ask[],
  { apply, read }: Telling,
): Promise<Map<RowKind<never>, Changes>> {
  const rows = new RowsAtHand();

  const take = async (asks: AskSet): Promise<Ask[]> => {
    const more: Ask[] = [];
    for (const ask of asks.all)
      for (const row of rows.take(ask, await read(ask))) more.push(...ask.kind.alongWith(row as never), ...ask.kind.under(row as never));
    return more;
  };
  /** What belongs to a row, and what it stands under, is most often asked for next. */
  const takeAll = async (asks: AskSet) => take(rows.unreadOf(await take(asks)));

  /** @returns the first entry that is to be told again */
  const goOn = (from: number, ahead: number): number => {
    let again: { index: number; point: number } | undefined;
    for (let i = from; i < Math.min(stretch.length, (again?.index ?? i) + ahead); i++) {
      const { point } = rows;
      try {
        apply(rows, stretch[i] as Entry);
      } catch (error) {
        // It may have failed for what it missed.
        if (!rows.isMissingAny) throw error;
      }
      if (rows.isMissingAny) again ??= { index: i, point };
    }
    if (!again) return stretch.length;
    rows.backTo(again.point);
    return again.index;
  };

  await takeAll(new AskSet(first));
  let told = goOn(0, stretch.length);
  while (told < stretch.length) {
    await takeAll(rows.takeMissing());
    told = goOn(told, SHORT_LOOK);
  }
  return rows.changes();
}
