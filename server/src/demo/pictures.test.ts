import { describe, expect, test } from '@jest/globals';
import { fileTypeFromBuffer } from 'file-type';
import { demoPictures } from './pictures.ts';
import { demoScenario } from './scenario.ts';

const SPECIES = demoScenario(Date.parse('2026-11-17T07:10:00Z')).suppliers.flatMap((s) => Object.keys(s.sells));

describe('pictures of the demo’s boards', () => {
  const lots = SPECIES.map((species, i) => ({ id: `L${i}`, species, receivedMs: i }));
  test('there is one of every species that is sold, and it is a picture', async () => {
    const pictures = demoPictures(
      lots,
      lots.flatMap((l) => [
        { id: `${l.id}-1`, lotId: l.id, ordinal: 1 },
        { id: `${l.id}-2`, lotId: l.id, ordinal: 2 },
      ]),
    );
    expect(pictures.map((p) => p.boardId)).toEqual(lots.map((l) => `${l.id}-1`));
    for (const picture of pictures) expect((await fileTypeFromBuffer(picture.bytes))?.mime).toBe(picture.mediaType);
  });
  test('a lot whose boards were never measured has none', () => {
    expect(demoPictures(lots, [])).toEqual([]);
  });
});
