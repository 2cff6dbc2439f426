import { onBatch, piecesInPass, rigStepOf, stayFor } from '../../batches/index.ts';
import { refuse, wrongInput, type Decision } from '../../ledger/index.ts';
import { wipeFor } from '../../routing/index.ts';
import type { RigEntry } from '../decided.ts';

export interface WipeFacesRequest {
  personId: string;
  /** which were wiped; all that are in no rig yet where nothing is said */
  pieceIds?: readonly string[];
}

/** The faces of pieces have been wiped, and take glue for so many minutes. */
export const WipeFaces = onBatch('wipe faces')<WipeFacesRequest, RigEntry>({
  role: 'operator',
  decide({ personId, pieceIds }, { batch, route, operation, pieces }): Decision<RigEntry> {
    const step = rigStepOf(route, operation, batch);
    if (!step) return refuse(`${operation.name} is ${batch.status}: nothing of it is glued now`);
    const wipe = wipeFor(step, batch.facts);
    if (!wipe) return refuse(`${step.name} asks for no wipe of this wood`);
    const outside = piecesInPass(batch, pieces)
      .filter((p) => p.inRig === null && stayFor(p.stay, step.id) === null)
      .map((p) => p.id);
    const wiped = pieceIds ?? outside;
    if (wiped.length === 0) return refuse(`Every piece of ${batch.id} has been in a rig for ${step.name}`);
    if (new Set(wiped).size !== wiped.length) return wrongInput('pieceIds', 'A piece is named twice');
    const stranger = wiped.find((id) => !outside.includes(id));
    if (stranger !== undefined) return wrongInput('pieceIds', `Piece ${stranger} is not one of ${batch.id} that waits to be glued`);
    return {
      kind: 'accept',
      entries: [
        { kind: 'faces.wiped', payload: { operationId: step.id, pieceIds: [...wiped], withWhat: wipe.withWhat, workerId: personId } },
      ],
    };
  },
});
