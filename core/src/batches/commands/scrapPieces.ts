import { refuse } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import type { PieceDefect } from '../outcome.ts';
import { namedObjection } from '../pieces.ts';
import { onBatch } from './onBatch.ts';

/** Takes pieces out of the work for good. */
export const ScrapPieces = onBatch('scrap pieces')<{ pieces: readonly PieceDefect[] }>({
  role: 'lead',
  decide({ pieces }, at) {
    const { batch, operation } = at;
    if (batch.status === 'running' || batch.status === 'paused' || batch.status === 'away')
      return refuse(`${operation.name} is ${batch.status}: count the scrap when it is finished`);
    return namedObjection(pieces, at) ?? accept({ kind: 'pieces.scrapped', payload: { operationId: operation.id, pieces } });
  },
});
