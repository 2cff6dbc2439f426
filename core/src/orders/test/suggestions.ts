import { DAY_MS } from '../../units/index.ts';
import type { Suggestions } from '../../test/suggestion.ts';

export const suggestions: Suggestions = {
  aside: {
    'place order': (house, random) => ({
      modelId: random.pick([...house.factory.setUp.models.keys()]),
      quantity: random.integer(1, 9),
      customer: 'Shop',
      dueMs: house.nowMs + random.integer(-2, 90) * DAY_MS,
      ...(random.chance(0.5) ? { choices: { extra: random.pick(['yes', 'no', 'perhaps']) } } : {}),
    }),
  },
};
