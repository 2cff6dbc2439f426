import type { Factory } from '../factory/index.ts';
import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../ledger/index.ts';
import type { KitsCounted } from './kitsCounted.ts';
import { ANY_MODEL, kitIdOf, KitStock } from './kitStock.ts';

export interface CountKitsRequest {
  /** as routes call it */
  what: string;
  /** the model it is for; null where it serves every model */
  modelId: string | null;
  /** how many lie ready; null when they are no longer counted */
  sets: number | null;
  /** how many there were when they were counted; null when they had not been */
  before: number | null;
  note: string;
}

type Which = Pick<CountKitsRequest, 'what' | 'modelId'>;
const idOf = ({ what, modelId }: Which) => kitIdOf(modelId ?? ANY_MODEL, what);
/** Says how many sets of a kit lie ready. From then on work that needs it takes a set a piece. */
export const CountKits = commandKind('count kits')<CountKitsRequest, Factory>({
  role: 'lead',
  concerns: (request) => ({ about: [], making: [rowsOf(KitStock, [idOf(request)])] }),
  decide({ what, modelId, sets, before, note }, { rows, factory }): Decision<Decided<typeof KitsCounted>> {
    const serves = modelId ?? ANY_MODEL;
    if (!factory.setUp.prerequisites.some((p) => p.kind === 'kit' && p.what === what && p.modelId === modelId))
      return wrongInput('what', `There is no kit "${what}" on record`);
    const now = rows.find(KitStock, idOf({ what, modelId }))?.sets ?? null;
    if (now !== before)
      return refuse(`${what}: ${now === null ? 'it is not counted now' : `${now} are here now`}; count again`, { field: 'before' });
    if (sets === now) return refuse(`${what}: ${sets === null ? 'it is not counted' : `${sets} it is already`}`, { field: 'sets' });
    return { kind: 'accept', entries: [{ kind: 'kits.counted', payload: { what, serves, sets, note } }] };
  },
});
