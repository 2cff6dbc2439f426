import { placingObjections, staysObjection, type Placement } from '../../carriers/index.ts';
import { accept } from '../decided.ts';
import { carriersFor, othersIn, placeAsks } from '../places.ts';
import { onBatch } from './onBatch.ts';

/** Puts a batch on other carriers. */
export const PlaceBatch = onBatch('place batch')<{ placements: readonly Placement[] }>({
  role: 'operator',
  whileHeld: true,
  asks: ({ placements }, at) => placeAsks(placements, at),
  decide({ placements }, at) {
    const { batch, operation, live } = at;
    const carriers = carriersFor(at);
    const findings = placingObjections(placements, live.length, carriers, batch.modelId, othersIn(at.answers, batch.id));
    if (operation.place && batch.status !== 'queued')
      findings.push(...staysObjection(placements, operation.place, carriers, operation.name));
    return findings.length > 0 ? { kind: 'refuse', because: findings } : accept({ kind: 'batch.placed', payload: { placements } });
  },
});
