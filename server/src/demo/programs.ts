import type { ScenarioCutter, ScenarioProgram } from './habits/scenario.ts';
import { DEMO_MODELS } from './models.ts';

const ROUGHER = '12 mm rougher';
const FINISHER = '6 mm finisher';
const SLOTTER = '0.6 mm slot saw';

/** A body on its pins, first one side, then the other; two lie on the table at once. */
const body = (runMinutes: number) => ({
  fixture: 'Body pins, two up',
  piecesALoad: 2,
  cutters: [
    { cutter: ROUGHER, minutes: Math.round(runMinutes * 0.4) },
    { cutter: FINISHER, minutes: Math.round(runMinutes * 0.45) },
  ],
  planned: { setUp: 25, load: 5, run: runMinutes, unload: 4 },
});
const neck = (runMinutes: number) => ({
  fixture: 'Neck table, four up',
  piecesALoad: 4,
  cutters: [
    { cutter: ROUGHER, minutes: Math.round(runMinutes * 0.35) },
    { cutter: FINISHER, minutes: Math.round(runMinutes * 0.5) },
  ],
  planned: { setUp: 20, load: 8, run: runMinutes, unload: 6 },
});

const BODY = 'Body, both sides';
const NECK = 'Neck, first and second side';

/** How long a step takes for one piece, as the route says. */
const eachMinutes = (modelId: string, stepId: string): number =>
  DEMO_MODELS.find((m) => m.id === modelId)?.route.operations.find((o) => o.id === stepId)?.minutesPerPiece ?? 0;

const file = (code: string, what: string, revision: string) => `${code}-${what}-${revision}.nc`;

/** Programs that were proven before anybody here kept a list of revisions. */
const proven = (modelId: string, code: string, parts: readonly ('body' | 'neck')[]): ScenarioProgram[] =>
  parts.map((part) => {
    const minutes = eachMinutes(modelId, part === 'body' ? 'b-machine' : 'n-machine');
    const set = part === 'body' ? body(minutes * 2 - 9) : neck(minutes * 4 - 14);
    return {
      modelId,
      what: part === 'body' ? BODY : NECK,
      side: '',
      serves: modelId === 'weirstone' && part === 'neck' ? ['neckwood=mahogany'] : [],
      ownerId: 'anselm',
      askedDaysAgo: null,
      note: '',
      revisions: [{ daysAgo: null, why: 'As the model was first built', file: file(code, part, 'A'), ...set, to: 'released' }],
    };
  });

/** Less air between the cavities: the millrace's body in fewer minutes. */
const shorterMillrace = (program: ScenarioProgram): ScenarioProgram => {
  const [first] = program.revisions;
  if (!first) return program;
  const run = first.planned.run - 15;
  const again = {
    ...body(run),
    daysAgo: 120,
    why: 'Cavities in one go, no lift between them',
    file: file('MR', 'body', 'B'),
    to: 'released' as const,
  };
  return { ...program, revisions: [first, again] };
};

/** One piece from end to end, on a table of its own. */
const whole = (modelId: string, code: string, what: string, fixture: string): ScenarioProgram => ({
  modelId,
  what,
  side: '',
  serves: [],
  ownerId: 'anselm',
  askedDaysAgo: null,
  note: '',
  revisions: [
    {
      ...body(eachMinutes(modelId, 'b-machine') - 7),
      daysAgo: null,
      why: 'As the model was first built',
      file: file(code, 'whole', 'A'),
      fixture,
      piecesALoad: 1,
      planned: { setUp: 25, load: 4, run: eachMinutes(modelId, 'b-machine') - 7, unload: 3 },
      to: 'released',
    },
  ],
});

const fretSlots: ScenarioProgram = {
  modelId: 'lockkeeper',
  what: 'Fret slots',
  side: 'top',
  serves: [],
  ownerId: 'dov',
  askedDaysAgo: null,
  note: '',
  revisions: [
    {
      daysAgo: null,
      why: 'As the model was first built',
      file: file('LK', 'slots', 'A'),
      fixture: 'Vacuum table',
      piecesALoad: 4,
      cutters: [{ cutter: SLOTTER, minutes: 30 }],
      planned: { setUp: 12, load: 4, run: 33, unload: 3 },
      to: 'released',
    },
  ],
};

/** Maple is stiffer than what the first program was written for: it is drawn, and its author has not come to it. */
const mapleNeck: ScenarioProgram = {
  modelId: 'weirstone',
  what: NECK,
  side: '',
  serves: ['neckwood=maple'],
  ownerId: 'anselm',
  askedDaysAgo: 19,
  note: 'Maple chatters at the feed that mahogany takes',
  revisions: [
    {
      daysAgo: 9,
      why: 'Slower feed and two passes at the heel',
      file: file('WS', 'maple-neck', 'A'),
      ...neck(eachMinutes('weirstone', 'n-machine') * 4),
      to: 'checked',
    },
  ],
};

export const DEMO_PROGRAMS: readonly ScenarioProgram[] = [
  ...proven('millrace', 'MR', ['body', 'neck']).map((p) => (p.what === BODY ? shorterMillrace(p) : p)),
  ...proven('weirstone', 'WS', ['body', 'neck']),
  ...proven('lockkeeper', 'LK', ['body', 'neck']),
  ...proven('headwater', 'HW', ['body', 'neck']),
  whole('towpath', 'TP', 'Through-neck body', 'Long table'),
  whole('skiff', 'SK', 'Shell, trim and slots', 'Shell cradle'),
  fretSlots,
  mapleNeck,
];

const cutter = (id: string, kind: string, lifeMinutes: number, stationCode: string | null): ScenarioCutter => ({
  id,
  kind,
  lifeMinutes,
  stationCode,
});

/** One of each on the machine, one of each sharp on the shelf. */
export const DEMO_CUTTERS: readonly ScenarioCutter[] = [
  cutter('R12-1', ROUGHER, 1500, 'MC1'),
  cutter('R12-2', ROUGHER, 1500, 'MC2'),
  cutter('R12-3', ROUGHER, 1500, null),
  cutter('F6-1', FINISHER, 1200, 'MC1'),
  cutter('F6-2', FINISHER, 1200, 'MC2'),
  cutter('F6-3', FINISHER, 1200, null),
  cutter('S06-1', SLOTTER, 600, 'MC2'),
];
