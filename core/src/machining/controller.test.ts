import { describe, expect, test } from '@jest/globals';
import { StartWork } from '../batches/index.ts';
import { Factory, START_CHECKS } from '../factory/index.ts';
import { judge, NOT_ANSWERED } from '../ledger/index.ts';
import { controllerObjection, ControllersAt, ProgramFor, type ControllerNow, type ProgramNow, type Route } from '../routing/index.ts';
import { TestHouse } from '../test/house.ts';
import { step } from '../test/parts.ts';

const B = { name: 'B', file: 'SH-1-B.nc' };

describe('what a machine’s controller says against a revision', () => {
  test.each<[string, Pick<ControllerNow, 'state' | 'program'>, { name: string; file: string }, string | null]>([
    ['it is loaded', { state: 'idle', program: 'SH-1-B.nc' }, B, null],
    ['written otherwise', { state: 'running', program: ' sh-1-b.NC' }, B, null],
    ['feed is held', { state: 'held', program: 'SH-1-B.nc' }, B, null],
    ['the revision before', { state: 'idle', program: 'SH-1-A.nc' }, B, 'it has SH-1-A.nc loaded; revision B is SH-1-B.nc'],
    ['nothing loaded', { state: 'idle', program: null }, B, 'it has no program loaded; revision B is SH-1-B.nc'],
    ['nobody knows what the machine calls it', { state: 'idle', program: 'O1000' }, { name: 'B', file: ' ' }, null],
    ['a fault', { state: 'fault', program: 'SH-1-B.nc' }, B, 'a fault'],
    ['a fault, whatever it is called', { state: 'fault', program: null }, { name: 'B', file: '' }, 'a fault'],
  ])('%s', (_, controller, revision, said) => {
    const objection = controllerObjection(controller, revision);
    expect(objection === null ? null : objection.sentence).toEqual(said === null ? null : expect.stringContaining(said));
  });
});

describe('a start is refused by the machine itself', () => {
  const PROGRAM: ProgramNow = {
    id: 'cut/sides',
    what: 'sides',
    toRun: { ...B, state: 'released', fixture: '', piecesALoad: 1, cutters: [] },
    latest: { name: 'B', state: 'released' },
    ownerId: null,
  };
  const wrong: ControllerNow = { deviceId: 'C1', bench: 1, state: 'idle', program: 'SH-1-A.nc', parts: 0, atMs: 0 };
  const AGAINST = 'The machine itself tells that it has SH-1-A.nc loaded; revision B is SH-1-B.nc';

  interface Start {
    /** which machine is said to be it; null where the step asks for no checklist, and nobody says */
    bench: number | null;
    /** how many the station has */
    places: number;
    controllers: readonly ControllerNow[] | typeof NOT_ANSWERED;
  }
  function start({ bench, places, controllers }: Start) {
    const route: Route = {
      id: 'cut@1',
      modelId: 'cut',
      version: 1,
      operations: [
        step('cut', 'body', [], {
          stationCode: 'MC1',
          needs: [{ kind: 'program', what: 'sides', ...(bench === null ? {} : { checked: true }) }],
        }),
      ],
    };
    const house = new TestHouse(new Map([[route.id, route]]));
    const batchId = house.start('body', 2, { route });
    const { setUp } = house.factory;
    const stations = new Map([...setUp.stations].map(([code, s]) => [code, { ...s, places }]));
    const check = bench === null ? {} : { check: { machineId: `MC1#${bench}`, revision: 'B', ticks: START_CHECKS.map((c) => c.key) } };
    const sight = {
      rows: house.rows,
      factory: new Factory({ ...setUp, stations }),
      nowMs: house.nowMs,
      by: { personId: 'ann', role: 'operator' as const },
    };
    const decision = judge(StartWork, { batchId, personId: 'ann', ...check }, sight, (ask) =>
      ask.question.name === ProgramFor.name
        ? PROGRAM
        : ask.question.name === ControllersAt.name
          ? controllers
          : house.answer(ask.question, ask.about as never),
    );
    return decision.kind === 'refuse' ? decision.because[0]?.sentence : null;
  }

  test.each<[string, Start, string | null]>([
    ['with another program on it', { bench: 1, places: 2, controllers: [wrong] }, AGAINST],
    ['not for what its neighbour has on', { bench: 2, places: 2, controllers: [wrong] }, null],
    ['not where none speaks: who ticked has read it', { bench: 1, places: 2, controllers: [] }, null],
    ['not where nobody could be asked', { bench: 1, places: 2, controllers: NOT_ANSWERED }, null],
    ['not with the right one', { bench: 1, places: 2, controllers: [{ ...wrong, program: 'SH-1-B.nc' }] }, null],
    ['without a checklist too, where there is but one machine', { bench: null, places: 1, controllers: [wrong] }, AGAINST],
    ['not where it may be another', { bench: null, places: 2, controllers: [wrong] }, null],
    ['not without a checklist where none speaks', { bench: null, places: 1, controllers: [] }, null],
  ])('%s', (_, said, sentence) => {
    expect(start(said)).toBe(sentence);
  });
});
