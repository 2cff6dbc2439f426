import { expect, test } from '@jest/globals';
import { Answers } from '../ledger/index.ts';
import {
  bandFor,
  DEFAULT_MOISTURE_GATE,
  outOfBand,
  ShopEmc,
  wentOutObjection,
  type Lot,
  type WoodFactory,
  type WoodSettings,
} from './index.ts';

const BAND = { low: 7, high: 9 };
const lot = (over: Partial<Lot> = {}) =>
  ({
    ...{ id: 'L1', use: 'body', thicknessMm: 50, form: 'rough lumber', state: 'released', meanPct: 8, lastReadMs: 10, releasedMs: 20 },
    ...(over as object),
  }) as Lot;

test.each<[string, Partial<Lot>, ReturnType<typeof outOfBand>]>([
  ['in the band', {}, null],
  ['at its edges', { meanPct: 9 }, null],
  ['never read', { meanPct: null, lastReadMs: null }, null],
  ['as close to an edge as a meter tells', { meanPct: 9.09 }, null],
  ['too wet when it was let go', { meanPct: 9.11 }, 'at its release'],
  ['too dry when it was let go', { meanPct: 6.89 }, 'at its release'],
  ['read after it was let go', { meanPct: 9.5, lastReadMs: 21 }, 'since its release'],
  ['let go again after that', { meanPct: 9.5, lastReadMs: 21, releasedMs: 22 }, 'at its release'],
  ['not let go yet', { meanPct: 12, state: 'drying' }, null],
  ['used up', { meanPct: 12, state: 'used up' }, null],
])('a lot %s', (_, over, expected) => {
  expect(outOfBand(lot(over), BAND)).toBe(expected);
});

const settings = {
  moistureGate: DEFAULT_MOISTURE_GATE,
  moistureBand: { school: 'shop', halfWidthPct: 1, fixedLowPct: 0, fixedHighPct: 0 },
  moistureExceptions: [
    {
      use: 'top',
      form: null,
      gate: DEFAULT_MOISTURE_GATE,
      band: { school: 'fixed', halfWidthPct: 0, fixedLowPct: 6, fixedHighPct: 7 },
    },
  ],
  kilnSchedules: [],
  species: [],
} satisfies WoodSettings;
const factory: WoodFactory = {
  hasZone: () => true,
  species: () => {
    throw new Error('No species is asked for');
  },
  woodNeedsOf: () => [],
  setUp: { settings },
};
const shop = (pct: number) => new Answers().give(ShopEmc, {}, pct);

test('a lot is judged by the rules of its use', () => {
  expect(bandFor(lot(), factory, 8)).toEqual({ low: 7, high: 9 });
  expect(bandFor(lot({ use: 'top' }), factory, 8)).toEqual({ low: 6, high: 7 });
});
test('what was read out of band since is not cut; what nobody can judge is not either', () => {
  const wet = lot({ meanPct: 9.5, lastReadMs: 30 });
  const sentence = (answers: Answers) => wentOutObjection(wet, factory, answers)?.because.map((f) => f.sentence);
  expect(sentence(shop(8))).toEqual(['Lot L1 was read at 9.5 % since its release; its band is 7.0 to 9.0 %']);
  expect(sentence(shop(8.6))).toBeUndefined();
  expect(sentence(new Answers())).toEqual(['Nobody could say how moist the shop is']);
});
