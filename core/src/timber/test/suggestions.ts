import type { Random } from '../../maths/index.ts';
import type { TestShop } from '../../test/shop.ts';
import type { Suggestions } from '../../test/suggestion.ts';
import { Blank, Lot, ReadingSession, StockBoard } from '../index.ts';

const lotOf = (shop: TestShop, random: Random): Lot => random.pick(shop.rows.all(Lot));
const values = (random: Random) => Array.from({ length: 6 }, () => (6 + random.integer(0, 40) / 10).toFixed(1)).join(' ');

export const suggestions: Suggestions = {
  aside: {
    'receive lot': (_, random) => ({
      species: 'mahogany',
      form: 'rough lumber',
      use: 'body',
      thicknessMm: 50,
      volumeM3: random.integer(1, 20) / 10,
      supplier: 'Yard',
      origin: 'Here',
      permit: null,
      restricted: false,
      zoneId: random.pick(['wood', 'kiln', 'nowhere']),
    }),
    'read lot': (shop, random) => ({
      lotId: lotOf(shop, random).id,
      text: random.chance(0.95) ? `${values(random)} c8.6` : 'about eight',
      woodTempC: 20,
      meter: 'pin',
      ...(random.chance(0.2) ? { atMs: shop.nowMs - random.integer(-1, 90) * 60_000 } : {}),
    }),
    'import readings': (shop, random) => ({
      sessions: Array.from({ length: random.integer(1, 3) }, () => ({
        lotId: lotOf(shop, random).id,
        text: values(random),
        woodTempC: 18,
        atMs: null,
      })),
    }),
    'describe lot': (shop, random) => ({
      lotId: lotOf(shop, random).id,
      ...(random.chance(0.9) ? { grade: random.pick(['A', 'B', null]) } : {}),
    }),
    'move lot': (shop, random) => ({
      lotId: lotOf(shop, random).id,
      zoneId: random.pick(['wood', 'kiln', 'bench', 'nowhere']),
      place: random.pick([null, 'Bay 1', 'Bay 2']),
      scheduleId: null,
    }),
    'strike reading'(shop, random) {
      const sessions = shop.rows.all(ReadingSession);
      if (sessions.length === 0) return undefined;
      const { id, lotId } = random.pick(sessions);
      return { lotId, sessionId: id, seq: random.integer(1, 7), reason: 'The pin slipped' };
    },
    'release lot'(shop, random) {
      const drying = shop.rows.all(Lot).filter((lot) => lot.state === 'drying');
      if (drying.length === 0) return undefined;
      return { lotId: random.pick(drying).id, ...(random.chance(0.7) ? { overrideReason: 'Offcuts only' } : {}) };
    },
    'measure boards': (shop, random) => ({
      lotId: lotOf(shop, random).id,
      boards: Array.from({ length: random.integer(1, 2) }, () => ({
        lengthMm: 1200,
        widthMm: 200,
        widthEndMm: 190,
        thicknessMm: 50,
        faults: random.chance(0.1) ? [{ xMm: 5000, yMm: 0, lengthMm: 10, widthMm: 10 }] : [],
      })),
    }),
    'cut boards'(shop, random) {
      const released = (lotId: string) => shop.rows.get(Lot, lotId).state !== 'drying';
      const whole = shop.rows.all(StockBoard).filter((b) => (b.state === 'whole' && released(b.lotId)) || random.chance(0.05));
      if (whole.length === 0) return undefined;
      const placed = [{ blankId: 'w1', pieces: 2, xMm: 0, yMm: 0, lengthMm: 500, widthMm: 90 }];
      return {
        boards: [{ boardId: random.pick(whole).id, placed }],
        wanted: [{ id: 'w1', modelId: 'any', component: 'body', thicknessMm: 45 }],
      };
    },
    'weigh blanks'(shop, random) {
      const blanks = shop.rows.all(Blank);
      if (blanks.length === 0) return undefined;
      return {
        blanks: [{ id: random.pick(blanks).id, massG: 2000 + random.integer(0, 400), ...(random.chance(0.5) ? { moisturePct: 8 } : {}) }],
      };
    },
    'reserve blanks'(shop, random) {
      const blanks = shop.rows.all(Blank).filter((b) => b.state === 'free' || random.chance(0.1));
      if (blanks.length === 0) return undefined;
      return { blankIds: [random.pick(blanks).id], orderId: random.chance(0.1) ? 'O1' : null };
    },
  },
};
