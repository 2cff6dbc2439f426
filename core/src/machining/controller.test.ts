import { describe, expect, test } from '@jest/globals';
import { StartWork } from '../batches/index.ts';
import { START_CHECKS } from '../factory/index.ts';
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
  const ROUTE: Route = {
    id: 'cut@1',
    modelId: 'cut',
    version: 1,
    operations: [step('cut', 'body', [], { stationCode: 'MC1', needs: [{ kind: 'program', what: 'sides', checked: true }] })],
  };
  const PROGRAM: ProgramNow = {
    id: 'cut/sides',
    what: 'sides',
    toRun: { ...B, state: 'released', fixture: '', piecesALoad: 1, cutters: [] },
    latest: { name: 'B', state: 'released' },
    ownerId: null,
  };
  const wrong: ControllerNow = { deviceId: 'C1', bench: 1, state: 'idle', program: 'SH-1-A.nc', parts: 0, atMs: 0 };
  test.each<[string, number, readonly ControllerNow[] | typeof NOT_ANSWERED, string | null]>([
    ['with another program on it', 1, [wrong], 'The machine itself tells that it has SH-1-A.nc loaded; revision B is SH-1-B.nc'],
    ['not for what its neighbour has on', 2, [wrong], null],
    ['not where none speaks: who ticked has read it', 1, [], null],
    ['not where nobody could be asked', 1, NOT_ANSWERED, null],
    ['not with the right one', 1, [{ ...wrong, program: 'SH-1-B.nc' }], null],
  ])('%s', (_, bench, controllers, sentence) => {
    const house = new TestHouse(new Map([[ROUTE.id, ROUTE]]));
    const batchId = house.start('body', 2, { route: ROUTE });
    const check = { machineId: `MC1#${bench}`, revision: 'B', ticks: START_CHECKS.map((c) => c.key) };
    const sight = { rows: house.rows, factory: house.factory, nowMs: house.nowMs, by: { personId: 'ann', role: 'operator' as const } };
    const decision = judge(StartWork, { batchId, personId: 'ann', check }, sight, (ask) =>
      ask.question.name === ProgramFor.name
        ? PROGRAM
        : ask.question.name === ControllersAt.name
          ? controllers
          : house.answer(ask.question, ask.about as never),
    );
    expect(decision.kind === 'refuse' ? decision.because[0]?.sentence : null).toBe(sentence);
  });
});
