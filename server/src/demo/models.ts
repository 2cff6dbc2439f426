import type { Characteristic, CoatPlan, Component, Operation, Route, Rule, Stage } from '@ample-crane/core';
import type { WoodNeed } from '@ample-crane/core';
import { DEMO_MATERIALS } from './materials.ts';
import { DEMO_STATIONS } from './stations.ts';

export interface DemoModel {
  id: string;
  code: string;
  name: string;
  construction: string;
  weight: number;
  batchSize: number;
  scaleLengthMm: number;
  clearance: { lowMm: number; targetMm: number; highMm: number };
  wood: { body: WoodNeed; neck: WoodNeed | null };
  route: Route;
}

type Extras = Partial<Pick<Operation, 'gate' | 'coat' | 'characteristics' | 'cautions'>>;

function stationStage(code: string): Stage {
  const station = DEMO_STATIONS.find((s) => s.code === code);
  if (!station) throw new Error(`No station ${code}`);
  return station.stage;
}

/** A work step as the benches see it: who, where, set-up and minutes a piece. */
const work = (
  id: string,
  name: string,
  stationCode: string,
  skill: string,
  setupMinutes: number,
  minutesPerPiece: number,
  extras: Extras = {},
) => ({
  id,
  name,
  kind: 'work' as const,
  stage: stationStage(stationCode),
  stationCode,
  skill,
  setupMinutes,
  minutesPerPiece,
  gate: [] as readonly Rule[],
  ...extras,
});

const dwell = (id: string, name: string, stationCode: string, gate: readonly Rule[]) => ({
  id,
  name,
  kind: 'dwell' as const,
  stage: stationStage(stationCode),
  stationCode,
  setupMinutes: 0,
  minutesPerPiece: 0,
  gate,
});

type Step = ReturnType<typeof work> | ReturnType<typeof dwell>;

const hours = (what: string, minimum: number): readonly Rule[] => [{ kind: 'elapsed', what, minimumMinutes: minimum * 60 }];

function cure(id: string, materialId: string): Step {
  const material = DEMO_MATERIALS.find((m) => m.id === materialId);
  if (!material) throw new Error(`No material ${materialId}`);
  return dwell(id, 'Cure', 'FN3', [{ kind: 'equivalent', what: 'Cured', minimumDays: material.cureDays, law: material.cure }]);
}

function coats(materialId: string, count: number, wetUm: number): CoatPlan {
  const material = DEMO_MATERIALS.find((m) => m.id === materialId);
  if (!material) throw new Error(`No material ${materialId}`);
  return {
    materialId,
    volumeSolids: material.volumeSolids,
    coats: count,
    wetUm,
    flashMinutes: 20,
    recoatMaxMinutes: 24 * 60,
  };
}

const band = (id: string, name: string, unit: string, low: number, target: number, high: number): Characteristic => ({
  id,
  name,
  unit,
  low,
  target,
  high,
});

/** Joins the branches of a route: each runs in order into the fitting, which runs into the instrument's own steps. */
function route(modelId: string, branches: { body: Step[]; neck?: Step[] }, instrument: Step[]): Route {
  const chain = (component: Component, steps: readonly Step[], last: string): Operation[] =>
    steps.map((step, i) => ({ ...step, component, next: [steps[i + 1]?.id ?? last] }));
  const fit: Operation = {
    ...work('fit', branches.neck ? 'Pair and give a serial' : 'Give a serial', 'FT1', 'neck fitting', 0, 0),
    kind: 'fit',
    component: 'instrument',
    next: [instrument[0]?.id ?? 'ship'],
  };
  const ship: Operation = {
    ...work('ship', 'Dispatch', 'DP1', 'packing', 0, 0),
    kind: 'dispatch',
    component: 'instrument',
    next: [],
  };
  return {
    id: `${modelId}-1`,
    modelId,
    version: 1,
    operations: [
      ...chain('body', branches.body, 'fit'),
      ...chain('neck', branches.neck ?? [], 'fit'),
      fit,
      ...chain('instrument', instrument, 'ship'),
      ship,
    ],
  };
}

const pocket = band('pocketWidth', 'Pocket width', 'mm', 55.95, 56.05, 56.15);
const tenon = band('tenonWidth', 'Tenon width', 'mm', 55.85, 55.93, 56.01);
const setUp = (relief: number, bass: number, treble: number): Characteristic[] => [
  band('relief', 'Relief at mid-neck', 'mm', relief - 0.1, relief, relief + 0.1),
  band('actionBass', 'Action at fret 12, bass', 'mm', bass - 0.25, bass, bass + 0.25),
  band('actionTreble', 'Action at fret 12, treble', 'mm', treble - 0.25, treble, treble + 0.25),
];

const cutBody = (minutes: number) =>
  work('b-cut', 'Cut and joint bodies', 'RM1', 'milling', 15, minutes, { cautions: ['cutting', 'dust'] });
const glueBody = work('b-glue', 'Glue up blanks', 'RM2', 'gluing', 10, 15);
const clampBody = dwell('b-clamp', 'Blank in clamps', 'RM3', hours('Clamped', 24));
const machineBody = (minutes: number) =>
  work('b-machine', 'Machine bodies', 'MC1', 'body machining', 25, minutes, {
    characteristics: [pocket],
    cautions: ['cutting', 'dust'],
  });
const restBody = dwell('b-rest', 'Rest after roughing', 'MC3', hours('Rested', 48));
const sandBody = (minutes: number) => work('b-sand', 'Sand body', 'BD3', 'body sanding', 5, minutes, { cautions: ['dust'] });
const bindBody = (minutes: number) => work('b-bind', 'Bind body', 'BD2', 'binding', 10, minutes, { cautions: ['solvents'] });
const bindSet = (id: string) => dwell(id, 'Binding sets', 'BD4', hours('Set', 14));

const neckLine = (carveMinutes: number): Step[] => [
  work('n-cut', 'Cut neck blanks', 'RM1', 'milling', 10, 11, { cautions: ['cutting', 'dust'] }),
  work('n-machine', 'Machine necks', 'MC2', 'neck machining', 20, 35, {
    characteristics: [tenon],
    cautions: ['cutting', 'dust'],
  }),
  dwell('n-rest', 'Rest after roughing', 'MC3', hours('Rested', 48)),
  work('n-board', 'Truss rod and fingerboard', 'NK1', 'fingerboards', 10, 40),
  dwell('n-clamp', 'Fingerboard in clamps', 'NK2', hours('Clamped', 24)),
  work('n-fret', 'Radius and fret', 'NK3', 'fretting', 10, 87),
  work('n-carve', 'Carve and sand neck', 'NK4', 'neck carving', 5, carveMinutes, { cautions: ['dust'] }),
];

const finish = (p: string, materialId: string, count: number, wetUm: number, prep: number, level: number, buff: number): Step[] => [
  work(`${p}-prep`, 'Prep sand and fill', 'FN1', 'finish prep', 10, prep, { cautions: ['dust', 'rags'] }),
  work(`${p}-spray`, 'Spray clear coats', 'FN2', 'spraying', 25, 16 + count * 9, {
    coat: coats(materialId, count, wetUm),
    cautions: ['spraying', 'rags'],
  }),
  cure(`${p}-cure`, materialId),
  work(`${p}-level`, 'Level sand', 'FN4', 'level sanding', 5, level, { cautions: ['dust'] }),
  work(`${p}-buff`, 'Buff', 'FN5', 'buffing', 10, buff, { cautions: ['buffing', 'dust'] }),
];

const outfit = (relief: number, bass: number, treble: number, electrics: number): Step[] => [
  work('i-wire', 'Electrics and hardware', 'AS1', 'electrics', 10, electrics),
  work('i-setup', 'Strings and set-up', 'AS2', 'set-up', 5, 99, {
    characteristics: setUp(relief, bass, treble),
  }),
  dwell('i-rest', 'Rest under strings', 'FR1', hours('Rested', 7 * 24)),
  work('i-final', 'Final inspection', 'FR2', 'final inspection', 5, 44, {
    characteristics: setUp(relief, bass, treble),
  }),
];

const jointAndClamp: Step[] = [
  work('i-joint', 'Glue the neck joint', 'FT1', 'neck fitting', 10, 75),
  dwell('i-clamp', 'Joint in clamps', 'FT2', hours('Clamped', 24)),
];

const wood = (species: string, use: WoodNeed['use'], volumeM3: number, thicknessMm: number): WoodNeed => ({
  species,
  use,
  volumeM3,
  thicknessMm,
});
const glued = { lowMm: 0.05, targetMm: 0.1, highMm: 0.2 };
const bolted = { lowMm: 0.05, targetMm: 0.12, highMm: 0.25 };

export const DEMO_MODELS: readonly DemoModel[] = [
  {
    id: 'millrace',
    code: 'MR',
    name: 'Millrace',
    construction: 'bolt-on solid',
    weight: 30,
    batchSize: 8,
    scaleLengthMm: 645,
    clearance: bolted,
    wood: { body: wood('red alder', 'body', 0.014, 45), neck: wood('sugar maple', 'neck', 0.006, 27) },
    route: route(
      'millrace',
      {
        body: [cutBody(13), glueBody, clampBody, machineBody(39), restBody, sandBody(53), ...finish('b', 'poly', 4, 110, 44, 36, 65)],
        neck: [...neckLine(46), work('n-oil', 'Oil the neck', 'FN1', 'finish prep', 5, 18, { cautions: ['rags'] }), cure('n-cure', 'oil')],
      },
      [work('i-bolt', 'Bolt the neck on', 'FT1', 'neck fitting', 5, 35), ...outfit(0.25, 1.9, 1.6, 101)],
    ),
  },
  {
    id: 'weirstone',
    code: 'WS',
    name: 'Weirstone',
    construction: 'set-neck carved',
    weight: 24,
    batchSize: 6,
    scaleLengthMm: 628,
    clearance: glued,
    wood: { body: wood('mahogany', 'body', 0.015, 50), neck: wood('mahogany', 'neck', 0.008, 27) },
    route: route(
      'weirstone',
      {
        body: [cutBody(15), glueBody, clampBody, machineBody(62), restBody, bindBody(57), bindSet('b-bindset'), sandBody(66)],
        neck: neckLine(55),
      },
      [...jointAndClamp, ...finish('i', 'lacquer', 5, 105, 62, 60, 111), ...outfit(0.22, 1.8, 1.5, 105)],
    ),
  },
  {
    id: 'towpath',
    code: 'TP',
    name: 'Towpath',
    construction: 'neck-through bass',
    weight: 12,
    batchSize: 6,
    scaleLengthMm: 864,
    clearance: glued,
    wood: { body: wood('black walnut', 'body', 0.022, 45), neck: null },
    route: route(
      'towpath',
      {
        body: [
          cutBody(27),
          work('b-glue', 'Glue wings to the core', 'RM2', 'gluing', 15, 31),
          clampBody,
          work('b-machine', 'Machine through-neck body', 'MC1', 'body machining', 30, 75, {
            cautions: ['cutting', 'dust'],
          }),
          restBody,
          work('b-board', 'Truss rod and fingerboard', 'NK1', 'fingerboards', 10, 44),
          dwell('b-boardset', 'Fingerboard in clamps', 'NK2', hours('Clamped', 24)),
          work('b-fret', 'Radius and fret', 'NK3', 'fretting', 10, 92),
          sandBody(75),
        ],
      },
      [...finish('i', 'oil', 3, 20, 40, 20, 33), ...outfit(0.35, 2.4, 2.0, 97)],
    ),
  },
  {
    id: 'lockkeeper',
    code: 'LK',
    name: 'Lockkeeper',
    construction: 'semi-hollow, bound on both faces',
    weight: 14,
    batchSize: 6,
    scaleLengthMm: 628,
    clearance: glued,
    wood: { body: wood('sugar maple', 'body', 0.012, 27), neck: wood('mahogany', 'neck', 0.008, 27) },
    route: route(
      'lockkeeper',
      {
        body: [
          cutBody(19),
          work('b-press', 'Press top and back', 'BD1', 'top pressing', 20, 32, { cautions: ['hot'] }),
          dwell('b-pressset', 'In the press', 'BD4', hours('Pressed', 14)),
          machineBody(49),
          restBody,
          bindBody(53),
          bindSet('b-bindset'),
          work('b-bind2', 'Bind the second face', 'BD2', 'binding', 10, 53, { cautions: ['solvents'] }),
          bindSet('b-bindset2'),
          sandBody(70),
        ],
        neck: neckLine(55),
      },
      [...jointAndClamp, ...finish('i', 'lacquer', 5, 105, 57, 60, 111), ...outfit(0.22, 1.8, 1.5, 130)],
    ),
  },
  {
    id: 'headwater',
    code: 'HW',
    name: 'Headwater',
    construction: 'flat-top acoustic',
    weight: 12,
    batchSize: 6,
    scaleLengthMm: 645,
    clearance: glued,
    wood: { body: wood('Sitka spruce', 'body', 0.007, 10), neck: wood('mahogany', 'neck', 0.008, 27) },
    route: route(
      'headwater',
      {
        body: [
          work('b-cut', 'Joint tops and backs', 'RM1', 'milling', 15, 17, { cautions: ['cutting', 'dust'] }),
          work('b-brace', 'Brace, bend sides, close the box', 'BD1', 'top pressing', 20, 76, {
            cautions: ['hot'],
          }),
          dwell('b-braceset', 'Box in its form', 'BD4', hours('Set', 24)),
          machineBody(19),
          bindBody(57),
          bindSet('b-bindset'),
          sandBody(57),
        ],
        neck: neckLine(50),
      },
      [...jointAndClamp, ...finish('i', 'water', 5, 80, 53, 52, 91), ...outfit(0.25, 2.4, 1.9, 50)],
    ),
  },
  {
    id: 'skiff',
    code: 'SK',
    name: 'Skiff',
    construction: 'moulded travel instrument',
    weight: 8,
    batchSize: 8,
    scaleLengthMm: 580,
    clearance: bolted,
    wood: { body: wood('basswood', 'body', 0.006, 8), neck: null },
    route: route(
      'skiff',
      {
        body: [
          work('b-cut', 'Slice leaves', 'RM1', 'milling', 10, 10, { cautions: ['cutting', 'dust'] }),
          work('b-mould', 'Mould the shell', 'BD1', 'top pressing', 20, 32, { cautions: ['hot'] }),
          dwell('b-mouldset', 'Shell in its mould', 'BD4', hours('Set', 14)),
          work('b-machine', 'Trim and slot', 'MC2', 'neck machining', 20, 26, {
            cautions: ['cutting', 'dust'],
          }),
          work('b-fret', 'Fret', 'NK3', 'fretting', 10, 64),
          sandBody(31),
        ],
      },
      [...finish('i', 'oil', 3, 20, 18, 12, 19), ...outfit(0.25, 2.2, 1.8, 29)],
    ),
  },
];
