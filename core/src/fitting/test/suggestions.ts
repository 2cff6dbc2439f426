import { Batch } from '../../batches/index.ts';
import type { Suggestions } from '../../test/suggestion.ts';

export const suggestions: Suggestions = {
  onward: {
    'fit instruments'(house, random) {
      const here = house.rows.all(Batch).filter((b) => b.status === 'queued' && house.operation(b.id).kind === 'fit');
      const [bodies, necks] = (['body', 'neck'] as const).map((c) => here.filter((b) => b.component === c));
      if (!bodies?.length || !necks?.length) return undefined;
      const [body, neck] = [random.pick(bodies), random.pick(necks)];
      const free = house.live(neck.id);
      const pairs = house
        .live(body.id)
        .slice(0, free.length)
        .map((piece, i) => ({ bodyId: piece.id, neckId: free[i]?.id ?? null }));
      return { bodyBatchId: body.id, neckBatchId: neck.id, pairs: random.chance(0.3) ? pairs.slice(0, 1) : pairs };
    },
  },
};
