import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { neckAngle } from './index.ts';

const GEOMETRY = { saddleMm: 14, stringMm: 2, planeMm: 6, toSaddleMm: 230 };

test('a saddle of 14 mm, the string 2 mm over a plane 6 mm above the top, 230 mm from the joint: 1.49°', () => {
  const { degrees, heelOffMm } = neckAngle(GEOMETRY, 60);
  expect(degrees).toBeCloseTo(1.494, 3);
  expect(heelOffMm).toBeCloseTo(1.565, 3);
});
test('more action needs less angle; a plane that meets the string needs none, and beyond that it leans forward', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 5, noNaN: true }), fc.double({ min: 0.01, max: 5, noNaN: true }), (action, more) => {
      const at = (stringMm: number) => neckAngle({ ...GEOMETRY, stringMm }, 60).degrees;
      expect(at(action + more)).toBeLessThan(at(action));
    }),
  );
  expect(neckAngle({ ...GEOMETRY, stringMm: 8 }, 60)).toEqual({ degrees: 0, heelOffMm: 0 });
  expect(neckAngle({ ...GEOMETRY, stringMm: 9 }, 60).degrees).toBeLessThan(0);
});
test.each([
  ['a joint at the saddle', { ...GEOMETRY, toSaddleMm: 0 }, 60],
  ['no distance', { ...GEOMETRY, toSaddleMm: NaN }, 60],
  ['a heel without length', GEOMETRY, 0],
])('%s is refused', (_, geometry, heel) => {
  expect(() => neckAngle(geometry, heel)).toThrow(RangeError);
});
