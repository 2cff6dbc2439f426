import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { allot, type CarrierUse, freePlaces, placedPieces, placingObjections, suits, takeOff } from '../carriers/index.ts';
import { CARRIERS } from '../test/routes.ts';

const use = (id: string, taken = 0, own = 0): CarrierUse => {
  const carrier = CARRIERS.find((c) => c.id === id);
  if (!carrier) throw new Error(id);
  return { carrier, taken, own };
};

describe('places', () => {
  test('the fullest carrier that holds all is taken, so that large gaps stay whole', () => {
    expect(allot(3, [use('R1'), use('R2')])).toEqual([{ carrierId: 'R2', pieces: 3 }]);
    expect(allot(5, [use('R1'), use('R2')])).toEqual([{ carrierId: 'R1', pieces: 5 }]);
  });
  test('where none holds all, the batch sits on several; where all together do not, nowhere', () => {
    expect(allot(11, [use('R1'), use('R2')])).toEqual([
      { carrierId: 'R1', pieces: 8 },
      { carrierId: 'R2', pieces: 3 },
    ]);
    expect(allot(12, [use('R1'), use('R2', 1)])).toBeUndefined();
  });
  test('its own places count as free to it, and it stays where it is', () => {
    expect(freePlaces(use('R1', 8, 3))).toBe(3);
    expect(allot(3, [use('R2'), use('R1', 8, 3)])).toEqual([{ carrierId: 'R1', pieces: 3 }]);
  });
  test('a form is for one outline; a rack for any', () => {
    const form = use('F1').carrier;
    expect(suits(form, { kind: 'form', outline: true }, 'wide')).toBe(true);
    expect(suits(form, { kind: 'form' }, 'short')).toBe(false);
    expect(suits(use('R1').carrier, { kind: 'rack', outline: true }, 'wide')).toBe(false);
  });
  test('objections say which carrier and how many', () => {
    const said = (placements: { carrierId: string; pieces: number }[], quantity = 3) =>
      placingObjections(placements, quantity, [use('R1', 6), use('F9')], 'wide').map((f) => f.sentence);
    expect(said([{ carrierId: 'R1', pieces: 3 }])).toEqual(['R1 has 2 of 8 places free; 3 are needed']);
    expect(said([{ carrierId: 'R7', pieces: 3 }])).toEqual(['There is no carrier R7']);
    expect(said([{ carrierId: 'F9', pieces: 3 }])).toEqual(['F9 is made for another outline']);
    expect(said([{ carrierId: 'R1', pieces: 2 }])).toEqual(['2 pieces are placed; the batch has 3']);
    expect(said([{ carrierId: 'R1', pieces: 0.5 }])[0]).toBe('0.5 is not a count of pieces');
    expect(
      said(
        [
          { carrierId: 'R1', pieces: 1 },
          { carrierId: 'R1', pieces: 1 },
        ],
        2,
      )[0],
    ).toBe('A carrier is named twice');
    expect(said([])).toEqual([]);
  });
  test('what is allotted fits, and what is taken off adds up', () => {
    const uses = fc.array(fc.tuple(fc.constantFrom('F1', 'T1', 'R1', 'R2', 'F9'), fc.nat(3)), { maxLength: 5 });
    fc.assert(
      fc.property(uses, fc.integer({ min: 1, max: 20 }), fc.nat(20), (given, pieces, off) => {
        const all = [...new Map(given.map(([id, taken]) => [id, use(id, taken)])).values()];
        const found = allot(pieces, all);
        const free = all.reduce((sum, u) => sum + freePlaces(u), 0);
        expect(found !== undefined).toBe(free >= pieces);
        if (!found) return;
        expect(placedPieces(found)).toBe(pieces);
        for (const p of found) expect(p.pieces).toBeLessThanOrEqual(freePlaces(all.find((u) => u.carrier.id === p.carrierId) ?? use('R1')));
        const { stay, went } = takeOff(found, off);
        expect(placedPieces(went)).toBe(Math.min(off, pieces));
        expect(placedPieces(stay) + placedPieces(went)).toBe(pieces);
      }),
    );
  });
});
