import { Batch, machineIdOf } from '../../batches/index.ts';
import { actsOn, Cutter, CUTTER_ACT_NAMES, latestOf, LoadOrder, MAY_BECOME, MOVED_TO, Program, type Revision } from '../index.ts';
import type { Random } from '../../maths/index.ts';
import type { TestHouse } from '../../test/house.ts';
import type { Suggestions } from '../../test/suggestion.ts';

const PLANNED = { setUp: 12, load: 2, run: 9, unload: 1 };

const anyProgram = (house: TestHouse, random: Random): Program | undefined => {
  const all = house.rows.all(Program);
  return all.length === 0 ? undefined : random.pick(all);
};

/** A program with a revision that may come to a state, and now and then any other. */
function revisionOf(
  house: TestHouse,
  random: Random,
  may: (revision: Revision) => boolean,
): { programId: string; revision: string } | undefined {
  const known = house.rows.all(Program).flatMap((p) => p.revisions.map((revision) => ({ programId: p.id, revision })));
  const ready = random.chance(0.1) ? known : known.filter((k) => may(k.revision));
  if (ready.length === 0) return undefined;
  const { programId, revision } = random.pick(ready);
  return { programId, revision: revision.name };
}

export const suggestions: Suggestions = {
  often: ['prove revision'],
  aside: {
    'ask for program': (_, random) => ({
      modelId: random.pick([null, 'any']),
      what: random.pick(['pockets', 'sides', 'slots', 'b0', 'n1']),
      side: '',
      serves: random.chance(0.2) ? ['extra=yes'] : [],
      ownerId: random.pick([null, 'ann', 'nobody']),
      note: '',
    }),
    'assign program'(house, random) {
      const program = anyProgram(house, random);
      return program && { programId: program.id, ownerId: random.pick([null, 'ann', 'bob']), note: '' };
    },
    'draw revision'(house, random) {
      const program = anyProgram(house, random);
      return (
        program && {
          programId: program.id,
          why: random.chance(0.1) ? '' : 'Less air cut',
          file: 'P1.nc',
          fixture: 'F1',
          piecesALoad: random.integer(1, 2),
          cutters: [{ cutter: '6 mm', minutes: random.integer(1, 9) }],
          planned: PLANNED,
        }
      );
    },
    'move revision'(house, random) {
      const found = revisionOf(house, random, (r) => r.state === 'drawn' || r.state === 'proven');
      if (!found) return undefined;
      const state = house.rows.get(Program, found.programId).revisions.find((r) => r.name === found.revision)?.state ?? 'drawn';
      const next = MOVED_TO.find((to) => MAY_BECOME[state].includes(to));
      return {
        ...found,
        to: random.chance(0.05) ? random.pick(MOVED_TO) : (next ?? 'checked'),
        note: random.chance(0.5) ? 'as drawn' : '',
      };
    },
    'prove revision'(house, random) {
      const found = revisionOf(house, random, (r) => r.state === 'checked');
      return found && { ...found, piece: 'first', measures: [], note: random.chance(0.9) ? 'all edges clean' : '' };
    },
    'plan revision'(house, random) {
      const program = anyProgram(house, random);
      const latest = program && latestOf(program);
      return (
        latest && { programId: program.id, revision: latest.name, planned: { ...PLANNED, run: random.integer(1, 20) }, note: 'observed' }
      );
    },
    'keep cutter': (_, random) => ({
      id: `K${random.integer(1, 4)}`,
      kind: random.pick(['6 mm', '12 mm']),
      lifeMinutes: random.integer(1, 300),
      note: '',
    }),
    'order loads'(house, random) {
      const batches = house.rows.all(Batch).filter((b) => b.status === 'queued' && house.operation(b.id).kind === 'work');
      if (batches.length === 0) return undefined;
      const batch = random.pick(batches);
      const { stationCode } = house.operation(batch.id);
      const bench = random.integer(1, 2);
      const before = house.rows.find(LoadOrder, machineIdOf(stationCode, bench))?.batchIds ?? [];
      const batchIds = before.length > 0 && random.chance(0.5) ? [] : [batch.id];
      return { stationCode, bench, batchIds, before: random.chance(0.05) ? ['B0'] : before };
    },
    'log cutter'(house, random) {
      const all = house.rows.all(Cutter);
      if (all.length === 0) return undefined;
      const cutter = random.pick(all);
      const [first] = actsOn(cutter);
      const act = random.chance(0.2) ? random.pick(CUTTER_ACT_NAMES) : (first ?? 'mount');
      const machine =
        act === 'mount' ? { stationCode: random.pick([...house.factory.setUp.stations.keys()]), bench: random.integer(1, 2) } : null;
      return {
        cutterId: cutter.id,
        act,
        stationCode: null,
        bench: null,
        ...machine,
        lifeMinutes: random.chance(0.2) ? 30 : null,
        note: 'seen',
      };
    },
  },
};
