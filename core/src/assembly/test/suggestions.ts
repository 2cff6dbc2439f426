import type { Suggestions } from '../../test/suggestion.ts';
import { kitIdOf, KitStock } from '../kitStock.ts';

export const suggestions: Suggestions = {
  often: ['count kits'],
  aside: {
    'count kits'(house, random) {
      const kits = house.factory.setUp.prerequisites.filter((p) => p.kind === 'kit');
      if (kits.length === 0) return undefined;
      const { what, modelId } = random.pick(kits);
      const before = house.rows.find(KitStock, kitIdOf(modelId ?? 'any', what))?.sets ?? null;
      return {
        what,
        modelId,
        before: random.chance(0.1) ? 99 : before,
        sets: random.chance(0.15) ? null : random.integer(0, 8),
        note: random.chance(0.3) ? 'came today' : '',
      };
    },
  },
};
