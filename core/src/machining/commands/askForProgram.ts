import type { Factory } from '../../factory/index.ts';
import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { ProgramAskedFor } from '../entries/programAskedFor.ts';
import { choiceKey, Program, programIdOf } from '../program.ts';
import { ownerObjection } from './owner.ts';

/** A program to be written. */
export type AskForProgramRequest = Pick<Program, 'modelId' | 'what' | 'side' | 'serves' | 'ownerId' | 'note'>;

const idOf = ({ modelId, what, serves }: AskForProgramRequest) => programIdOf({ modelId, what: what.trim(), serves });

/** Asks for a program: for a part of a model, or of every model, and for some choices of its orders or all. */
export const AskForProgram = commandKind('ask for program')<AskForProgramRequest, Factory>({
  role: 'lead',
  concerns: (request) => ({ about: [], making: [rowsOf(Program, [idOf(request)])] }),
  decide(request, { rows, factory, nowMs }): Decision<Decided<typeof ProgramAskedFor>> {
    const { modelId, serves, ownerId } = request;
    const what = request.what.trim();
    if (what === '') return wrongInput('what', 'Say what it is called on the route');
    if (modelId !== null && !factory.model(modelId)) return wrongInput('modelId', `There is no model ${modelId}`);
    if (new Set(serves).size !== serves.length) return wrongInput('serves', 'A choice is named twice');
    const strange = serves.find((key) => !choicesOf(modelId, factory, nowMs).has(key));
    if (strange !== undefined) return wrongInput('serves', `${strange} is no choice of this model`);
    const wrongOwner = ownerObjection(ownerId, factory);
    if (wrongOwner) return wrongOwner;
    const id = idOf(request);
    if (rows.find(Program, id)) return refuse(`The program "${what}" is on record already`, { field: 'what' });
    const payload = { id, modelId, what, side: request.side.trim(), serves, ownerId, note: request.note.trim() };
    return { kind: 'accept', entries: [{ kind: 'program.asked', payload }] };
  },
});

/** What an order of a model can choose, on the route in force. */
function choicesOf(modelId: string | null, factory: Factory, nowMs: number): Set<string> {
  const options = modelId === null ? [] : (factory.routeInForce(modelId, nowMs)?.options ?? []);
  return new Set(options.flatMap((o) => o.values.map((v) => choiceKey(o.id, v.id))));
}
