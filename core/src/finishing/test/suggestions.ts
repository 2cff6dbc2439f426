import { Batch, piecesIn } from '../../batches/index.ts';
import type { Suggestions } from '../../test/suggestion.ts';

export const suggestions: Suggestions = {
  onward: {
    'log coat'(house, random) {
      const spraying = house.rows.all(Batch).filter((b) => b.status === 'running' && house.operation(b.id).coat !== undefined);
      if (spraying.length === 0) return undefined;
      return { batchId: random.pick(spraying).id, wetUm: 90, ...(random.chance(0.2) ? {} : { overrideReason: 'The sheet allows it' }) };
    },
    'log scuff'(house, random) {
      const coated = house.rows
        .all(Batch)
        .filter(
          (b) => ['running', 'dwelling', 'finished'].includes(b.status) && piecesIn(house.rows, b.id).some((p) => p.lastCoat !== null),
        );
      if (coated.length === 0) return undefined;
      return {
        batchId: random.pick(coated).id,
        grit: random.chance(0.1) ? 40 : random.pick([220, 320, 400]),
        ...(random.chance(0.3) ? { toBare: true } : {}),
      };
    },
  },
};
