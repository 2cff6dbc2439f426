import { expect, test } from '@jest/globals';
import { NUMBER, ROOM, wide, tell, stocked, running, type Case } from '../../test/situations.ts';
import { NOT_ANSWERED } from '../../ledger/index.ts';
import { DAY_MS, HOUR_MS } from '../../units/index.ts';
import { JobsAt } from '../benchPlaces.ts';
import { WaitingAt } from '../waiting.ts';
import type { Job } from '../job.ts';
import * as commands from './index.ts';

tell('CallBatch', [
  ['for an order there is not', { quantity: 1, orderId: 'O9' }, { batch: stocked() }, 'orderId | There is no order O9'],
  ['out of no buffer', { quantity: 1, orderId: null }, { batch: wide('sand') }, 'Batch B1 is not in a buffer'],
  ...[0, 4, 1.5, -1].map((quantity): Case => [
    `${quantity} of three`,
    { quantity, orderId: null },
    { batch: stocked() },
    'quantity | The buffer holds 3 pieces in batch B1',
  ]),
  [
    'small parts out of their box',
    { quantity: 1, orderId: null },
    { batch: { modelId: 'braces', routeId: 'braces@1', operationId: 'box', component: 'small part', status: 'stocked' } },
    'box is where they stay until they are drawn',
  ],
  [
    'before the gate of the buffer opens',
    { quantity: 1, orderId: null },
    { batch: stocked({ routeId: 'wide@4' }), answers: { ...NUMBER, ...ROOM } },
    'Rested 4 d 4 h of 30 d',
  ],
  ['a part of them without a number', { quantity: 2, orderId: null }, { batch: stocked() }, 'No batch number is free'],
  ['all of them', { quantity: 3, orderId: null }, { batch: stocked() }, ['batch.called', 'batch.moved']],
  ['a part of them', { quantity: 1, orderId: null }, { batch: stocked(), answers: NUMBER }, ['batch.split', 'batch.called', 'batch.moved']],
]);

tell('FinishSome', [
  ['before it is begun', { pieceIds: ['B1-01'] }, { batch: wide('press') }, 'press is not running; start it first'],
  ['of what came back', { pieceIds: ['B1-01'] }, { batch: running('press', { redo: true }) }, 'What came back is finished together'],
  ['none', { pieceIds: [] }, { batch: running('press') }, 'pieceIds | Choose at least one piece'],
  ['one twice', { pieceIds: ['B1-01', 'B1-01'] }, { batch: running('press') }, 'pieceIds | A piece is named twice'],
  [
    'all',
    { pieceIds: ['B1-01', 'B1-02', 'B1-03'] },
    { batch: running('press') },
    'pieceIds | That is all of it: nothing would stay behind',
  ],
  ['a stranger', { pieceIds: ['B9-01'] }, { batch: running('press') }, 'pieceIds | Piece B9-01 is not free in batch B1'],
  ['without a number', { pieceIds: ['B1-01'] }, { batch: running('press') }, 'No batch number is free'],
  [
    'unsprayed',
    { pieceIds: ['B1-01'] },
    { batch: running('spray'), answers: NUMBER },
    'Nobody could say how many of 1 coats are laid | Log each coat as it is sprayed',
  ],
  ['of work that goes on', { pieceIds: ['B1-01'] }, { batch: running('press'), answers: NUMBER }, ['work.partFinished', 'batch.moved']],
  [
    'of work whose next step counts places',
    { pieceIds: ['B1-01'] },
    { batch: running('bend'), answers: { ...NUMBER, ...ROOM } },
    'work.partFinished',
  ],
  [
    'of work that may not wait',
    { pieceIds: ['B1-01'] },
    { batch: { modelId: 'other', routeId: 'other@1', operationId: 'cut', status: 'running' }, answers: { ...NUMBER, ...ROOM } },
    'work.partFinished',
  ],
]);

tell('SendBatch', [
  ['of what is done here', { to: 'Plater', dueBackMs: 200 * HOUR_MS }, { batch: wide('sand') }, 'sand is done here'],
  [
    'while it is away',
    { to: 'Plater', dueBackMs: 200 * HOUR_MS },
    { batch: wide('plate', { component: 'neck', status: 'away' }) },
    'Batch B1 is away',
  ],
  ['to nowhere', { to: ' ', dueBackMs: 200 * HOUR_MS }, { batch: wide('plate', { component: 'neck' }) }, 'to | Say where it goes'],
  [
    'back before it goes',
    { to: 'Plater', dueBackMs: 100 * HOUR_MS },
    { batch: wide('plate', { component: 'neck' }) },
    'dueBackMs | It can only come back later than now',
  ],
  ['to another house', { to: 'Plater', dueBackMs: 100 * HOUR_MS + 1 }, { batch: wide('plate', { component: 'neck' }) }, 'batch.sent'],
  ['to another building', { to: 'Hall 2', dueBackMs: DAY_MS * 9 }, { batch: wide('truck', { component: 'neck' }) }, 'batch.sent'],
]);

tell('AcceptBatch', [
  ['once it is begun', {}, { batch: running('sand') }, 'Batch B1 is running'],
  ['twice', {}, { batch: wide('sand', { accepted: true }) }, 'sand has taken it over already'],
  ['once', {}, { batch: wide('sand') }, 'handover.accepted'],
]);

tell('MoveBatch', [
  ['before it is finished', {}, { batch: wide('sand') }, 'sand is queued; it has to be finished before the batch moves on'],
  ['out of a buffer', {}, { batch: stocked() }, 'stock keeps it until a build calls'],
  ['at the end', {}, { batch: wide('ship', { component: 'instrument', status: 'finished' }) }, 'ship is the last step'],
  [
    'with a reason too short',
    { overrideReason: 'soon' },
    { batch: wide('cure', { status: 'dwelling', arrivedMs: 99 * HOUR_MS }) },
    'overrideReason | An override needs a reason that others will understand',
  ],
  ['with a reason', { overrideReason: 'Hurry' }, { batch: wide('cure', { status: 'dwelling', arrivedMs: 99 * HOUR_MS }) }, 'batch.moved'],
  [
    'without an answer to a loop',
    {},
    { batch: wide('age', { component: 'instrument', status: 'finished' }) },
    'accepted | Round 1 of age: is it accepted, or does it go round again?',
  ],
  ...(
    [
      ['there are places', [{ batchId: 'B7', pieces: 21 }], 'batch.moved'],
      ['only it waits itself', [{ batchId: 'B1', pieces: 24 }], 'batch.moved'],
      [
        'others have them',
        [
          { batchId: 'B7', pieces: 20 },
          { batchId: 'B8', pieces: 2 },
        ],
        '2 of 24 places free at S-cure; 3 are needed: B7 (20), B8 (2) are there | Wait until places come free, or split the batch',
      ],
      ['nobody could say', NOT_ANSWERED, 'Nobody could say who waits at S-cure'],
    ] as const
  ).map(([situation, waiting, told]): Case => [
    `to where waiting is the step, and ${situation}`,
    {},
    { batch: wide('spray', { component: 'instrument', status: 'finished' }), answers: { ...ROOM, [WaitingAt.name]: waiting } },
    told,
  ]),
  [
    'against its gate, to where there are no places',
    { overrideReason: 'Hurry up' },
    {
      batch: wide('spray', { component: 'instrument', status: 'finished' }),
      answers: { ...ROOM, [WaitingAt.name]: [{ batchId: 'B7', pieces: 30 }] },
    },
    '0 of 24 places free at S-cure; 3 are needed: B7 (30) is there | Wait until places come free, or split the batch',
  ],
]);
test.each([
  ['operator', 'A gate can be overridden by a lead or above; you are operator.'],
  ['lead', null],
] as const)('a gate is passed against its findings by %s', (role, told) => {
  const by = { personId: 'ann', role };
  expect(commands.MoveBatch.objection({ batchId: 'B1', overrideReason: 'Hurry up' }, by)).toBe(told);
  expect(commands.MoveBatch.objection({ batchId: 'B1' }, by)).toBeNull();
});
test('work is written down as another’s by a lead or above', () => {
  const act = (personId: string, role: 'operator' | 'lead') =>
    commands.StartWork.objection({ batchId: 'B1', personId }, { personId: 'ann', role });
  expect(act('bob', 'operator')).toBe('Work is written down as another’s by a lead or above; you are operator.');
  expect(act('ann', 'operator')).toBeNull();
  expect(act('bob', 'lead')).toBeNull();
  expect(commands.AcceptBatch.objection({ batchId: 'B1' }, { personId: 'ann', role: 'operator' })).toBeNull();
});

const jobOf = (batchId: string, personId: string, bench: number | null): Job => ({
  id: batchId,
  stationCode: 'S',
  openAt: 'S',
  bench,
  wayId: 'own',
  personIds: [personId],
  settings: [],
  fromMs: 0,
  toMs: null,
  shares: [{ batchId, visitId: 'v', operationId: 'sand', pieceIds: [], fromMs: 0, toMs: null }],
});
const FULL = { [JobsAt.name]: [jobOf('B7', 'ann', 1), jobOf('B8', 'bob', null)] };

tell('ResumeWork', [
  [
    'where all places are taken',
    { personId: 'ann' },
    { batch: wide('sand', { status: 'paused', stationCode: 'S-sand' }), answers: FULL },
    'All 2 places are taken at S-sand: B7 (Ann), B8 (Bob) | Finish or pause what is there first',
  ],
  [
    'where nobody can say who is there',
    { personId: 'ann' },
    { batch: wide('sand', { status: 'paused' }), answers: { [JobsAt.name]: NOT_ANSWERED } },
    'Nobody could say who is at work at S',
  ],
  ['of what is not paused', { personId: 'ann' }, { batch: running('sand') }, 'sand is not paused'],
  [
    'by somebody who cannot',
    { personId: 'eve' },
    { batch: wide('sand', { status: 'paused' }) },
    'personId | This person is not signed off for cutting',
  ],
  [
    'by a learner, in a way that asks for more',
    { personId: 'bob' },
    { batch: wide('press', { status: 'paused', wayId: 'pin' }) },
    'personId | This person is not signed off for pin routing at level 2',
  ],
  ['by a learner, in the usual way', { personId: 'bob' }, { batch: wide('press', { status: 'paused' }) }, 'work.resumed'],
]);

tell('StartWork', [
  [
    'where all places are taken',
    { personId: 'ann' },
    { batch: wide('sand', { accepted: true }), answers: FULL },
    'All 2 places are taken at S-sand: B7 (Ann), B8 (Bob) | Finish or pause what is there first',
  ],
  ['of a wait', { personId: 'ann' }, { batch: wide('cure', { status: 'dwelling' }) }, 'cure is not work to start'],
  ['twice', { personId: 'ann' }, { batch: running('sand') }, 'sand is already running'],
  ['in a way there is not', { personId: 'ann', wayId: 'by hand' }, { batch: wide('press') }, 'wayId | press is not done that way'],
  [
    'when nobody can say what is in the boxes',
    { personId: 'ann' },
    { batch: wide('press') },
    'Nobody could say which small parts are in stock',
  ],
  [
    'before it is taken over',
    { personId: 'ann' },
    { batch: wide('sand') },
    'Batch B1 has not been taken over yet | Check the step before, then accept or refuse it',
  ],
  [
    'of a step that may not wait, where nobody knows the places',
    { personId: 'ann' },
    { batch: wide('bend') },
    'Nobody could say who waits at S-cool',
  ],
  [
    'of a step that may not wait, where waiting has no room',
    { personId: 'ann' },
    { batch: wide('bend'), answers: { ...ROOM, [WaitingAt.name]: [{ batchId: 'B7', pieces: 23 }] } },
    '1 of 24 places free at S-cool; 3 are needed: B7 (23) is there | Wait until places come free, or split the batch',
  ],
  [
    'of a step that may not wait, where the forms are not known',
    { personId: 'ann' },
    { batch: wide('bend'), answers: { [WaitingAt.name]: [] } },
    '0 of 0 places free in a form for cool; 3 are needed | Wait until places come free, or split the batch',
  ],
  ['once it is taken over', { personId: 'ann' }, { batch: wide('sand', { accepted: true }) }, 'work.started'],
]);

tell('SplitBatch', [
  ['while it runs', { pieceIds: ['B1-01'] }, { batch: running('sand') }, 'Batch B1 is running; it can be split between two steps'],
  ['without a number', { pieceIds: ['B1-01'] }, { batch: wide('sand') }, 'No batch number is free'],
  ['of none', { pieceIds: [] }, { batch: wide('sand') }, 'pieceIds | Choose at least one piece'],
  ['between two steps', { pieceIds: ['B1-01'] }, { batch: wide('sand'), answers: NUMBER }, 'batch.split'],
]);

tell('PlaceBatch', [
  [
    'where nobody knows the places',
    { placements: [{ carrierId: 'R1', pieces: 3 }] },
    { batch: wide('sand') },
    'placements | There is no carrier R1',
  ],
  [
    'on fewer places than pieces',
    { placements: [{ carrierId: 'R1', pieces: 2 }] },
    { batch: wide('sand'), answers: ROOM },
    'placements | 2 pieces are placed; the batch has 3 | Say where every piece sits',
  ],
  [
    'elsewhere while it cools',
    { placements: [{ carrierId: 'R1', pieces: 3 }] },
    { batch: wide('cool', { status: 'dwelling' }), answers: ROOM },
    'placements | While at cool it stays in a form',
  ],
  [
    'elsewhere while it is held',
    { placements: [{ carrierId: 'R1', pieces: 3 }] },
    { batch: wide('sand', { status: 'held' }), answers: ROOM },
    'batch.placed',
  ],
]);
