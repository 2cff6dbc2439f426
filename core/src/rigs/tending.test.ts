import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Pressed } from '../carriers/index.ts';
import { HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { closingsOf, rhythmOf, type LoadIn } from './index.ts';

const NOW = Date.parse('2026-03-10T10:00:00Z');
const at = (minutes: number) => NOW + minutes * MINUTE_MS;

/** A house that never closes. */
const ALWAYS = { between: (fromMs: number, toMs: number) => toMs - fromMs };

function load(freeIn: number | null, pieces = 1): LoadIn {
  const pressed: Pressed = {
    servedMinutes: 0,
    neededMinutes: 45,
    isOver: freeIn !== null && freeIn <= 0,
    freeMs: freeIn === null ? null : at(freeIn),
    stands: freeIn === null ? 'cold' : null,
    atC: 20,
  };
  const piece = (i: number) => ({ pieceId: `P${i}`, batchId: 'B1', stay: {} as never });
  return {
    loadId: `L${freeIn ?? ''}`,
    place: 1,
    pieces: Array.from({ length: pieces }, (_, i) => piece(i)),
    fromMs: NOW,
    closedMs: NOW,
    pressed,
  };
}

describe('the rhythm of one who tends many places', () => {
  test('what is free, since when, and what its places have lost', () => {
    expect(rhythmOf([load(-20), load(-5), load(30)], NOW, at(60), ALWAYS)).toMatchObject({
      freePieces: 2,
      freeSinceMs: at(-20),
      idlePlaceMinutes: 25,
      nextMs: at(30),
      // Two for an hour more, one for half an hour.
      lostPlaceMinutes: 150,
    });
  });
  test('a night loses nothing: nobody was to come', () => {
    const shut = { between: (fromMs: number, toMs: number) => Math.max(0, toMs - Math.max(fromMs, at(-10))) };
    expect(rhythmOf([load(-900)], NOW, at(60), shut)).toMatchObject({ freeSinceMs: at(-900), idlePlaceMinutes: 10, lostPlaceMinutes: 60 });
  });
  test('what follows closely on the next is fetched with it; a wide gap ends the round', () => {
    expect(rhythmOf([load(10), load(18), load(27), load(60)], NOW, at(60), ALWAYS)).toMatchObject({
      nextMs: at(10),
      returnMs: at(27),
      returnPieces: 3,
    });
    expect(rhythmOf([load(10), load(21)], NOW, at(60), ALWAYS)).toMatchObject({ returnMs: at(10), returnPieces: 1 });
  });
  test('what is open or stands in the cold promises nothing', () => {
    const open = { ...load(5), closedMs: null, pressed: null };
    expect(rhythmOf([open, load(null)], NOW, at(60), ALWAYS)).toEqual({
      freePieces: 0,
      freeSinceMs: null,
      idlePlaceMinutes: 0,
      nextMs: null,
      returnMs: null,
      returnPieces: 0,
      lostPlaceMinutes: 0,
    });
  });
});

describe('a part-filled load', () => {
  const press = { pieces: 34, places: 96, dwellMinutes: 45, handsMinutes: 15, closeByMs: null };
  test('is closed at once where waiting costs more', () => {
    const [best, other] = closingsOf(press, [{ batchId: 'B2', pieces: 12, atMs: at(80) }], NOW);
    // Nobody is shut out: it is open again when they come.
    expect(best).toMatchObject({ closeMs: NOW, waitsFor: [], heldPieceHours: 0, shutOutPieceHours: 0, emptyPlaces: 62 });
    expect(other).toMatchObject({ closeMs: at(80), pieces: 46, emptyPlaces: 50 });
    expect(other?.heldPieceHours).toBeCloseTo((34 * 80) / 60, 9);
  });
  test('waits for many who come soon', () => {
    const [best] = closingsOf({ ...press, dwellMinutes: 14 * 60 }, [{ batchId: 'B2', pieces: 12, atMs: at(20) }], NOW);
    expect(best).toMatchObject({ closeMs: at(20), waitsFor: [{ batchId: 'B2' }] });
    const atOnce = closingsOf({ ...press, dwellMinutes: 14 * 60 }, [{ batchId: 'B2', pieces: 12, atMs: at(20) }], NOW).at(-1);
    // Until a quarter of an hour after it opens, from when they come.
    expect(atOnce?.shutOutPieceHours).toBeCloseTo((12 * (14 * 60 + 15 - 20)) / 60, 9);
  });
  test('waits for nobody who comes when its glue has skinned over', () => {
    const coming = [
      { batchId: 'B2', pieces: 12, atMs: at(9) },
      { batchId: 'B3', pieces: 12, atMs: at(11) },
    ];
    const all = closingsOf({ ...press, closeByMs: at(10) }, coming, NOW);
    expect(all.map((c) => c.closeMs).sort()).toEqual([NOW, at(9)]);
    // Where it is too late already it is closed at once, or not at all.
    expect(closingsOf({ ...press, closeByMs: at(-1) }, coming, NOW)).toMatchObject([{ closeMs: NOW, waitsFor: [] }]);
  });
  test('waits for nobody who finds no room, and the first choice is never worse than another', () => {
    expect(closingsOf({ ...press, pieces: 90 }, [{ batchId: 'B2', pieces: 12, atMs: at(1) }], NOW)).toHaveLength(1);
    const coming = fc.array(
      fc.record({ batchId: fc.string(), pieces: fc.integer({ min: 1, max: 20 }), atMs: fc.integer({ min: NOW, max: NOW + 9 * HOUR_MS }) }),
      {
        maxLength: 6,
      },
    );
    fc.assert(
      fc.property(coming, fc.integer({ min: 1, max: 96 }), (come, pieces) => {
        const all = closingsOf({ ...press, pieces }, come, NOW);
        const waits = all.map((c) => c.heldPieceHours + c.shutOutPieceHours);
        expect(waits.every((w, i) => w >= (waits[i - 1] ?? 0) - 1e-9 && w >= 0)).toBe(true);
        expect(all.every((c) => c.emptyPlaces >= 0 && c.pieces + c.emptyPlaces === 96)).toBe(true);
        expect(all.some((c) => c.waitsFor.length === 0)).toBe(true);
      }),
    );
  });
});
