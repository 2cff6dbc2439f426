import { Batch, Piece, pieceInRig, rigStepOf } from '../../batches/index.ts';
import type { Random } from '../../maths/index.ts';
import type { TestHouse } from '../../test/house.ts';
import { openTooLong } from '../openTime.ts';
import type { Suggestions } from '../../test/suggestion.ts';

const person = (random: Random) => (random.chance(0.05) ? 'bob' : 'ann');
const rigsOf = (house: TestHouse) => house.factory.rigs.map((r) => r.id);

/** A batch that may be put in a rig now, and now and then any other. */
function glued(house: TestHouse, random: Random): Batch | undefined {
  const all = house.rows.all(Batch).filter((b) => b.status !== 'done');
  const ready = random.chance(0.05) ? all : all.filter((b) => rigStepOf(house.factory.routeOf(b), house.operation(b.id), b) !== null);
  return ready.length === 0 ? undefined : random.pick(ready);
}

/** A piece that is in a rig. */
const pressed = (house: TestHouse, random: Random, isOpen: (piece: Piece) => boolean): Piece | undefined => {
  const there = house.rows.all(Piece).filter((p) => p.inRig !== null && (random.chance(0.1) || isOpen(p)));
  return there.length === 0 ? undefined : random.pick(there);
};

export const suggestions: Suggestions = {
  often: ['put in rig', 'close rig', 'take out of rig'],
  onward: {
    'put in rig'(house, random) {
      const batch = glued(house, random);
      if (!batch) return undefined;
      const kind = rigStepOf(house.factory.routeOf(batch), house.operation(batch.id), batch)?.rig?.kind;
      const fitting = house.factory.rigs.filter((r) => r.kind === kind).map((r) => r.id);
      return {
        batchId: batch.id,
        personId: person(random),
        rigId: random.pick(random.chance(0.05) || fitting.length === 0 ? [...rigsOf(house), 'nowhere'] : fitting),
        ...(random.chance(0.1)
          ? {
              pieceIds: house
                .live(batch.id)
                .slice(0, 1)
                .map((p) => p.id),
            }
          : {}),
        ...(random.chance(0.05) ? { places: [random.integer(0, 4)] } : {}),
      };
    },
    'wipe faces'(house, random) {
      const batch = glued(house, random);
      if (!batch) return undefined;
      const some = random.chance(0.2) ? { pieceIds: [random.chance(0.2) ? 'nobody' : (house.live(batch.id)[0]?.id ?? '')] } : {};
      return { batchId: batch.id, personId: person(random), ...some };
    },
    'close rig'(house, random) {
      const piece = pressed(house, random, (p) => p.stay?.place === null && p.stay.closedMs === null);
      if (!piece) return undefined;
      // Hours often pass in these histories, and glue stays open for minutes.
      const isLate = openTooLong(pieceInRig(piece), '', house.nowMs).length > 0;
      return {
        batchId: piece.batchId,
        personId: person(random),
        rigId: piece.inRig ?? '',
        ...(isLate && !random.chance(0.1) ? { overrideReason: 'Still wet enough' } : {}),
      };
    },
    'take out of rig'(house, random) {
      const piece = pressed(house, random, (p) => p.stay?.closedMs !== null);
      if (!piece) return undefined;
      return {
        batchId: piece.batchId,
        personId: person(random),
        rigId: piece.inRig ?? '',
        ...(random.chance(0.1) ? { pieceIds: [piece.id] } : {}),
        ...(random.chance(0.3) ? { ahead: true } : {}),
        ...(random.chance(0.05) ? { back: true } : {}),
        ...(random.chance(0.1) ? { overrideReason: random.pick(['soon', 'Wanted today']) } : {}),
      };
    },
  },
};
