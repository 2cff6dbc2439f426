import type { Random } from '../../maths/index.ts';
import type { TestHouse } from '../../test/house.ts';
import type { Suggestions } from '../../test/suggestion.ts';
import { Blank, KeptWood, Lot, ReadingSession, StockBoard } from '../index.ts';

const lotOf = (house: TestHouse, random: Random): Lot => random.pick(house.rows.all(Lot));
const values = (random: Random) => Array.from({ length: 6 }, () => (6 + random.integer(0, 40) / 10).toFixed(1)).join(' ');

export const suggestions: Suggestions = {
  often: ['keep wood', 'join blanks', 'weigh blanks', 'reserve blanks', 'cut boards'],
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
    'read lot': (house, random) => ({
      lotId: lotOf(house, random).id,
      text: random.chance(0.95) ? `${values(random)} c8.6` : 'about eight',
      woodTempC: 20,
      meter: 'pin',
      ...(random.chance(0.2) ? { atMs: house.nowMs - random.integer(-1, 90) * 60_000 } : {}),
    }),
    'import readings': (house, random) => ({
      sessions: Array.from({ length: random.integer(1, 3) }, () => ({
        lotId: lotOf(house, random).id,
        atMs: house.nowMs - random.integer(0, 2) * 3_600_000,
        readings: Array.from({ length: random.integer(0, 20) === 0 ? 0 : 3 }, () => ({
          depth: random.pick(['shell', 'core']),
          rawPct: 6 + random.integer(0, 3),
          woodTempC: random.pick([18, 22]),
        })),
      })),
    }),
    'describe lot': (house, random) => ({
      lotId: lotOf(house, random).id,
      ...(random.chance(0.9) ? { grade: random.pick(['A', 'B', null]) } : {}),
    }),
    'move lot': (house, random) => ({
      lotId: lotOf(house, random).id,
      zoneId: random.pick(['wood', 'kiln', 'bench', 'nowhere']),
      place: random.pick([null, 'Bay 1', 'Bay 2']),
      scheduleId: null,
    }),
    'correct reading'(house, random) {
      const sessions = house.rows.all(ReadingSession);
      if (sessions.length === 0) return undefined;
      const { id, lotId } = random.pick(sessions);
      return { lotId, sessionId: id, seq: random.integer(1, 7), text: random.chance(0.9) ? `c${6 + random.integer(0, 40) / 10}` : '8 9' };
    },
    'strike reading'(house, random) {
      const sessions = house.rows.all(ReadingSession);
      if (sessions.length === 0) return undefined;
      const { id, lotId } = random.pick(sessions);
      return { lotId, sessionId: id, seq: random.integer(1, 7), reason: 'The pin slipped' };
    },
    'release lot'(house, random) {
      const drying = house.rows.all(Lot).filter((lot) => lot.state === 'drying');
      if (drying.length === 0) return undefined;
      return { lotId: random.pick(drying).id, ...(random.chance(0.7) ? { overrideReason: 'Offcuts only' } : {}) };
    },
    'measure boards': (house, random) => ({
      lotId: lotOf(house, random).id,
      boards: Array.from({ length: random.integer(1, 2) }, () => ({
        lengthMm: 1200,
        widthMm: 200,
        widthEndMm: 190,
        thicknessMm: 50,
        faults: random.chance(0.1) ? [{ xMm: 5000, yMm: 0, lengthMm: 10, widthMm: 10 }] : [],
      })),
    }),
    'cut boards'(house, random) {
      const released = (lotId: string) => house.rows.get(Lot, lotId).state !== 'drying';
      const whole = house.rows.all(StockBoard).filter((b) => (b.state === 'whole' && released(b.lotId)) || random.chance(0.05));
      if (whole.length === 0) return undefined;
      const placed = [{ blankId: 'w1', pieces: 2, xMm: 0, yMm: 0, lengthMm: 500, widthMm: 90 }];
      return {
        boards: [{ boardId: random.pick(whole).id, placed }],
        wanted: [{ id: 'w1', modelId: 'any', component: 'body', thicknessMm: 45 }],
      };
    },
    'join blanks'(house, random) {
      const blanks = house.rows.all(Blank).filter((b) => b.state === 'free' || random.chance(0.05));
      if (blanks.length < 2) return undefined;
      const first = random.pick(blanks);
      const beside = blanks.filter((b) => b.lotId === first.lotId && b !== first);
      if (beside.length === 0) return undefined;
      return { blankIds: [first.id, random.pick(beside).id], jointMm: random.chance(0.1) ? 900 : 2 };
    },
    'weigh blanks'(house, random) {
      const blanks = house.rows.all(Blank).filter((b) => b.state !== 'joined' || random.chance(0.05));
      if (blanks.length === 0) return undefined;
      return {
        blanks: [{ id: random.pick(blanks).id, massG: 2000 + random.integer(0, 400), ...(random.chance(0.5) ? { moisturePct: 8 } : {}) }],
      };
    },
    'reserve blanks'(house, random) {
      const blanks = house.rows.all(Blank).filter((b) => b.state === 'free' || random.chance(0.1));
      if (blanks.length === 0) return undefined;
      return { blankIds: [random.pick(blanks).id], orderId: random.chance(0.1) ? 'O1' : null };
    },
    'keep wood'(house, random) {
      const kept = house.rows.all(KeptWood);
      if (kept.length > 0 && random.chance(0.4)) return { ...random.pick(kept), volumeM3: 0 };
      const whole = house.rows.all(Lot).filter((lot) => lot.leftM3 > 0);
      if (whole.length === 0) return undefined;
      return {
        lotId: random.pick(whole).id,
        orderId: random.chance(0.95) ? 'O1' : 'O9',
        volumeM3: random.chance(0.05) ? 5 : random.integer(1, 9) / 1000,
      };
    },
  },
};
