import { Batch } from '../../batches/index.ts';
import type { Suggestions } from '../../test/suggestion.ts';

export const suggestions: Suggestions = {
  onward: {
    'ship instrument'(house, random) {
      const ready = house.rows.all(Batch).filter((b) => b.status !== 'done' && house.operation(b.id).kind === 'dispatch');
      const pieces = ready.flatMap((b) => house.live(b.id));
      return pieces.length === 0 ? undefined : { serial: random.pick(pieces).id, consignee: 'Shop', shipper: 'Van' };
    },
  },
};
