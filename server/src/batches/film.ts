import { Coat, Instrument, Piece, Rows, rowsBy, rowsOf } from '@ample-crane/core';
import type { RowReader } from '../logbook/rowReader.ts';

/** What was sprayed on pieces. */
export interface Film {
  /** every coat that lies on one of them, in the order of time */
  coats: readonly Coat[];
  /** the coats on each piece */
  on: readonly (readonly Coat[])[];
}

/**
 * Coats on pieces, in whatever batch they were laid: on a body, on the instrument it became part of, on its neck when apart again.
 *
 * @param rows what of instruments and pieces is known already
 */
export async function filmOn(reader: RowReader, pieces: readonly Piece[], rows = new Rows()): Promise<Film> {
  await reader.read(
    [
      rowsOf(
        Instrument,
        pieces.flatMap((p) => p.serial ?? []),
      ),
    ],
    rows,
  );
  const also = ({ id, serial }: Piece): string[] => {
    if (serial === null) return [];
    return serial === id ? [rows.get(Instrument, serial).bodyId] : [serial];
  };
  await reader.read([rowsOf(Piece, pieces.flatMap(also))], rows);
  const been = [...pieces, ...pieces.flatMap(also).flatMap((id) => rows.find(Piece, id) ?? [])].flatMap((p) =>
    p.trail.map((t) => t.batchId),
  );
  await reader.read([rowsBy(Coat, 'batchId', [...new Set(been)])], rows);
  const laid = rows.all(Coat).sort((a, b) => a.atMs - b.atMs);
  const on = pieces.map((piece) => {
    const ids = [piece.id, ...also(piece)];
    // What was sanded off lies on it no longer; nothing is sanded off at the moment it is laid.
    const bareMs = Math.max(...ids.map((id) => (id === piece.id ? piece : rows.find(Piece, id))?.bareMs ?? -Infinity));
    return laid.filter((coat) => coat.atMs >= bareMs && coat.pieceIds.some((id) => ids.includes(id)));
  });
  const known = new Set(on.flat());
  return { coats: laid.filter((coat) => known.has(coat)), on };
}
