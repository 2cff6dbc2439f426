import { Batch } from '../../batches/index.ts';
import type { Suggestions } from '../../test/suggestion.ts';

export const suggestions: Suggestions = {
  onward: {
    'ship instrument'(shop, random) {
      const ready = shop.rows.all(Batch).filter((b) => b.status !== 'done' && shop.operation(b.id).kind === 'dispatch');
      const pieces = ready.flatMap((b) => shop.live(b.id));
      return pieces.length === 0 ? undefined : { serial: random.pick(pieces).id, consignee: 'Shop', shipper: 'Van' };
    },
  },
};
