import { DAY_MS } from '../../units/index.ts';
import type { Suggestions } from '../../test/suggestion.ts';

export const suggestions: Suggestions = {
  aside: {
    'place order': (shop, random) => ({
      modelId: random.pick([...shop.factory.parts.models.keys()]),
      quantity: random.integer(1, 9),
      customer: 'Shop',
      dueMs: shop.nowMs + random.integer(-2, 90) * DAY_MS,
      ...(random.chance(0.5) ? { choices: { extra: random.pick(['yes', 'no', 'perhaps']) } } : {}),
    }),
  },
};
