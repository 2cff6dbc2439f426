import type { CarrierKind, Characteristic, CoatPlan, Component, Operation, Route, RouteOption, Rule, Stage, Wipe } from '@ample-crane/core';
import { DEMO_MATERIALS } from './materials.ts';
import { LEVELLING, SLOTTING } from './sheets.ts';
import { DEMO_STATIONS } from './stations.ts';

type Extras = Partial<Omit<Operation, 'id' | 'name' | 'component' | 'kind' | 'stationCode' | 'skill' | 'next'>>;

export type Step = Omit<Operation, 'component' | 'next'>;

function stationStage(code: string): Stage {
  const station = DEMO_STATIONS.find((s) => s.code === code);
  if (!station) throw new Error(`No station ${code}`);
  return station.stage;
}

/** A work step as the benches see it: who, where, set-up and minutes a piece. */
export const work = (
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

export const dwell = (id: string, name: string, stationCode: string, gate: readonly Rule[], extras: Extras = {}) => ({
  id,
  name,
  kind: 'dwell' as const,
  stage: stationStage(stationCode),
  stationCode,
  setupMinutes: 0,
  minutesPerPiece: 0,
  gate,
  ...extras,
});

export const hours = (what: string, minimum: number): readonly Rule[] => [{ kind: 'elapsed', what, minimumMinutes: minimum * 60 }];

/** Under pressure in a rig, as long as its glue asks. */
export const pressed = (
  id: string,
  name: string,
  stationCode: string,
  kind: CarrierKind,
  what: string,
  adhesiveId: string,
  material?: string,
): Step =>
  dwell(id, name, stationCode, [{ kind: 'pressed', what, adhesiveId, ...(material === undefined ? {} : { material }) }], { rig: { kind } });

/** On the shelves until its glue may be machined. */
export const hardens = (id: string, adhesiveId: string): Step =>
  dwell(id, 'Glue hardens', 'MC3', [{ kind: 'glueSet', what: 'Glue set', adhesiveId }]);

export function cure(id: string, materialId: string): Step {
  const material = DEMO_MATERIALS.find((m) => m.id === materialId);
  if (!material) throw new Error(`No material ${materialId}`);
  return dwell(id, 'Cure', 'FN3', [{ kind: 'equivalent', what: 'Cured', minimumDays: material.cureDays, law: material.cure }]);
}

export function coats(materialId: string, count: number, wetUm: number): CoatPlan {
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

export const band = (id: string, name: string, unit: string, low: number, target: number, high: number): Characteristic => ({
  id,
  name,
  unit,
  low,
  target,
  high,
});

/** Steps of one component in a row, the last leading to a step of its own or of another stream. */
export const line = (component: Component, steps: readonly Step[], into: string): Operation[] =>
  steps.map((step, i) => ({ ...step, component, next: [steps[i + 1]?.id ?? into] }));

/** Other components become part of this one. */
export const join = (id: string, name: string, stationCode: string, skill: string, extras: Extras = {}): Step => ({
  ...work(id, name, stationCode, skill, 10, 4, extras),
  kind: 'join',
});

/** Sent to another house, or to another building. */
export const away = (
  id: string,
  name: string,
  kind: 'outside' | 'transfer',
  stationCode: string,
  awayDays: number,
  extras: Extras = {},
): Step => ({
  id,
  name,
  kind,
  stage: stationStage(stationCode),
  stationCode,
  setupMinutes: 0,
  minutesPerPiece: 0,
  gate: [],
  awayDays,
  ...extras,
});

/** Kept on the conditioned shelves until a build calls. */
export const buffer = (id: string, name: string, stage: Stage): Step => ({
  ...dwell(id, name, 'MC3', []),
  kind: 'buffer',
  stage,
});

/** The parts of a route in one: its streams, the fitting, what follows, and dispatch. */
export function route(modelId: string, streams: readonly Operation[][], instrument: readonly Step[], options: RouteOption[] = []): Route {
  const separateNecks = streams.some((s) => s.some((o) => o.component === 'neck'));
  const fit = {
    ...work('fit', separateNecks ? 'Pair and give a serial' : 'Give a serial', 'FT1', 'neck fitting', 10, separateNecks ? 8 : 2),
    kind: 'fit' as const,
  };
  const ship = { ...work('ship', 'Dispatch', 'DP1', 'packing', 5, 30), kind: 'dispatch' as const };
  const end: Operation = { ...ship, component: 'instrument', next: [] };
  return {
    id: `${modelId}-1`,
    modelId,
    version: 1,
    ...(options.length > 0 ? { options } : {}),
    operations: [...streams.flat(), ...line('instrument', [fit, ...instrument], 'ship'), end],
  };
}

export const option = (id: string, name: string, ...values: [string, string][]): RouteOption => ({
  id,
  name,
  values: values.map(([value, label]) => ({ id: value, name: label })),
});

/** Pictures are cut and set by another house. */
export const pictureInlay: Step = away('n-inlay', 'Picture inlay', 'outside', 'NK1', 4, {
  when: { kind: 'option', option: 'inlay', in: ['picture'] },
});

/** A night in the cold and an hour of warmth, as often as it takes for the checks to please. */
export const coldCheck: Step = dwell('i-age', 'Cold-check the finish', 'FN3', hours('Chilled', 12), {
  place: { kind: 'freezer shelf' },
  when: { kind: 'option', option: 'ageing', in: ['checked'] },
  repeat: { kind: 'until accepted', backTo: 'i-age', maximum: 5, expected: 3 },
  cautions: ['thermal'],
});

const pocket: Characteristic = {
  ...band('pocketWidth', 'Pocket width', 'mm', 55.95, 56.05, 56.15),
  instrument: 'inside caliper',
  holds: true,
};
const tenon: Characteristic = { ...band('tenonWidth', 'Tenon width', 'mm', 55.85, 55.93, 56.01), instrument: 'caliper', holds: true };
export const setUp = (relief: number, bass: number, treble: number): Characteristic[] => [
  band('relief', 'Relief at mid-neck', 'mm', relief - 0.1, relief, relief + 0.1),
  band('actionBass', 'Action at fret 12, bass', 'mm', bass - 0.25, bass, bass + 0.25),
  band('actionTreble', 'Action at fret 12, treble', 'mm', treble - 0.25, treble, treble + 0.25),
];

export const cutBody = (minutes: number) =>
  work('b-cut', 'Cut and joint bodies', 'RM1', 'milling', 15, minutes, { cautions: ['cutting', 'dust'] });
export const glueBody = work('b-glue', 'Glue up blanks', 'RM2', 'gluing', 10, 34);
export const clampBody: Step[] = [pressed('b-clamp', 'Blank in clamps', 'RM3', 'clamp rack', 'Clamped', 'pva'), hardens('b-hard', 'pva')];
export const machineBody = (minutes: number) =>
  work('b-machine', 'Machine bodies', 'MC1', 'body machining', 25, minutes, {
    characteristics: [pocket],
    cautions: ['cutting', 'dust'],
    needs: [{ kind: 'program', what: 'Body, both sides', checked: true }],
  });
export const restBody = dwell('b-rest', 'Rest after roughing', 'MC3', hours('Rested', 48));
export const sandBody = (minutes: number) =>
  work('b-sand', 'Sand body', 'BD3', 'body sanding', 5, minutes, { cautions: ['dust'], grit: 220, handOver: true });
export const bindBody = (minutes: number) => work('b-bind', 'Bind body', 'BD2', 'binding', 10, minutes, { cautions: ['solvents'] });
export const bindSet = (id: string) => dwell(id, 'Binding sets', 'BD4', hours('Set', 14));

const cutNecks: Step = work('n-cut', 'Cut neck blanks', 'RM1', 'milling', 10, 20, { cautions: ['cutting', 'dust'] });
const machineNecks: Step[] = [
  work('n-machine', 'Machine necks', 'MC2', 'neck machining', 20, 58, {
    characteristics: [tenon],
    cautions: ['cutting', 'dust'],
    needs: [{ kind: 'program', what: 'Neck, first and second side', checked: true }],
    wayName: 'By machine',
    ways: [
      {
        id: 'pin',
        name: 'By template and pin',
        stationCode: 'NK4',
        skill: 'neck carving',
        setupMinutes: 10,
        minutesPerPiece: 95,
        cautions: ['cutting', 'dust'],
      },
    ],
  }),
  dwell('n-rest', 'Rest after roughing', 'MC3', hours('Rested', 48)),
];
const glueBoard = (minutes: number): Step => work('n-board', 'Truss rod and fingerboard', 'NK1', 'fingerboards', 10, minutes);
const shapeNeck = (carveMinutes: number, wipe?: Wipe): Step[] => [
  { ...pressed('n-clamp', 'Fingerboard in clamps', 'NK2', 'hose table', 'Clamped', 'pva'), ...(wipe ? { wipe } : {}) },
  hardens('n-hard', 'pva'),
  work('n-fret', 'Radius and fret', 'NK3', 'fretting', 10, 122),
  work('n-carve', 'Carve and sand neck', 'NK4', 'neck carving', 5, carveMinutes, { cautions: ['dust'], grit: 220 }),
];

/** Boards of oily wood: what comes back to the face within minutes keeps glue off it. */
export const OILY_BOARD: Wipe = { withWhat: 'acetone', minutes: 20 };

/** A neck whose fingerboard is made at its bench; wiped before it is glued where its wood is oily. */
export const neckLine = (carveMinutes: number, wipe?: Wipe): Step[] => [
  cutNecks,
  ...machineNecks,
  glueBoard(60),
  ...shapeNeck(carveMinutes, wipe),
];

/** A neck that gets back the fingerboard cut from its own block. */
export const neckWithItsBoard = (carveMinutes: number): Step[] => [
  cutNecks,
  ...machineNecks,
  join('n-lay', 'Lay each fingerboard on its own neck', 'NK1', 'fingerboards', { matchedSet: true }),
  glueBoard(51),
  ...shapeNeck(carveMinutes),
];

/** Fingerboards sliced off the neck blocks, their slots sawn at the machine or all at once by the gang saw. */
export const fingerboards: Step[] = [
  work('f-slice', 'Slice fingerboards off their blocks', 'RM1', 'milling', 8, 7, { cautions: ['cutting', 'dust'] }),
  work('f-slot', 'Saw the fret slots', 'MC2', 'neck machining', 12, 10, {
    sheet: SLOTTING,
    needs: [{ kind: 'program', what: 'Fret slots', checked: true }],
    wayName: 'By machine',
    cautions: ['cutting', 'dust'],
    ways: [
      {
        id: 'gang',
        name: 'By gang saw',
        stationCode: 'RM1',
        skill: 'milling',
        setupMinutes: 25,
        minutesPerPiece: 1.5,
        cautions: ['cutting', 'dust'],
      },
    ],
  }),
];

const spray = (p: string, materialId: string, count: number, wetUm: number): Step =>
  work(`${p}-spray`, 'Spray clear coats', 'FN2', 'spraying', 25, 24 + count * 11, {
    coat: coats(materialId, count, wetUm),
    cautions: ['spraying', 'rags'],
  });

/** Oil goes on with a cloth, and off again. */
const wipe = (p: string, count: number, wetUm: number): Step =>
  work(`${p}-wipe`, 'Wipe on the oil', 'FN1', 'finish prep', 10, 8 * count, { coat: coats('oil', count, wetUm), cautions: ['rags'] });

/** Colour over the bare wood, darker towards the edge; what it leaves on the binding is scraped off before the clear coats. */
export const burst: Step = work('i-burst', 'Stain and spray the burst', 'FN2', 'spraying', 20, 12, {
  needs: [{ kind: 'sample', what: 'Amber burst' }],
  cautions: ['spraying', 'rags'],
});
export const stainBody: Step = work('i-stain', 'Stain the body', 'FN1', 'finish prep', 10, 9, { cautions: ['solvents', 'rags'] });
export const scrapeBinding: Step = work('i-scrape', 'Scrape the binding clean', 'BD2', 'binding', 5, 11, {
  when: { kind: 'construction', in: ['semi-hollow, bound on both faces', 'set-neck carved'] },
});

export const finish = (
  p: string,
  materialId: string,
  count: number,
  wetUm: number,
  prep: number,
  level: number,
  buff: number,
  colour: readonly Step[] = [],
): Step[] => [
  work(`${p}-prep`, 'Prep sand and fill', 'FN1', 'finish prep', 10, prep, { cautions: ['dust', 'rags'] }),
  ...colour,
  materialId === 'oil' ? wipe(p, count, wetUm) : spray(p, materialId, count, wetUm),
  cure(`${p}-cure`, materialId),
  work(`${p}-level`, 'Level sand', 'FN4', 'level sanding', 5, level, { sheet: LEVELLING, cautions: ['dust'] }),
  work(`${p}-buff`, 'Buff', 'FN5', 'buffing', 10, buff, { cautions: ['buffing', 'dust'] }),
];

export const outfit = (relief: number, bass: number, treble: number, electrics: number, wiring: Extras = {}): Step[] => [
  work('i-wire', 'Electrics and hardware', 'AS1', 'electrics', 10, electrics, wiring),
  work('i-setup', 'Strings and set-up', 'AS2', 'set-up', 5, 104, {
    characteristics: setUp(relief, bass, treble),
  }),
  dwell('i-rest', 'Rest under strings', 'FR1', hours('Rested', 7 * 24)),
  work('i-final', 'Final inspection', 'FR2', 'final inspection', 5, 46, {
    characteristics: setUp(relief, bass, treble),
  }),
];

export const jointAndClamp: Step[] = [
  work('i-joint', 'Glue the neck joint', 'FT1', 'neck fitting', 10, 71),
  dwell('i-clamp', 'Joint in clamps', 'FT2', hours('Clamped', 24)),
];
