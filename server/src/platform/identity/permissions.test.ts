import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { openFactory, type Caller, type TestFactory } from '../../test/factory.ts';
import { ROLES, type Role } from './role.ts';

let factory: TestFactory;
const callers = new Map<Role, Caller>();

beforeAll(async () => {
  factory = await openFactory();
  for (const role of ROLES) callers.set(role, await factory.as(role));
});
afterAll(() => factory.close());

type Method = 'get' | 'post' | 'put' | 'patch';

/** Every act and the least role that may do it, as the people of a factory would expect. */
const ACTS: [string, Method, string, Role][] = [
  ['see Morning', 'get', '/morning', 'viewer'],
  ['see the walk', 'get', '/walk', 'viewer'],
  ['see the floor', 'get', '/floor', 'viewer'],
  ['see the flow', 'get', '/flow', 'viewer'],
  ['see lots', 'get', '/lots', 'viewer'],
  ['see batches', 'get', '/batches', 'viewer'],
  ['see orders', 'get', '/orders', 'viewer'],
  ['see what can be fitted', 'get', '/fitting', 'viewer'],
  ['see instruments', 'get', '/instruments', 'viewer'],
  ['see the climate', 'get', '/zones', 'viewer'],
  ['see the set-up', 'get', '/setup', 'viewer'],
  ['see an order that is over', 'get', '/orders/O1', 'viewer'],
  ['see months side by side', 'get', '/flow/months', 'viewer'],
  ['find something', 'get', '/find?text=B1', 'viewer'],
  ['choose their own units', 'patch', '/session', 'viewer'],
  ['have a calendar feed', 'post', '/calendar', 'viewer'],
  ['see where they are signed in', 'get', '/sessions', 'viewer'],
  ['change their own password', 'post', '/session/password', 'viewer'],
  ['choose their own PIN', 'post', '/session/pin', 'viewer'],
  ['see who is at a bench', 'get', '/bench', 'viewer'],
  ['say who they are at a bench', 'post', '/bench', 'viewer'],
  ['sign a tablet in as a station', 'post', '/session/station', 'lead'],
  ['give somebody a badge', 'put', '/people/nobody/badge', 'manager'],
  ['let somebody choose a new password', 'post', '/people/nobody/reset', 'admin'],
  ['log readings', 'post', '/lots/L1/readings', 'operator'],
  ['strike a reading out', 'post', '/lots/L1/strike', 'operator'],
  ['correct a reading', 'post', '/lots/L1/correct', 'operator'],
  ['look at a file of readings', 'post', '/lots/readings/preview', 'operator'],
  ['import readings', 'post', '/lots/readings/import', 'operator'],
  ['see the air of a room', 'get', '/air/wood', 'viewer'],
  ['change the factory’s sheet', 'put', '/settings/house', 'manager'],
  ['change a model', 'put', '/models/millrace', 'manager'],
  ['see the stock', 'get', '/stock', 'viewer'],
  ['see what is to be cut', 'get', '/cutting', 'viewer'],
  ['look at a logger’s file', 'post', '/air/log/preview', 'operator'],
  ['import a logger’s file', 'post', '/air/log/import', 'lead'],
  ['move a lot', 'post', '/lots/L1/move', 'operator'],
  ['keep wood for an order', 'post', '/lots/L1/keep', 'lead'],
  ['see the wood of an order', 'get', '/stock/orders/O1', 'viewer'],
  ['say more of a lot', 'post', '/lots/L1/describe', 'operator'],
  ['add a picture', 'post', '/lots/L1/pictures', 'operator'],
  ['add a picture of a step sheet', 'post', '/sheet-pictures', 'lead'],
  ['measure boards', 'post', '/lots/L1/boards', 'operator'],
  ['keep a cutting plan', 'post', '/cutting/plans', 'operator'],
  ['change a cutting plan', 'post', '/cutting/plans/C1', 'operator'],
  ['cut boards', 'post', '/cutting/plans/C1/cut', 'operator'],
  ['weigh blanks', 'post', '/blanks/weigh', 'operator'],
  ['reserve blanks', 'post', '/blanks/reserve', 'lead'],
  ['change rules of their own', 'put', '/settings/moisture-exceptions', 'manager'],
  ['change how far joints may move', 'put', '/settings/movement', 'manager'],
  ['change how wood is bought', 'put', '/settings/wood-buying', 'manager'],
  ['add a material', 'post', '/materials', 'manager'],
  ['change a material', 'put', '/materials/lacquer', 'manager'],
  ['change the limits for spraying', 'put', '/settings/spray', 'manager'],
  ['change the register of species', 'put', '/settings/species', 'manager'],
  ['change the register of defects', 'put', '/settings/defects', 'manager'],
  ['change the register of cautions', 'put', '/settings/cautions', 'manager'],
  ['change why work is paused', 'put', '/settings/pause-causes', 'manager'],
  ['change the consignees', 'put', '/settings/consignees', 'lead'],
  ['change kiln schedules', 'put', '/settings/kilns', 'manager'],
  ['change the working time', 'put', '/settings/working-time', 'manager'],
  ['start work', 'post', '/batches/B1/start', 'operator'],
  ['pause work', 'post', '/batches/B1/pause', 'operator'],
  ['resume work', 'post', '/batches/B1/resume', 'operator'],
  ['finish work', 'post', '/batches/B1/finish', 'operator'],
  ['move a batch whose gate is open', 'post', '/batches/B1/move', 'operator'],
  ['finish some pieces before the rest', 'post', '/batches/B1/finish-some', 'operator'],
  ['put a batch on carriers', 'post', '/batches/B1/place', 'operator'],
  ['take a batch over', 'post', '/batches/B1/accept', 'operator'],
  ['accept work at its gate', 'post', '/batches/B1/sign-off', 'operator'],
  ['refuse pieces', 'post', '/batches/B1/refuse', 'operator'],
  ['split a batch', 'post', '/batches/B1/split', 'operator'],
  ['merge batches', 'post', '/batches/B1/merge', 'operator'],
  ['join parts', 'post', '/batches/B1/join', 'operator'],
  ['take instruments apart', 'post', '/batches/B1/part', 'operator'],
  ['fit a pair again', 'post', '/batches/B1/refit', 'operator'],
  ['receive what was sent', 'post', '/batches/B1/receive', 'operator'],
  ['take an entry back', 'post', '/batches/B1/undo', 'operator'],
  ['scrap pieces', 'post', '/batches/B1/scrap', 'lead'],
  ['send a batch out', 'post', '/batches/B1/send', 'lead'],
  ['call from a buffer', 'post', '/batches/B1/call', 'lead'],
  ['move work to another version', 'post', '/batches/B1/reroute', 'lead'],
  ['draft a route', 'post', '/routes', 'lead'],
  ['edit a draft', 'put', '/routes/millrace-2', 'lead'],
  ['set a draft aside', 'post', '/routes/millrace-2/discard', 'lead'],
  ['release a route', 'post', '/routes/millrace-2/release', 'manager'],
  ['add a zone', 'post', '/zones', 'manager'],
  ['add a station', 'post', '/stations', 'manager'],
  ['add a carrier', 'post', '/carriers', 'lead'],
  ['change a carrier', 'put', '/carriers/R01', 'lead'],
  ['put a fixture on record', 'post', '/prerequisites', 'lead'],
  ['release or withdraw a fixture', 'put', '/prerequisites/p', 'lead'],
  ['see the kits that are counted', 'get', '/kits', 'viewer'],
  ['count a kit', 'post', '/kits/count', 'lead'],
  ['see what is measured', 'get', '/dimensions', 'viewer'],
  ['see the chart of a dimension', 'get', '/dimensions/chart?id=x', 'viewer'],
  ['settle what a chart says', 'post', '/dimensions/settle', 'lead'],
  ['see what instruments are worth', 'get', '/instrument-studies', 'viewer'],
  ['study an instrument', 'post', '/instrument-studies', 'lead'],
  ['see programs', 'get', '/programs', 'viewer'],
  ['see a program', 'get', '/programs/one?id=x', 'viewer'],
  ['ask for a program', 'post', '/programs', 'lead'],
  ['say who writes a program', 'post', '/programs/assign', 'lead'],
  ['put a revision on record', 'post', '/programs/draw', 'lead'],
  ['release or withdraw a revision', 'post', '/programs/move', 'lead'],
  ['prove a first piece', 'post', '/programs/prove', 'lead'],
  ['plan other minutes', 'post', '/programs/plan', 'lead'],
  ['see cutters', 'get', '/cutters', 'viewer'],
  ['see machines', 'get', '/machines', 'viewer'],
  ['see devices', 'get', '/devices', 'viewer'],
  ['put a device on record', 'post', '/devices', 'manager'],
  ['change a device', 'put', '/devices/CAL1', 'manager'],
  ['make another password for a device', 'post', '/devices/CAL1/password', 'manager'],
  ['see what devices have sent', 'get', '/device-values?place=station%20MC1', 'operator'],
  ['take a value into a field', 'post', '/device-values/1/take', 'operator'],
  ['see what to load next', 'get', '/loads', 'viewer'],
  ['see what is in rigs', 'get', '/rigs', 'viewer'],
  ['judge a trial', 'post', '/batches/B1/verdict', 'lead'],
  ['say that faces are wiped', 'post', '/batches/B1/wipe', 'operator'],
  ['put pieces in a rig', 'post', '/batches/B1/put-in', 'operator'],
  ['close a rig', 'post', '/batches/B1/close-rig', 'operator'],
  ['take pieces out of a rig', 'post', '/batches/B1/take-out', 'operator'],
  ['change the glues', 'put', '/settings/adhesives', 'manager'],
  ['say what goes on a machine first', 'post', '/loads/order', 'lead'],
  ['put a cutter on record', 'post', '/cutters', 'lead'],
  ['log a cutter', 'post', '/cutters/log', 'operator'],
  ['change the start checklist', 'put', '/settings/start-checks', 'manager'],
  ['join blanks', 'post', '/blanks/join', 'operator'],
  ['add a model', 'post', '/models', 'manager'],
  ['log a coat', 'post', '/batches/B1/coats', 'operator'],
  ['log a scuff', 'post', '/batches/B1/scuff', 'operator'],
  ['log measures', 'post', '/batches/B1/measures', 'operator'],
  ['fit instruments', 'post', '/fitting', 'operator'],
  ['ship an instrument', 'post', '/instruments/X/ship', 'operator'],
  ['receive a lot', 'post', '/lots', 'lead'],
  ['release a lot', 'post', '/lots/L1/release', 'lead'],
  ['start a batch', 'post', '/batches', 'lead'],
  ['hold a batch', 'post', '/batches/B1/hold', 'lead'],
  ['release a hold', 'post', '/batches/B1/release', 'lead'],
  ['place an order', 'post', '/orders', 'manager'],
  ['add a person', 'post', '/people', 'manager'],
  ['change a person', 'put', '/people/viewer', 'manager'],
  ['give a sign-in', 'post', '/people/viewer/account', 'manager'],
  ['change a station', 'put', '/stations/FN5', 'manager'],
  ['change the rules for wood', 'put', '/settings/moisture', 'manager'],
  ['change the serial pattern', 'put', '/settings/serial', 'manager'],
  ['let the demo’s time pass', 'post', '/demo/clock', 'manager'],
];

const rank = (role: Role) => ROLES.indexOf(role);

describe.each(ACTS)('to %s', (_, method, path, least) => {
  test.each(ROLES.map((r) => [r]))('as %s', async (role) => {
    const caller = callers.get(role);
    if (!caller) throw new Error(`Nobody is ${role}`);
    // An empty request is enough: whoever may ask is told what is wrong with it, whoever may not is told that.
    const { status, body } = method === 'get' ? await caller.get(path) : await caller[method](path, {});
    if (rank(role) >= rank(least)) expect(status).not.toBe(403);
    else {
      expect(status).toBe(403);
      expect(body.detail).toBe(`This needs the role ${least}; you are ${role}.`);
    }
  });
});

describe('by act, not by screen', () => {
  test('no act is missing here', () => {
    const server = factory.app.getHttpAdapter().getInstance() as {
      router: { stack: { route?: { path: string; methods: Record<string, boolean> } }[] };
    };
    const changes = server.router.stack.flatMap(({ route }) =>
      route
        ? Object.keys(route.methods)
            .filter((m) => m !== 'get')
            .map((m) => `${m} ${route.path.replace('/api', '')}`)
        : [],
    );
    const shape = (path: string) => path.split('/').length;
    const covered = ACTS.filter(([, m]) => m !== 'get').map(([, m, path]) => ({ method: m, path }));
    const door = [
      'post /session',
      'delete /session',
      'post /first-administrator',
      'post /session/reset',
      'delete /sessions',
      'delete /sessions/:id',
      'delete /bench/:personId',
    ];
    for (const change of changes.filter((c) => !door.includes(c))) {
      const [method = '', pattern = ''] = change.split(' ');
      const matches = new RegExp(`^${pattern.replace(/:\w+/g, '[^/]+')}$`);
      expect(
        covered.some((c) => c.method === method && shape(c.path) === shape(pattern) && matches.test(c.path))
          ? change
          : `${change} untested`,
      ).toBe(change);
    }
  });
});
