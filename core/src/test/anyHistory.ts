import { existsSync, readdirSync } from 'node:fs';
import fc from 'fast-check';
import { COMMANDS, type HouseFactory } from '../ledger.ts';
import type { AnyCommandKind, Decision, Written } from '../ledger/index.ts';
import { seededRandom, type Random } from '../maths/index.ts';
import { EACH_PLACE, TOGETHER, type Carrier } from '../carriers/index.ts';
import type { Route } from '../routing/index.ts';
import { HOUR_MS } from '../units/index.ts';
import { anyRoute } from './anyRoute.ts';
import { BRACES_ROUTE, CARRIERS, SHORT_ROUTE, WIDE_ROUTE } from './routes.ts';
import { TestHouse } from './house.ts';
import type { Suggestion, Suggestions } from './suggestion.ts';

/** Each room tells what its own commands may be asked for. */
const rooms = new URL('..', import.meta.url);
const found: Suggestions[] = [];
for (const room of readdirSync(rooms).sort()) {
  const file = new URL(`${room}/test/suggestions.ts`, rooms);
  if (existsSync(file)) found.push(((await import(file.href)) as { suggestions: Suggestions }).suggestions);
}
const gathered = (which: 'onward' | 'aside') => new Map(found.flatMap((s) => Object.entries(s[which] ?? {})));

interface Choice {
  command: AnyCommandKind<HouseFactory>;
  suggest: Suggestion;
}

/** @throws Error when a command of core is suggested by no room */
function choices(which: 'onward' | 'any'): Choice[] {
  const onward = gathered('onward');
  const all = new Map([...onward, ...gathered('aside')]);
  return COMMANDS.flatMap((command) => {
    const suggest = (which === 'onward' ? onward : all).get(command.name);
    if (!suggest && which === 'any') throw new Error(`Nothing suggests what "${command.name}" may be asked for`);
    return suggest ? [{ command, suggest }] : [];
  });
}
const ONWARD = choices('onward');
const ANY = choices('any');
const OFTEN = ANY.filter(({ command }) => found.some((s) => s.often?.includes(command.name)));

export const HISTORY_CARRIERS: readonly Carrier[] = [
  ...CARRIERS,
  { id: 'P1', name: 'P1', kind: 'press', places: 4, zoneId: 'z', outline: null, rig: null },
  { id: 'P2', name: 'P2', kind: 'press', places: 2, zoneId: 'z', outline: null, rig: null },
  { id: 'M1', name: 'M1', kind: 'mould', places: 3, zoneId: 'z', outline: 'any', rig: null },
  { id: 'M2', name: 'M2', kind: 'mould', places: 1, zoneId: 'z', outline: 'any', rig: null },
  {
    id: 'K1',
    name: 'K1',
    kind: 'clamp rack',
    places: 3,
    zoneId: 'bench',
    outline: null,
    rig: { stationCode: 'S-K', cycle: EACH_PLACE, handsMinutes: 2 },
  },
  {
    id: 'Q1',
    name: 'Q1',
    kind: 'brace press',
    places: 6,
    zoneId: 'bench',
    outline: null,
    rig: { stationCode: 'S-Q', cycle: TOGETHER, handsMinutes: 8 },
  },
];

/** One command given in a history, and what became of it. */
export interface Act {
  name: string;
  request: object;
  decision: Decision<Written>;
}

/** How likely an act takes work further, rather than being any at all. */
const ONWARD_SHARE = 0.6;
const OFTEN_SHARE = 0.17;
const TRIES = 6;

/** Gives the first command that there is something to ask of. */
function act(house: TestHouse, random: Random): Act | undefined {
  if (random.chance(0.25)) house.pass(random.integer(1, 8) * HOUR_MS);
  for (let tried = 0; tried < TRIES; tried++) {
    const { command, suggest } = random.pick(random.chance(OFTEN_SHARE) ? OFTEN : random.chance(ONWARD_SHARE) ? ONWARD : ANY);
    const request = suggest(house, random);
    if (request) return { name: command.name, request, decision: house.give(command, request) };
  }
  return undefined;
}

/** Takes work further, with nothing gone wrong; little is shipped yet. */
function actStraight(house: TestHouse, random: Random): Act | undefined {
  house.pass(6 * HOUR_MS);
  const lucky: Random = { ...random, chance: () => false };
  for (let tried = 0; tried < TRIES; tried++) {
    const { command, suggest } = random.pick(random.chance(0.1) ? ONWARD : ONWARD.filter((c) => c.command.name !== 'ship instrument'));
    const request = suggest(house, lucky);
    if (request) return { name: command.name, request, decision: house.give(command, request) };
  }
  return undefined;
}

export interface Plan {
  route: Route;
  extra: 'yes' | 'no';
  /** acts at the beginning in which all goes well, so that histories also begin far down the line */
  straight: readonly number[];
  acts: readonly number[];
}

/** Any route, and so many acts on it, each by a seed of its own. */
export const anyHistory = (least: number, most: number): fc.Arbitrary<Plan> =>
  fc.record({
    route: fc.oneof({ weight: 4, arbitrary: anyRoute }, { weight: 1, arbitrary: fc.constantFrom(SHORT_ROUTE, WIDE_ROUTE) }),
    extra: fc.constantFrom('yes', 'no'),
    straight: fc.oneof(fc.constant([]), fc.array(fc.integer(), { minLength: 100, maxLength: 240, size: 'max' })),
    acts: fc.array(fc.integer(), { minLength: least, maxLength: most, size: 'max' }),
  });

/** Bodies, necks and what is joined to them, and whatever happens to them. */
export function run(
  { route, extra, straight, acts }: Plan,
  each?: (house: TestHouse, done: Act) => void,
  before?: (house: TestHouse) => void,
): TestHouse {
  const versions = [route, { ...route, id: `${route.id} again`, version: 2 }, BRACES_ROUTE];
  const house = new TestHouse(new Map(versions.map((r) => [r.id, r])), HISTORY_CARRIERS);
  const facts = { choices: { extra, binding: extra === 'yes' ? 'both' : 'none' }, species: {}, construction: '' };
  house.start('body', 3, { route, facts });
  house.start('neck', 2, { route, facts, setIds: ['one', 'two'] });
  // Those that begin at the beginning find something out.
  house.start('neck', 2, { route, facts, setIds: ['three', 'four'], workClass: straight.length === 0 ? 'trial' : 'order' });
  const guests = route.operations.some((o) => o.component === 'fingerboard') ? 'fingerboard' : 'neck';
  house.work(house.start('small part', 12, { route: BRACES_ROUTE }));
  house.start(guests, 4, { route, facts, setIds: ['two', 'one', 'three', 'four'] });
  for (const seed of straight) {
    before?.(house);
    const done = actStraight(house, seededRandom(seed));
    if (done) each?.(house, done);
  }
  for (const seed of acts) {
    before?.(house);
    const done = act(house, seededRandom(seed));
    if (done) each?.(house, done);
  }
  return house;
}
