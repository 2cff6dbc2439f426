import { LEDGER, type RowKind } from '@ample-crane/core';
import type { ShopChange } from '../platform/events/change.ts';

/** Of more rows than this only the kind is told. */
const IDS_TOLD = 12;
/** A notification of the database holds 8000 bytes, and a letter takes three at most. */
const MOST_LETTERS = 2500;

interface Touched {
  kind: RowKind<never>;
  rows: readonly object[];
  gone: readonly string[];
}

/**
 * What a command has changed: kinds of row with the keys of those that were touched. An entry of a room that keeps no
 * rows is told by the name of its room.
 */
export function topicsOf(touched: readonly Touched[], entries: readonly { kind: string }[]): ShopChange['topics'] {
  const topics: Record<string, readonly string[] | null> = {};
  for (const { kind, rows, gone } of touched) {
    // Sums change with the rows they are of.
    if (kind.sums.length > 0) continue;
    const ids = [...rows.map((row) => kind.keyOf(row as never)), ...gone];
    if (ids.length > 0) topics[kind.name] = ids.length <= IDS_TOLD ? ids : null;
  }
  for (const entry of entries) {
    const room = LEDGER.roomOf(entry.kind);
    if (room.rows.length === 0) topics[room.name] = null;
  }
  const isLong = JSON.stringify(topics).length > MOST_LETTERS;
  return isLong ? Object.fromEntries(Object.keys(topics).map((name) => [name, null])) : topics;
}
