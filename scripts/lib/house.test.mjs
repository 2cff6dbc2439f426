import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { FLOORS } from './floors.cjs';
import { drawHouse } from './house.mjs';

const root = new URL('../../', import.meta.url);

describe('the drawing of the house', () => {
  test('is of the house as it stands: `npm run house` draws it anew', () => {
    expect(readFileSync(new URL('docs/house.svg', root), 'utf8')).toBe(drawHouse());
  });
  test.each(Object.keys(FLOORS))('%s has no room that has gone, and no floor without its rooms', (house) => {
    const there = readdirSync(new URL(`${house}/src`, root), { withFileTypes: true })
      .filter((e) => e.isDirectory() && !['test', 'migrations'].includes(e.name))
      .map((e) => e.name);
    expect(FLOORS[house].flat().sort()).toEqual(there.sort());
  });
});
