import { expect, test } from '@jest/globals';
import { against, judged, type Around } from '../../test/judged.ts';
import { factory, NUMBER, ROOM, wide, sets, tell, type Case } from '../../test/situations.ts';
import { Piece } from '../batch.ts';
import * as commands from './index.ts';

tell('JoinParts', [
  ['at a step that joins nothing', { personId: 'ann', guestBatchIds: ['B2'] }, { batch: wide('press') }, 'Nothing is joined at press'],
  [
    'from the card of what is joined',
    { personId: 'ann', guestBatchIds: ['B2'] },
    { batch: wide('glue', { component: 'fingerboard' }) },
    'Batch B1 is joined to a neck here; choose that batch',
  ],
  [
    'while it runs',
    { personId: 'ann', guestBatchIds: ['B2'] },
    { batch: wide('glue', { component: 'neck', status: 'running' }) },
    'Batch B1 is running',
  ],
  [
    'by somebody who cannot',
    { personId: 'eve', guestBatchIds: ['B2'] },
    { batch: wide('glue', { component: 'neck' }) },
    'personId | This person is not signed off for cutting',
  ],
  [
    'with a batch there is not',
    { personId: 'ann', guestBatchIds: ['B9'] },
    { batch: wide('glue', { component: 'neck' }) },
    'guestBatchIds | There is no batch B9',
  ],
  [
    'with another model',
    { personId: 'ann', guestBatchIds: ['B2'] },
    { batch: wide('glue', { component: 'neck' }), others: [{ component: 'fingerboard', modelId: 'short' }] },
    'guestBatchIds | Batch B2 is of another model',
  ],
  [
    'with other options',
    { personId: 'ann', guestBatchIds: ['B2'] },
    {
      batch: wide('glue', { component: 'neck' }),
      others: [{ component: 'fingerboard', facts: { choices: {}, species: {}, construction: '' } }],
    },
    'guestBatchIds | Batch B2 is made for other options',
  ],
  [
    'with what is not there yet',
    { personId: 'ann', guestBatchIds: ['B2'] },
    { batch: wide('glue', { component: 'neck' }), others: [{ component: 'fingerboard', operationId: 'slot' }] },
    'guestBatchIds | Batch B2 is not waiting at glue',
  ],
  [
    'with what is held',
    { personId: 'ann', guestBatchIds: ['B2'] },
    { batch: wide('glue', { component: 'neck' }), others: [{ component: 'fingerboard', status: 'held' }] },
    'guestBatchIds | Batch B2 is not waiting at glue',
  ],
  [
    'with one batch twice',
    { personId: 'ann', guestBatchIds: ['B2', 'B2'] },
    { batch: wide('glue', { component: 'neck' }), others: [{ component: 'fingerboard' }] },
    'guestBatchIds | A batch is named twice',
  ],
  [
    'without the part of its own block',
    { personId: 'ann', guestBatchIds: ['B2'] },
    { batch: wide('glue', { component: 'neck' }), pieces: sets('B1', ['a', 'b', 'c']), others: [{ component: 'fingerboard' }] },
    'B1-01 has no part here that was cut from its own block | Bring more of them, or split the batch',
  ],
  [
    'with too few',
    { personId: 'ann', guestBatchIds: ['B2'] },
    {
      batch: wide('glue', { component: 'neck', routeId: 'wide@3' }),
      pieces: sets('B1', ['a', 'b', 'c', 'd']),
      others: [{ component: 'fingerboard' }],
    },
    '3 of 4 pieces have something to be joined with | Bring more of them, or split the batch',
  ],
]);

test('what is joined: its own set first, then what belongs to nobody here', () => {
  const boards = sets('B2', ['x', 'b', null], { component: 'fingerboard' });
  const decision = judged(
    commands.JoinParts,
    { personId: 'ann', guestBatchIds: ['B2'] },
    {
      factory,
      batch: wide('glue', { component: 'neck', routeId: 'wide@3' }),
      pieces: sets('B1', ['a', 'b', 'c'], { component: 'neck' }),
      others: [{ component: 'fingerboard' }],
      rows: boards.map((piece) => [Piece, piece] as const),
      answers: ROOM,
    },
  );
  expect(decision).toMatchObject({
    entries: [
      {
        kind: 'parts.joined',
        payload: {
          joins: [
            { hostId: 'B1-01', guestIds: ['B2-01'] },
            { hostId: 'B1-02', guestIds: ['B2-02'] },
            { hostId: 'B1-03', guestIds: ['B2-03'] },
          ],
        },
      },
      { kind: 'batch.placed' },
      { kind: 'batch.moved', payload: { from: 'glue', to: 'clamp' } },
    ],
  });
});

test('a part of somebody else’s block here is not given away', () => {
  const boards = sets('B2', ['a', 'a'], { component: 'fingerboard' });
  const decision = judged(
    commands.JoinParts,
    { personId: 'ann', guestBatchIds: ['B2'] },
    {
      factory,
      batch: wide('glue', { component: 'neck', routeId: 'wide@3' }),
      pieces: sets('B1', ['a', 'b'], { component: 'neck' }),
      others: [{ component: 'fingerboard' }],
      rows: [...boards, { ...boards[0], id: 'B2-03', state: 'scrapped' as const }].map((piece) => [Piece, piece] as const),
    },
  );
  expect(against(decision)).toEqual(['1 of 2 pieces have something to be joined with | Bring more of them, or split the batch']);
});

const serials = (batchId: string, component: Piece['component'], given: readonly (string | null)[]) =>
  sets(batchId, given, { component }).map((p) => ({ ...p, serial: p.setId }));
tell('RefitInstruments', [
  [
    'at a step that fits nothing again',
    { personId: 'ann', neckBatchId: 'B2' },
    { batch: wide('press') },
    'Nothing is fitted again at press',
  ],
  [
    'from the card of the necks',
    { personId: 'ann', neckBatchId: 'B2' },
    { batch: wide('refit', { component: 'neck' }) },
    'Name the batch of bodies first, then that of their necks',
  ],
  [
    'while it waits elsewhere',
    { personId: 'ann', neckBatchId: 'B2' },
    { batch: wide('refit', { status: 'paused' }) },
    'Batch B1 is paused',
  ],
  [
    'by somebody who cannot',
    { personId: 'eve', neckBatchId: 'B2' },
    { batch: wide('refit') },
    'personId | This person is not signed off for cutting',
  ],
  ['with no batch', { personId: 'ann', neckBatchId: 'B9' }, { batch: wide('refit') }, 'neckBatchId | There is no batch of necks B9'],
  [
    'with bodies',
    { personId: 'ann', neckBatchId: 'B2' },
    { batch: wide('refit'), others: [{}] },
    'neckBatchId | There is no batch of necks B2',
  ],
  [
    'with necks that are not there yet',
    { personId: 'ann', neckBatchId: 'B2' },
    { batch: wide('refit'), others: [{ component: 'neck', operationId: 'polish' }] },
    'neckBatchId | Batch B2 is not waiting at refit',
  ],
  [
    'with necks that are held',
    { personId: 'ann', neckBatchId: 'B2' },
    { batch: wide('refit'), others: [{ component: 'neck', status: 'held' }] },
    'neckBatchId | Batch B2 is not waiting at refit',
  ],
  [
    'with the necks of others',
    { personId: 'ann', neckBatchId: 'B2' },
    { batch: wide('refit'), pieces: serials('B1', 'body', ['S1', null, null]), others: [{ component: 'neck' }] },
    'neckBatchId | No body of batch B1 has its own neck in batch B2',
  ],
]);

test('only pairs that are both here come together, under a number that somebody could give', () => {
  const around: Around = {
    factory,
    batch: wide('refit'),
    pieces: serials('B1', 'body', ['S1', null, 'S3']),
    others: [{ component: 'neck' }],
    rows: serials('B2', 'neck', ['S3', 'S9', null]).map((piece) => [Piece, piece] as const),
  };
  const said = { personId: 'ann', neckBatchId: 'B2' };
  expect(against(judged(commands.RefitInstruments, said, around))).toEqual(['No batch number is free']);
  expect(judged(commands.RefitInstruments, said, { ...around, answers: NUMBER })).toMatchObject({
    entries: [{ kind: 'instruments.refitted', payload: { number: 7, bodyBatchId: 'B1', neckBatchId: 'B2', serials: ['S3'] } }],
  });
});

tell('PartInstruments', [
  [
    'at a step that takes nothing apart',
    { personId: 'ann' },
    { batch: wide('age', { component: 'instrument' }) },
    'Nothing is taken apart at age',
  ],
  [
    'while it is finished',
    { personId: 'ann' },
    { batch: wide('part', { component: 'instrument', status: 'finished' }) },
    'Batch B1 is finished',
  ],
  [
    'by somebody who cannot',
    { personId: 'eve' },
    { batch: wide('part', { component: 'instrument' }) },
    'personId | This person is not signed off for cutting',
  ],
  ['without a number', { personId: 'ann' }, { batch: wide('part', { component: 'instrument' }) }, 'No batch number is free'],
  [
    'when nothing speaks against it',
    { personId: 'ann' },
    { batch: wide('part', { component: 'instrument' }), answers: NUMBER },
    'instruments.parted',
  ],
]);

const like = (over: Around['batch'], told: string): Case => [
  `with one that ${told.replace(/;.*/, '')}`,
  { fromBatchId: 'B2' },
  { batch: wide('sand'), others: [over ?? {}] },
  `Batch B2 ${told}`,
];
const ONLY_LIKE = '; only like batches at one step can be merged';
const OTHERWISE = 'has other options, has been round another number of times, or was accepted by others';
tell('MergeBatches', [
  ['with itself', { fromBatchId: 'B1' }, { batch: wide('sand') }, 'fromBatchId | There is no other batch B1'],
  ['with none', { fromBatchId: 'B9' }, { batch: wide('sand') }, 'fromBatchId | There is no other batch B9'],
  ['while it runs', { fromBatchId: 'B2' }, { batch: wide('sand', { status: 'running' }), others: [{}] }, 'Batch B1 is running'],
  like({ modelId: 'short' }, `is of another model${ONLY_LIKE}`),
  like({ component: 'neck' }, `holds another component${ONLY_LIKE}`),
  like({ routeId: 'wide@2' }, `is on another version of the route${ONLY_LIKE}`),
  like({ operationId: 'press' }, `is at another step${ONLY_LIKE}`),
  like({ status: 'finished' }, `is finished${ONLY_LIKE}`),
  like({ orderId: 'O2' }, `is for another order${ONLY_LIKE}`),
  like({ redo: true }, `comes back for rework${ONLY_LIKE}`),
  like({ workClass: 'trial' }, `is for trials${ONLY_LIKE}`),
  like({ facts: { choices: {}, species: {}, construction: '' } }, OTHERWISE),
  like({ rounds: { bindset: 2 } }, OTHERWISE),
  like({ signOffs: [{ skill: 'eye', personId: 'ann' }] }, OTHERWISE),
  ['when they are alike', { fromBatchId: 'B2' }, { batch: wide('sand'), others: [{}] }, 'batch.merged'],
]);
