import type { LogbookEntry } from '@ample-crane/core';

/** Far enough apart that no copy's numbers meet another's. */
const APART = 1_000_000;
const MORE_PLACES = 1_000;
/** Racks, programs and cutters are there once: only the first history speaks of them. */
const ONCE = ['batch.placed', 'program.', 'revision.', 'cutter.', 'loads.'];

/**
 * The demo's own history, over and over with other numbers: entries as a factory writes them, in their usual mix.
 *
 * @param most how many entries at most; the last copy is given whole
 * @returns one copy after the other, the first as it was
 */
export function* longHistory(entries: readonly LogbookEntry[], most: number): Generator<LogbookEntry[]> {
  const text = JSON.stringify(entries);
  let written = 0;
  for (let copy = 0; written < most; copy++) {
    const shifted = text
      .replace(/\b([BLO])(\d+)/g, (_, letter: string, n: string) => letter + String(Number(n) + copy * APART))
      .replace(/"(number|bodyNumber|neckNumber)":(\d+)/g, (_, field: string, n: string) => `"${field}":${String(Number(n) + copy * APART)}`)
      .replace(/"bench":(\d+)/g, (_, n: string) => `"bench":${String(Number(n) + copy * MORE_PLACES)}`)
      .replace(/\b(\d{5}[A-Z]{2}\d{3})\b/g, (serial) => (copy === 0 ? serial : `${String(copy)}-${serial}`));
    const told = (JSON.parse(shifted) as LogbookEntry[]).filter((e) => copy === 0 || !ONCE.some((kind) => e.kind.startsWith(kind)));
    written += told.length;
    yield told;
  }
}
