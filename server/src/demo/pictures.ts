import type { StockBoard } from '@ample-crane/core';
import { readFileSync } from 'node:fs';
import type { LotEntity, PictureEntity } from '../timber/timber.entity.ts';

/** Drawn, not photographed: how the faces of our made-up lots look. */
const FACES = new URL('../../assets/demo/', import.meta.url);

/** A picture of the first board of each lot whose boards are measured, taken when it was received. */
export function demoPictures(
  lots: readonly Pick<LotEntity, 'id' | 'species' | 'receivedMs'>[],
  boards: readonly Pick<StockBoard, 'id' | 'lotId' | 'ordinal'>[],
): PictureEntity[] {
  const first = new Map(boards.filter((b) => b.ordinal === 1).map((b) => [b.lotId, b.id]));
  return lots.flatMap(({ id, species, receivedMs }) => {
    const boardId = first.get(id);
    if (boardId === undefined) return [];
    const name = `${species.replaceAll(' ', '-').toLowerCase()}.jpg`;
    const bytes = readFileSync(new URL(name, FACES));
    return [{ id: `demo-${id}`, lotId: id, boardId, atMs: receivedMs, personId: null, name, mediaType: 'image/jpeg', bytes }];
  });
}
