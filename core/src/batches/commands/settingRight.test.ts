import { expect, test } from '@jest/globals';
import { judged, type Around } from '../../test/judged.ts';
import { piecesOf } from '../../test/parts.ts';
import { factory, NUMBER, wide, tell, running, type Case } from '../../test/situations.ts';
import { HOUR_MS } from '../../units/index.ts';
import { LatestEntry } from '../lastEntry.ts';
import * as commands from './index.ts';

const say = (over: object = {}) => ({ routeId: 'wide@2', operationId: 'sand', reason: ' Better order ', ...over });
tell('RerouteBatch', [
  ['to no route', say({ routeId: 'wide@9' }), { batch: wide('sand') }, 'routeId | There is no released route wide@9'],
  ['without a reason', say({ reason: ' ' }), { batch: wide('sand') }, 'reason | Say why it is moved'],
  ['to where it is', say({ routeId: 'wide@1' }), { batch: wide('sand') }, 'Batch B1 is on this version already'],
  ['to another model', say({ routeId: 'short@1' }), { batch: wide('sand') }, 'That route is of another model'],
  ...(['running', 'paused', 'away'] as const).map((status): Case => [
    `while it is ${status}`,
    say(),
    { batch: wide('sand', { status }) },
    `Batch B1 is ${status}; it can be moved between two steps`,
  ]),
  [
    'to another step than its own',
    say({ operationId: 'press' }),
    { batch: wide('sand') },
    'operationId | On that version batch B1 stands at "sand it"',
  ],
  ['at a step that is the same there', say(), { batch: wide('sand') }, 'batch.rerouted'],
  [
    'while it waits, at the wait that is the same there',
    say({ operationId: 'cool' }),
    { batch: wide('cool', { status: 'dwelling', arrivedMs: 99.5 * HOUR_MS }) },
    'batch.rerouted',
  ],
]);
test('why it is moved is kept without the blanks around it', () => {
  expect(judged(commands.RerouteBatch, say(), { factory, batch: wide('sand') })).toMatchObject({
    entries: [{ payload: { routeId: 'wide@2', operationId: 'sand', reason: 'Better order' } }],
  });
});

const last = (undoable: object | null, id = 4) => ({ [LatestEntry.name]: { id, kind: 'x', undoable } });
const back = { entryId: 4, reason: ' Wrong card ' };
tell('UndoEntry', [
  ['without a reason', { entryId: 4, reason: ' ' }, { batch: wide('press') }, 'reason | Say why it is taken back'],
  ...[{}, last({ kind: 'work.started', payload: {} }, 5)].map((answers): Case => [
    'of what is not the latest, or nobody knows',
    back,
    { batch: running('press'), answers },
    'Only the latest entry can be taken back; something else has been logged since',
  ]),
  [
    'of another kind',
    back,
    { batch: wide('press'), answers: last(null) },
    'This kind of entry cannot be taken back; log a correction instead',
  ],
  [
    'of a start that is over',
    back,
    { batch: wide('sand'), answers: last({ kind: 'work.started', payload: {} }) },
    'Batch B1 is queued; that can no longer be taken back',
  ],
  [
    'of a start that drew small parts',
    back,
    { batch: running('press'), answers: last({ kind: 'work.started', payload: {} }) },
    'Small parts were drawn for it; that cannot be taken back',
  ],
  ['of a start', back, { batch: running('sand'), answers: last({ kind: 'work.started', payload: {} }) }, 'entry.undone'],
  [
    'of rework',
    back,
    { batch: wide('sand', { status: 'finished' }), answers: last({ kind: 'work.finished', payload: { redo: true } }) },
    'Rework that is finished cannot be taken back',
  ],
  [
    'of a finish',
    back,
    { batch: wide('sand', { status: 'finished' }), answers: last({ kind: 'work.finished', payload: {} }) },
    'entry.undone',
  ],
]);

const fault = (over: object = {}) => ({
  pieceId: 'B1-01',
  defect: 'crack',
  originOperationId: 'bend',
  note: '',
  disposition: 'rework',
  toOperationId: 'press',
  ...over,
});
tell('RefuseWork', [
  ['in the middle of work', { pieces: [fault()] }, { batch: running('sand'), answers: NUMBER }, 'handover.refused'],
  [
    'of scrap in the middle of work',
    { pieces: [fault({ disposition: 'scrap' })] },
    { batch: running('sand') },
    'pieces | sand is running: count scrap, or hold it apart, when it is finished',
  ],
  [
    'of what is being done again',
    { pieces: [fault()] },
    { batch: { ...running('sand'), redo: true } },
    'What came back is finished together: count it then',
  ],
  [
    'of what is held',
    { pieces: [fault()] },
    { batch: { ...wide('sand'), status: 'away' } },
    'Batch B1 is away; nothing of it can be sent back now',
  ],
  ['of nothing', { pieces: [] }, { batch: wide('sand') }, 'pieces | Name at least one piece'],
  ['of one piece twice', { pieces: [fault(), fault()] }, { batch: wide('sand') }, 'pieces | A piece is named twice'],
  ['of a stranger', { pieces: [fault({ pieceId: 'B9-01' })] }, { batch: wide('sand') }, 'pieces | Piece B9-01 is not in batch B1'],
  [
    'without a defect',
    { pieces: [fault({ defect: ' ' })] },
    { batch: wide('sand') },
    'pieces | Each piece that is not good needs a defect',
  ],
  [
    'for what nobody knows',
    { pieces: [fault({ defect: 'gremlins' })] },
    { batch: wide('sand') },
    'pieces | "gremlins" is not in the register of defects: Setup, Defects',
  ],
  [
    'from a step there is not',
    { pieces: [fault({ originOperationId: 'x' })] },
    { batch: wide('sand') },
    'pieces | The route has no step "x"',
  ],
  ['back to no step', { pieces: [fault({ toOperationId: null })] }, { batch: wide('sand') }, 'pieces | Say which step B1-01 goes back to'],
  ...['sand', 'blank', 'cool', 'polish', 'spray'].map((toOperationId): Case => [
    `back to ${toOperationId}`,
    { pieces: [fault({ toOperationId })] },
    { batch: wide('sand') },
    `pieces | "${toOperationId}" is not work that leads to sand`,
  ]),
  ['of some, without a number for them', { pieces: [fault()] }, { batch: wide('sand') }, 'No batch number is free'],
  ['of all', { pieces: ['1', '2', '3'].map((n) => fault({ pieceId: `B1-0${n}` })) }, { batch: wide('sand') }, 'handover.refused'],
  ['of scrap, which needs no number', { pieces: [fault({ disposition: 'scrap' })] }, { batch: wide('sand') }, 'handover.refused'],
]);
test('pieces that share a fate go together, each fate under a number of its own', () => {
  const pieces = [
    fault(),
    fault({ pieceId: 'B1-02', disposition: 'hold', toOperationId: 'press' }),
    fault({ pieceId: 'B1-03', toOperationId: 'bind' }),
    fault({ pieceId: 'B1-04' }),
    fault({ pieceId: 'B1-05', disposition: 'use as is' }),
  ];
  const decision = judged(commands.RefuseWork, { pieces }, { factory, batch: wide('sand'), pieces: piecesOf(5), answers: NUMBER });
  const { payload } = decision.kind === 'accept' ? (decision.entries[0] ?? { payload: null }) : { payload: null };
  const told = (payload as { refusals: { disposition: string; toOperationId: string | null; number: number | null; pieces: object[] }[] })
    .refusals;
  expect(told.map((r) => [r.disposition, r.toOperationId, r.number, r.pieces.length])).toEqual([
    ['rework', 'press', 7, 2],
    ['hold', null, 8, 1],
    ['rework', 'bind', 9, 1],
    ['use as is', null, null, 1],
  ]);
});

const scrapped = { pieces: [{ pieceId: 'B1-01', defect: 'crack', originOperationId: 'bend', note: '' }] };
tell('ScrapPieces', [
  ...(['running', 'paused', 'away'] as const).map((status): Case => [
    `while it is ${status}`,
    scrapped,
    { batch: wide('sand', { status }) },
    `sand is ${status}: count the scrap when it is finished`,
  ]),
  ['of nothing', { pieces: [] }, { batch: wide('sand') }, 'pieces | Name at least one piece'],
  ['while it waits', scrapped, { batch: wide('sand') }, 'pieces.scrapped'],
]);

const seen = (over: Around['batch'] = {}) => ({
  modelId: 'other',
  routeId: 'other@1',
  operationId: 'see',
  status: 'dwelling' as const,
  ...over,
});
tell('SignOffWork', [
  [
    'before it is done',
    { personId: 'ann', skill: 'eye' },
    { batch: seen({ status: 'queued' }) },
    'see is queued; it is accepted when it is done',
  ],
  [
    'for a skill that nobody asked for',
    { personId: 'ann', skill: 'cutting' },
    { batch: seen() },
    'skill | The gate of see does not ask for cutting',
  ],
  [
    'at a gate that asks for none',
    { personId: 'ann', skill: 'eye' },
    { batch: seen({ operationId: 'rest' }) },
    'skill | The gate of rest does not ask for eye',
  ],
  [
    'twice',
    { personId: 'ann', skill: 'eye' },
    { batch: seen({ signOffs: [{ skill: 'eye', personId: 'bob' }] }) },
    'see has been accepted for eye already',
  ],
  ['by somebody who cannot', { personId: 'bob', skill: 'eye' }, { batch: seen() }, 'personId | This person is not signed off for eye'],
  [
    'by somebody who can, for one of two',
    { personId: 'ann', skill: 'eye' },
    { batch: seen({ signOffs: [{ skill: 'ear', personId: 'bob' }] }) },
    'gate.signedOff',
  ],
  ['of work that is finished', { personId: 'ann', skill: 'eye' }, { batch: seen({ status: 'finished' }) }, 'gate.signedOff'],
]);
