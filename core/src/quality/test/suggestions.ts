import { Batch } from '../../batches/index.ts';
import { Dimension } from '../dimension.ts';
import type { Suggestions } from '../../test/suggestion.ts';

export const suggestions: Suggestions = {
  often: ['settle signal'],
  aside: {
    'study instrument'(_, random) {
      const value = () => random.integer(0, 100) / 10;
      const values = [0, 1].map(() => [0, 1].map(() => [value(), value()]));
      const instrument = random.pick(['caliper', 'depth gauge']);
      return { instrument, what: 'Width', unit: 'mm', low: 0, high: random.pick([10, null]), people: ['Ann', 'Ben'], values };
    },
    'settle signal'(house, random) {
      const charts = house.rows.all(Dimension);
      return charts.length === 0
        ? undefined
        : { dimensionId: random.pick(charts).id, note: 'Cutter changed', anew: random.integer(0, 1) === 1 };
    },
  },
  onward: {
    'take measures'(house, random) {
      const measured = house.rows.all(Batch).filter((b) => b.status !== 'done' && house.operation(b.id).characteristics !== undefined);
      if (measured.length === 0) return undefined;
      const batch = random.pick(measured);
      const measures = house.live(batch.id).flatMap(({ id: pieceId }) =>
        (house.operation(batch.id).characteristics ?? []).map(({ id, low, high }) => ({
          pieceId,
          characteristicId: id,
          value: low + ((high - low) * random.integer(0, 11)) / 10,
        })),
      );
      return { batchId: batch.id, measures };
    },
  },
};
